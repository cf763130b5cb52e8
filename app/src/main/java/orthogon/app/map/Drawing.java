package orthogon.app.map;

import java.util.Set;
import org.springframework.web.util.HtmlUtils;

/** The laid out branches as SVG. */
final class Drawing {

    /** What somebody meets on the way: pages and items by code, and the outcome; empty to follow nobody. */
    record Followed(Set<String> met, String outcome) {
        static final Followed NOBODY = new Followed(Set.of(), "");

        boolean isNobody() {
            return met.isEmpty();
        }
    }

    /** For a file of its own, which brings its colours and letters along. */
    private static final String STYLE = """
            <style>
            text{font:12px sans-serif;fill:#1E2530}.code{font:11px monospace;fill:#57606C}.title{font-weight:600}
            rect{fill:#fff;stroke:#57606C}.frame>rect{fill:#F7F5EF;stroke:#1E2530}.band{fill:#ECE8DC;stroke:#1E2530}
            .halo{fill:#fff;stroke:none}.hit{stroke:none}path{fill:none;stroke:#57606C}.way path{stroke:#1E2530}.head{fill:#1E2530;stroke:none}
            .reference rect{stroke-dasharray:3 2}.note rect,.derived rect{stroke:#A9A28F}
            .refuted>rect{stroke:#A5301E;stroke-width:2}.never>rect:not(.halo),.never path{stroke:#A5301E;stroke-dasharray:5 3}
            .off{opacity:.22}.sign{fill:#A5301E}
            </style>
            """;

    private final Branches branches;
    private final MapLayout laid;
    private final Followed followed;
    private final StringBuilder svg = new StringBuilder();

    private Drawing(Branches branches, MapLayout laid, Followed followed) {
        this.branches = branches;
        this.laid = laid;
        this.followed = followed;
    }

    /** @param alone whether it is a file of its own */
    static String of(Branches branches, MapLayout laid, Followed followed, boolean alone, String title) {
        return new Drawing(branches, laid, followed).draw(alone, title);
    }

    private String draw(boolean alone, String title) {
        String size = MapLayout.at(laid.width()) + " " + MapLayout.at(laid.height());
        svg.append("<svg xmlns=\"http://www.w3.org/2000/svg\" id=\"drawing\" role=\"img\" aria-label=\"").append(escaped(title))
                .append(", drawn; the table says the same\" viewBox=\"0 0 ").append(size).append("\" data-size=\"").append(size)
                .append('"');
        if (alone) {
            svg.append(" width=\"").append(MapLayout.at(laid.width())).append("\" height=\"").append(MapLayout.at(laid.height()))
                    .append('"');
        }
        svg.append(">\n<title>").append(escaped(title)).append("</title>\n").append(alone ? STYLE : "");
        svg.append("<defs><marker id=\"head\" viewBox=\"0 0 8 8\" refX=\"7\" refY=\"4\" markerWidth=\"7\" markerHeight=\"7\" "
                + "orient=\"auto\"><path class=\"head\" d=\"M0 0.5L8 4L0 7.5z\"/></marker></defs>\n");
        branches.frames().forEach(this::frame);
        MapLayout.Area table = laid.frames().get(Branches.TABLE);
        if (branches.ways().stream().anyMatch(w -> w.from().equals(Branches.TABLE))) {
            stop(Branches.TABLE, "table", "Outcome table", table, "proved", true, followed.isNobody() || !followed.outcome().isEmpty());
        }
        branches.outcomes().forEach(o -> stop(o.code(), "outcome", o.label(), laid.frames().get(o.code()), o.state(), o.reached(),
                followed.isNobody() || followed.outcome().equals(o.code())));
        for (int i = 0; i < branches.ways().size(); i++) {
            Branches.MapWay way = branches.ways().get(i);
            line(way.from(), way.to(), "way " + way.kind(), way.words(), way.uses(), way.reached(), laid.ways().get(i), isOn(way),
                    " data-way=\"" + i + "\"");
        }
        int n = 0;
        for (Branches.PageFrame frame : branches.frames()) {
            for (Branches.ConditionLine line : frame.lines()) {
                line(line.from(), line.to(), "line", line.words(), Set.of(), line.reached(), laid.lines().get(n++),
                        followed.isNobody() || followed.met().contains(line.to()), "");
            }
        }
        return svg.append("</svg>\n").toString();
    }

    private boolean isOn(Branches.MapWay way) {
        if (followed.isNobody()) {
            return true;
        }
        if (way.to().equals(followed.outcome())) {
            return way.from().equals(Branches.TABLE) || last().equals(way.from());
        }
        return followed.met().contains(way.from()) && (way.to().equals(Branches.TABLE)
                ? last().equals(way.from())
                : followed.met().contains(way.to()) && next(way.from()).equals(way.to()));
    }

    private String last() {
        return branches.frames().stream().map(Branches.PageFrame::code).filter(followed.met()::contains).reduce((a, b) -> b).orElse("");
    }

    private String next(String page) {
        return branches.frames().stream().map(Branches.PageFrame::code).filter(followed.met()::contains)
                .dropWhile(c -> !c.equals(page)).skip(1).findFirst().orElse("");
    }

    private void frame(Branches.PageFrame frame) {
        MapLayout.Area at = laid.frames().get(frame.code());
        boolean on = followed.isNobody() || followed.met().contains(frame.code());
        svg.append("<g class=\"").append(classes("frame", frame.state(), frame.reached(), on)).append("\" data-code=\"")
                .append(frame.code()).append("\" data-kind=\"page\">");
        rect(at, "");
        rect(new MapLayout.Area(at.x(), at.y(), at.width(), frame.boxes().isEmpty() ? at.height() : MapLayout.TITLE), "band");
        text(at.x() + 10, at.y() + 19, "title", frame.number() + "  " + cut(frame.title(), (int) (at.width() / 7.2) - 6));
        sign(frame.state(), at);
        svg.append("</g>\n");
        for (Branches.MapBox box : frame.boxes()) {
            box(box, on);
        }
    }

    private void box(Branches.MapBox box, boolean pageOn) {
        MapLayout.Area at = laid.boxes().get(box.id());
        boolean on = pageOn && (followed.isNobody() || box.reference() || box.kind().equals("derived")
                || followed.met().contains(box.code()));
        svg.append("<g class=\"box ").append(box.kind().replace(' ', '-')).append(box.reference() ? " reference" : "").append(' ')
                .append(classes("", box.state(), box.reached(), on)).append("\" data-code=\"").append(box.code()).append("\" data-id=\"")
                .append(box.id()).append("\" data-kind=\"").append(box.kind()).append("\"><title>")
                .append(escaped(box.wording().isEmpty() ? box.code() : box.wording())).append("</title>");
        rect(at, "");
        if (box.reference()) {
            text(at.x() + 8, at.y() + 14, "code", "from " + cut(box.code(), 22));
        } else {
            text(at.x() + 8, at.y() + 14, "code", cut(box.code(), 24));
            text(at.x() + 8, at.y() + 29, "", cut(box.wording(), 27));
            sign(box.state(), at);
        }
        svg.append("</g>\n");
    }

    private void stop(String code, String kind, String label, MapLayout.Area at, String state, boolean reached, boolean on) {
        svg.append("<g class=\"stop ").append(kind).append(' ').append(classes("", state, reached, on)).append("\" data-code=\"")
                .append(code).append("\" data-kind=\"").append(kind).append("\"><title>").append(escaped(label)).append("</title>");
        rect(at, "");
        text(at.x() + 10, at.y() + 19, "title", cut(label, 23));
        sign(state, at);
        svg.append("</g>\n");
    }

    private void sign(String state, MapLayout.Area at) {
        if (!state.equals("proved")) {
            text(at.x() + at.width() - 18, at.y() + 15, "sign " + state, state.equals("refuted") ? "◪" : "▧");
        }
    }

    private void line(String from, String to, String kind, String words, Set<String> uses, boolean reached, MapLayout.DrawnWay route,
            boolean on,
            String more) {
        if (route.path().isEmpty()) {
            return;
        }
        svg.append("<g class=\"").append(classes(kind, "proved", reached, on)).append("\" data-from=\"").append(from)
                .append("\" data-to=\"")
                .append(to).append("\" data-uses=\"").append(String.join(" ", uses)).append('"').append(more).append("><title>")
                .append(escaped(words.isEmpty() ? "always" : words)).append("</title><path class=\"hit\" d=\"").append(route.path())
                .append("\"/><path marker-end=\"url(#head)\" d=\"").append(route.path()).append("\"/>");
        if (!route.words().isEmpty()) {
            rect(new MapLayout.Area(route.x(), route.y(), route.width(), MapLayout.LABEL_HEIGHT), "halo");
            text(route.x() + 4, route.y() + 11.5, "label", route.words());
        }
        svg.append("</g>\n");
    }

    private static String classes(String kind, String state, boolean reached, boolean on) {
        return (kind + (state.equals("proved") ? "" : " " + state) + (reached ? "" : " never") + (on ? "" : " off")).strip();
    }

    private void rect(MapLayout.Area at, String kind) {
        svg.append("<rect").append(kind.isEmpty() ? "" : " class=\"" + kind + "\"").append(" x=\"").append(MapLayout.at(at.x()))
                .append("\" y=\"")
                .append(MapLayout.at(at.y())).append("\" width=\"").append(MapLayout.at(at.width())).append("\" height=\"")
                .append(MapLayout.at(at.height())).append("\"/>");
    }

    private void text(double x, double y, String kind, String text) {
        svg.append("<text").append(kind.isEmpty() ? "" : " class=\"" + kind + "\"").append(" x=\"").append(MapLayout.at(x))
                .append("\" y=\"")
                .append(MapLayout.at(y)).append("\">").append(escaped(text)).append("</text>");
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, Math.max(1, most - 1)).strip() + "…";
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, "UTF-8");
    }
}
