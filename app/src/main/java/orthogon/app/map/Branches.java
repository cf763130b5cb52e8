package orthogon.app.map;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import orthogon.core.dispatch.OpeningOutcomes;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Transition;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/**
 * What there is to draw: pages with the items on them, how one page leads to another and to the outcomes, and what decides what. An
 * item that is decided from another page has a reference to what decides it on its own page, so that every page can be read by itself.
 *
 * @param ways between pages, the outcome table and outcomes
 * @param followUps what responses open, in order
 */
record Branches(List<PageFrame> frames, List<OutcomeBox> outcomes, List<MapWay> ways, List<CaseFrame> followUps) {

    /** More boxes, lines and ways than this are neither laid out nor legible. */
    static final int MOST_DRAWN = 4_000;
    /** The box of the outcome table, which all who come to the end pass. */
    static final String TABLE = "~table";

    /** How much is drawn. */
    enum Level {
        PAGES("pages only"), DECIDING("what decides"), ALL("everything");

        private final String words;

        Level(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A page.
     *
     * @param state {@code refuted}, {@code undecided} or {@code proved}, of all claims about it and what is on it and not drawn
     * @param reached whether somebody comes to it
     */
    record PageFrame(String code, String title, int number, String state, boolean reached, List<MapBox> boxes, List<ConditionLine> lines) {}

    /**
     * An item, or a reference to one on another page.
     *
     * @param id unique in the drawing
     * @param code of the item
     */
    record MapBox(String id, String code, String kind, String wording, String state, boolean reached, boolean reference) {}

    /** What decides an item on the same page; the first line of several says the condition. */
    record ConditionLine(String from, String to, String words, boolean reached) {}

    record OutcomeBox(String code, String label, String state, boolean reached) {}

    /**
     * A follow-up.
     *
     * @param opens title of the questionnaire that it opens, or its code
     * @param seat who answers it, in words
     * @param words when it is opened
     * @param from codes of the outcomes that open it; of the follow-ups that it comes of where it comes of any
     */
    record CaseFrame(String code, String title, String opens, String seat, String words, String state, boolean reached,
            List<String> from) {}

    /** What leads to a follow-up. */
    record Opening(String from, String to) {}

    List<Opening> openings() {
        return followUps.stream().flatMap(f -> f.from().stream().map(from -> new Opening(from, f.code()))).toList();
    }

    /**
     * A way from one page to the next stop.
     *
     * @param kind {@code next}, {@code skip}, {@code finish} or {@code row}
     * @param uses codes that its condition speaks of
     * @param place of its condition; empty for none
     */
    record MapWay(String from, String to, String kind, String words, Set<String> uses, boolean reached, String place) {

        /** The same way, for counting who takes it. */
        Transition counted(Questionnaire document) {
            List<String> pages = document.pages().stream().map(Page::code).toList();
            int end = pages.size();
            return new Transition(Transition.TransitionKind.valueOf(kind.toUpperCase(Locale.ROOT)),
                    from.equals(TABLE) ? end : pages.indexOf(from), pages.contains(to) ? pages.indexOf(to) : end,
                    kind.equals("next") ? "" : place);
        }

        /** What it does, between the two names. */
        String how() {
            return switch (kind) {
                case "skip" -> "skips to";
                case "finish" -> "finishes as";
                case "row" -> "ends as";
                default -> "goes on to";
            };
        }
    }

    /** Whether there are few enough parts to draw. */
    boolean isDrawable() {
        long parts = frames.stream().mapToLong(f -> 1 + f.boxes().size() + f.lines().size()).sum();
        return parts + ways.size() + openings().size() <= MOST_DRAWN;
    }

    /** Whether an item has a box of its own. */
    boolean draws(String item) {
        return frames.stream().flatMap(f -> f.boxes().stream()).anyMatch(b -> b.id().equals(item));
    }

    /** @param titles code of a questionnaire to its title */
    static Branches of(Proof proof, Level level, UnaryOperator<String> titles) {
        return new BranchReading(proof, level, titles).read();
    }

    private static final class BranchReading {

        private static final Set<RuleFamily> DECIDING = Set.of(RuleFamily.ASK_WHEN, RuleFamily.DERIVE, RuleFamily.OFFER_WHEN,
                RuleFamily.REQUIRE_WHEN, RuleFamily.AS_MANY, RuleFamily.FEWEST, RuleFamily.AT_MOST);

        private final Proof proof;
        private final Wiring wiring;
        private final Questionnaire document;
        private final Level level;
        private final UnaryOperator<String> titles;
        private final Map<String, String> states = new LinkedHashMap<>();
        private final Set<String> never = new LinkedHashSet<>();
        private final Map<String, Item> items = new HashMap<>();
        /** Items that something else is decided by. */
        private final Set<String> deciding = new HashSet<>();
        private final Map<String, List<Wire>> decided = new HashMap<>();
        private final Map<String, String> groups = new HashMap<>();

        BranchReading(Proof proof, Level level, UnaryOperator<String> titles) {
            this.titles = titles;
            this.proof = proof;
            this.wiring = proof.wiring();
            this.document = proof.document();
            this.level = level;
            document.items().forEach(i -> {
                items.putIfAbsent(i.code(), i);
                if (i instanceof Group g) {
                    g.items().forEach(inner -> groups.putIfAbsent(inner.code(), g.code()));
                }
            });
            for (Wire wire : wiring.wires()) {
                if (wire.family() != RuleFamily.CLAIM && wire.family() != RuleFamily.ACCEPT) {
                    wire.uses().stream().filter(used -> !wire.owner().equals(used)).forEach(deciding::add);
                }
                if (DECIDING.contains(wire.family())) {
                    decided.computeIfAbsent(wire.owner(), o -> new ArrayList<>()).add(wire);
                }
            }
            for (Claim claim : proof.claims()) {
                if (claim.verdict() == Verdict.PROVED) {
                    continue;
                }
                if (claim.blocking()) {
                    boolean ofTable = claim.kind() == ClaimKind.ONE_OUTCOME || claim.kind().scope() == ClaimKind.ClaimScope.DOCUMENT
                            || claim.at().isOf(RuleFamily.OUTCOME_ROW);
                    states.merge(ofTable ? TABLE : claim.at().row(), claim.verdict().word(),
                            (a, b) -> a.equals("refuted") ? a : b);
                }
                boolean isReach = claim.kind().isReach() || claim.kind() == ClaimKind.FOLLOW_UP_OPENED;
                if (isReach && claim.verdict() == Verdict.REFUTED) {
                    never.add(claim.place());
                }
            }
        }

        Branches read() {
            List<PageFrame> frames = new ArrayList<>();
            for (Page page : document.pages()) {
                frames.add(frame(page, frames.size() + 1));
            }
            List<OutcomeBox> outcomes = document.outcomes().stream()
                    .map(o -> new OutcomeBox(o.code(), o.label(), state(o.code()), !never.contains(o.code()))).toList();
            return new Branches(frames, outcomes, ways(), document.followUps().stream().map(this::frame).toList());
        }

        private CaseFrame frame(FollowUp followUp) {
            String code = followUp.code();
            Set<String> rests = wiring.restsOn(code);
            List<String> from = rests.isEmpty()
                    ? proof.opensWith(code).orElseGet(() -> OpeningOutcomes.of(wiring, followUp)).stream().filter(o -> !never.contains(o))
                            .toList()
                    : document.followUps().stream().map(FollowUp::code).filter(rests::contains).toList();
            boolean byStaff = followUp.seat().who() == FollowUpSeat.Who.PEOPLE;
            String seat = "for " + (byStaff ? "staff" : followUp.seat().said(p -> p));
            String words = wiring.at(code + ".openFollowUp").map(w -> w.readable().map(Phrase::of).orElse(w.text())).orElse("");
            return new CaseFrame(code, followUp.shown(), titles.apply(followUp.questionnaire()), seat,
                    followUp.isForEachEntry() ? "each of " + followUp.eachOf() + (words.isEmpty() ? "" : ", when " + words) : words,
                    state(code), !never.contains(code), from);
        }

        private String state(String code) {
            return states.getOrDefault(code, "proved");
        }

        private PageFrame frame(Page page, int number) {
            List<Item> items = page.allItems().filter(this::isDrawn).toList();
            Set<String> here = new LinkedHashSet<>(items.stream().map(Item::code).toList());
            // References stand first, since what decides stands above what it decides.
            Map<String, MapBox> boxes = new LinkedHashMap<>();
            List<ConditionLine> lines = new ArrayList<>();
            for (Item item : items) {
                lines.addAll(lines(page, item, here, boxes));
            }
            for (Item item : items) {
                boxes.put(item.code(), box(item, item.code(), false));
            }
            String state = state(page.code());
            for (Item item : page.allItems().filter(i -> !here.contains(i.code())).toList()) {
                String inner = state(item.code());
                state = inner.equals("refuted") || state.equals("proved") ? inner : state;
            }
            return new PageFrame(page.code(), page.title(), number, state, !never.contains(page.code()), List.copyOf(boxes.values()),
                    lines);
        }

        private MapBox box(Item item, String id, boolean reference) {
            return new MapBox(id, item.code(), item.kind(), item.wording(), reference ? "proved" : state(item.code()),
                    !never.contains(item.code()), reference);
        }

        private boolean isDrawn(Item item) {
            return level == Level.ALL || level == Level.DECIDING && deciding.contains(item.code());
        }

        private List<ConditionLine> lines(Page page, Item item, Set<String> here, Map<String, MapBox> boxes) {
            List<ConditionLine> lines = new ArrayList<>();
            boolean reached = !never.contains(item.code());
            Map<String, String> deciders = new LinkedHashMap<>();
            for (Wire wire : decided.getOrDefault(item.code(), List.of())) {
                for (String used : wire.uses()) {
                    if (!used.equals(item.code())) {
                        deciders.merge(used, words(wire), (a, b) -> a.isEmpty() ? b : a);
                    }
                }
            }
            Set<String> said = new TreeSet<>();
            deciders.forEach((code, words) -> {
                String from = code;
                if (!here.contains(code)) {
                    from = page.code() + "~" + code;
                    String id = from;
                    boxes.computeIfAbsent(id, k -> Optional.ofNullable(items.get(code)).map(i -> box(i, id, true))
                            .orElseGet(() -> new MapBox(id, code, "link parameter", "", "proved", true, true)));
                }
                lines.add(new ConditionLine(from, item.code(), said.add(words) ? words : "", reached));
            });
            String group = groups.get(item.code());
            if (group != null && here.contains(group)) {
                lines.add(new ConditionLine(group, item.code(), "", reached));
            }
            return lines;
        }

        private static String words(Wire wire) {
            String phrase = wire.readable().map(Phrase::of).orElse(wire.text());
            return switch (wire.family()) {
                case DERIVE -> "";
                case OFFER_WHEN -> wire.at().owner() instanceof Place.Part ? "options" : "records";
                case REQUIRE_WHEN -> phrase.equals("true") ? "" : "required when " + phrase;
                case AS_MANY, FEWEST, AT_MOST -> wire.family().words().toLowerCase(Locale.ROOT) + " " + phrase;
                default -> phrase;
            };
        }

        private List<MapWay> ways() {
            List<MapWay> ways = new ArrayList<>();
            List<Page> pages = document.pages();
            for (int p = 0; p < pages.size(); p++) {
                Page page = pages.get(p);
                boolean visited = !never.contains(page.code());
                boolean always = false;
                for (int i = 0; i < page.finish().size(); i++) {
                    String place = page.code() + "/finish/" + i;
                    ways.add(way(page.code(), page.finish().get(i).outcome(), "finish", place, visited && !never.contains(place)));
                    always |= isAlways(page.finish().get(i).when());
                }
                for (int i = 0; i < page.skip().size(); i++) {
                    String place = page.code() + "/skip/" + i;
                    ways.add(way(page.code(), page.skip().get(i).to(), "skip", place, visited && !never.contains(place)));
                    always |= isAlways(page.skip().get(i).when());
                }
                if (!always) {
                    onward(page.code(), p + 1, visited, ways);
                }
            }
            for (int row = 0; row < document.outcomeTable().size(); row++) {
                String place = "outcomeTable/" + row;
                ways.add(way(TABLE, document.outcomeTable().get(row).outcome(), "row", place, !never.contains(place)));
            }
            return ways;
        }

        /** To the next page; past it, where it may be closed, to the one behind, and so on. */
        private void onward(String from, int next, boolean visited, List<MapWay> ways) {
            List<Page> pages = document.pages();
            boolean past = false;
            for (int p = next; p < pages.size(); p++) {
                String place = pages.get(p).code() + ".openWhen";
                boolean open = isAlways(pages.get(p).openWhen());
                ways.add(open
                        ? new MapWay(from, pages.get(p).code(), "next", past ? "otherwise" : "", Set.of(), visited, "")
                        : way(from, pages.get(p).code(), "next", place, visited && !never.contains(pages.get(p).code())));
                if (open) {
                    return;
                }
                past = true;
            }
            if (!document.outcomeTable().isEmpty()) {
                ways.add(new MapWay(from, TABLE, "next", past ? "otherwise" : "", Set.of(), visited, ""));
            }
        }

        private static boolean isAlways(String condition) {
            return condition.isBlank() || condition.strip().equals("true");
        }

        private MapWay way(String from, String to, String kind, String place, boolean reached) {
            Optional<Wire> wire = wiring.at(place);
            String phrase = wire.map(w -> w.readable().map(Phrase::of).orElse(w.text())).orElse("");
            boolean always = phrase.isEmpty() || phrase.equals("true");
            String words = switch (kind) {
                case "skip" -> always ? "skip" : "skip when " + phrase;
                case "finish" -> always ? "finish" : "finish when " + phrase;
                case "row" -> always ? "all others" : phrase;
                default -> always ? "" : phrase;
            };
            return new MapWay(from, to, kind, words, wire.map(Wire::uses).orElse(Set.of()), reached, place);
        }
    }
}
