package orthogon.app.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * The laid out branches, as {@code templates/map/drawing} draws them.
 *
 * @param alone whether it is a file of its own, which brings its colours and letters along
 * @param width in units of the drawing; as are all coordinates
 * @param groups what is drawn, in the order in which one lies upon the other
 */
record Drawing(String title, boolean alone, String width, String height, List<DrawnGroup> groups) {

    /** What somebody meets on the way: pages and items by code, and the outcome; empty to follow nobody. */
    record Followed(Set<String> met, String outcome) {
        static final Followed NOBODY = new Followed(Set.of(), "");

        boolean isNobody() {
            return met.isEmpty();
        }
    }

    record DrawnRect(String kind, String x, String y, String width, String height) {}

    record DrawnText(String kind, String x, String y, String text) {}

    /**
     * A page, a box, an end, or a line.
     *
     * @param data what scripts and tests read of it; null for what it does not have
     * @param hint shown where the pointer rests; null for none
     * @param path of a line; null for anything else
     */
    record DrawnGroup(String classes, GroupData data, String hint, String path, List<DrawnRect> rects, List<DrawnText> texts) {}

    /** A group's codes. */
    record GroupData(String code, String id, String kind, String from, String to, String uses, String way) {

        static GroupData of(String code, String id, String kind) {
            return new GroupData(code, id, kind, null, null, null, null);
        }
    }

    /** @param alone whether it is a file of its own */
    static Drawing of(Branches branches, MapLayout laid, Followed followed, boolean alone, String title) {
        return new Drawing(title, alone, MapLayout.at(laid.width()), MapLayout.at(laid.height()),
                new Draughtsman(branches, laid, followed).groups());
    }

    /** Draws group by group. */
    private static final class Draughtsman {

        private final Branches branches;
        private final MapLayout laid;
        private final Followed followed;
        private final List<DrawnGroup> groups = new ArrayList<>();

        private Draughtsman(Branches branches, MapLayout laid, Followed followed) {
            this.branches = branches;
            this.laid = laid;
            this.followed = followed;
        }

        private List<DrawnGroup> groups() {
            branches.frames().forEach(this::frame);
            if (branches.ways().stream().anyMatch(w -> w.from().equals(Branches.TABLE))) {
                stop(Branches.TABLE, "table", "Outcome table", "proved", true, followed.isNobody() || !followed.outcome().isEmpty());
            }
            branches.outcomes().forEach(o -> stop(o.code(), "outcome", o.label(), o.state(), o.reached(),
                    followed.isNobody() || followed.outcome().equals(o.code())));
            for (int i = 0; i < branches.ways().size(); i++) {
                Branches.MapWay way = branches.ways().get(i);
                line(classes("way " + way.kind(), "proved", way.reached(), isOn(way)), way.words(), laid.ways().get(i),
                        new GroupData(null, null, null, way.from(), way.to(), String.join(" ", way.uses()), String.valueOf(i)));
            }
            branches.followUps().forEach(this::followUp);
            for (int i = 0; i < branches.openings().size(); i++) {
                Branches.Opening opening = branches.openings().get(i);
                Branches.CaseFrame to = branches.followUps().stream().filter(f -> f.code().equals(opening.to())).findFirst().orElseThrow();
                boolean on = followed.isNobody() || followed.met().contains(opening.to());
                line(classes("line opens", "proved", to.reached(), on), to.words(), laid.openings().get(i),
                        new GroupData(null, null, null, opening.from(), opening.to(), "", null));
            }
            int n = 0;
            for (Branches.PageFrame frame : branches.frames()) {
                for (Branches.ConditionLine line : frame.lines()) {
                    boolean on = followed.isNobody() || followed.met().contains(line.to());
                    line(classes("line", "proved", line.reached(), on), line.words(), laid.lines().get(n++),
                            new GroupData(null, null, null, line.from(), line.to(), "", null));
                }
            }
            return List.copyOf(groups);
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
            return branches.frames().stream().map(Branches.PageFrame::code).filter(followed.met()::contains).reduce((a, b) -> b)
                    .orElse("");
        }

        private String next(String page) {
            return branches.frames().stream().map(Branches.PageFrame::code).filter(followed.met()::contains)
                    .dropWhile(c -> !c.equals(page)).skip(1).findFirst().orElse("");
        }

        private void frame(Branches.PageFrame frame) {
            MapLayout.Area at = laid.frames().get(frame.code());
            boolean on = followed.isNobody() || followed.met().contains(frame.code());
            double band = frame.boxes().isEmpty() ? at.height() : MapLayout.TITLE;
            List<DrawnText> texts = new ArrayList<>();
            texts.add(text(at.x() + 10, at.y() + 19, "title", frame.number() + "  " + cut(frame.title(), (int) (at.width() / 7.2) - 6)));
            sign(frame.state(), at, texts);
            groups.add(new DrawnGroup(classes("frame", frame.state(), frame.reached(), on), GroupData.of(frame.code(), null, "page"), null,
                    null, List.of(rect(at, null), rect(new MapLayout.Area(at.x(), at.y(), at.width(), band), "band")), texts));
            frame.boxes().forEach(box -> box(box, on));
        }

        private void box(Branches.MapBox box, boolean pageOn) {
            MapLayout.Area at = laid.boxes().get(box.id());
            boolean on = pageOn && (followed.isNobody() || box.reference() || box.kind().equals("derived")
                    || followed.met().contains(box.code()));
            List<DrawnText> texts = new ArrayList<>();
            if (box.reference()) {
                texts.add(text(at.x() + 8, at.y() + 14, "code", "from " + cut(box.code(), 22)));
            } else {
                texts.add(text(at.x() + 8, at.y() + 14, "code", cut(box.code(), 24)));
                texts.add(text(at.x() + 8, at.y() + 29, null, cut(box.wording(), 27)));
                sign(box.state(), at, texts);
            }
            String kind = "box " + box.kind().replace(' ', '-') + (box.reference() ? " reference" : "");
            groups.add(new DrawnGroup(classes(kind, box.state(), box.reached(), on), GroupData.of(box.code(), box.id(), box.kind()),
                    box.wording().isEmpty() ? box.code() : box.wording(), null, List.of(rect(at, null)), texts));
        }

        private void stop(String code, String kind, String label, String state, boolean reached, boolean on) {
            MapLayout.Area at = laid.frames().get(code);
            List<DrawnText> texts = new ArrayList<>(List.of(text(at.x() + 10, at.y() + 19, "title", cut(label, 23))));
            sign(state, at, texts);
            groups.add(new DrawnGroup(classes("stop " + kind, state, reached, on), GroupData.of(code, null, kind), label, null,
                    List.of(rect(at, null)), texts));
        }

        private void followUp(Branches.CaseFrame followUp) {
            MapLayout.Area at = laid.frames().get(followUp.code());
            boolean on = followed.isNobody() || followed.met().contains(followUp.code());
            List<DrawnText> texts = new ArrayList<>(List.of(text(at.x() + 10, at.y() + 19, "title", cut(followUp.title(), 28)),
                    text(at.x() + 10, at.y() + 37, null, cut("opens " + followUp.opens(), 32)),
                    text(at.x() + 10, at.y() + 53, null, cut(followUp.seat(), 32))));
            sign(followUp.state(), at, texts);
            groups.add(new DrawnGroup(classes("stop follow-up", followUp.state(), followUp.reached(), on),
                    GroupData.of(followUp.code(), null, "follow-up"), followUp.title(), null,
                    List.of(rect(at, null), rect(new MapLayout.Area(at.x(), at.y(), at.width(), 26), "band")), texts));
        }

        private static void sign(String state, MapLayout.Area at, List<DrawnText> texts) {
            if (!state.equals("proved")) {
                texts.add(text(at.x() + at.width() - 18, at.y() + 15, "sign " + state, state.equals("refuted") ? "◪" : "▧"));
            }
        }

        private void line(String classes, String words, MapLayout.DrawnWay route, GroupData data) {
            if (route.path().isEmpty()) {
                return;
            }
            boolean named = !route.words().isEmpty();
            groups.add(new DrawnGroup(classes, data, words.isEmpty() ? "always" : words, route.path(),
                    named
                            ? List.of(rect(new MapLayout.Area(route.x(), route.y(), route.width(), MapLayout.LABEL_HEIGHT), "halo"))
                            : List.of(),
                    named ? List.of(text(route.x() + 4, route.y() + 11.5, "label", route.words())) : List.of()));
        }

        private static String classes(String kind, String state, boolean reached, boolean on) {
            return kind + (state.equals("proved") ? "" : " " + state) + (reached ? "" : " never") + (on ? "" : " off");
        }

        private static DrawnRect rect(MapLayout.Area at, String kind) {
            return new DrawnRect(kind, MapLayout.at(at.x()), MapLayout.at(at.y()), MapLayout.at(at.width()), MapLayout.at(at.height()));
        }

        private static DrawnText text(double x, double y, String kind, String text) {
            return new DrawnText(kind, MapLayout.at(x), MapLayout.at(y), text);
        }

        private static String cut(String text, int most) {
            return text.length() <= most ? text : text.substring(0, Math.max(1, most - 1)).strip() + "…";
        }
    }
}
