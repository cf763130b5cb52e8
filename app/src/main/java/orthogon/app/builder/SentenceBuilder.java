package orthogon.app.builder;

import orthogon.app.view.Views;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.Option;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import orthogon.core.typing.Sentence;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;

/** The sentence builder: a condition as lines and groups, drawn from its text and turned back into text at every step. */
public final class SentenceBuilder {

    /**
     * What the builder is for.
     *
     * @param family of the rule whose condition it builds
     * @param owner item, page or claim at which the condition stands; may be empty
     * @param field identifier of the field that takes the condition
     * @param title heading; may be empty
     * @param text the condition to begin with; given only when the builder is opened
     * @param act what a button does: {@code line:3}, {@code group:3}, {@code drop:3}
     */
    public record Build(String family, String owner, String field, String title, String text, String act) {

        public Build {
            owner = owner == null ? "" : owner;
            title = title == null ? "" : title;
            act = act == null ? "" : act;
        }

        /** The family; that of questions where the word names none. */
        RuleFamily of() {
            return RuleFamily.named(family).orElse(RuleFamily.ASK_WHEN);
        }
    }

    /**
     * One line of the builder, in reading order.
     *
     * @param kind {@code group}, {@code line} or {@code typed}
     * @param comparisons that fit the subject, key to words
     * @param choices values to choose from; empty where any can be written
     */
    record Node(String kind, int depth, boolean all, boolean negated, String subject, String comparison, List<String> values, String text,
            Map<String, String> comparisons, Map<String, String> choices) {

        public int wanted() {
            return Sentence.values(comparison);
        }

        public String value(int i) {
            return i < values.size() ? values.get(i) : "";
        }
    }

    /** The sentence builder without what its sentence says. */
    record BuilderView(String action, String family, String owner, String field, String title, List<Node> nodes,
            Map<String, String> subjects) {}

    /** The condition that is built so far, how it reads, and what is wrong with it. */
    record BuiltView(String result, String says, String wrong) {}

    private final Wiring wiring;
    private final RuleFamily of;
    private final String owner;

    private SentenceBuilder(Wiring wiring, RuleFamily of, String owner) {
        this.wiring = wiring;
        this.of = of;
        this.owner = owner;
    }

    /**
     * Draws the builder.
     *
     * @param action address that takes its next step
     * @param form lines and groups of the step before
     * @return the view
     */
    public static String show(String action, Wiring wiring, Build build, MultiValueMap<String, String> form, Model model) {
        return new SentenceBuilder(wiring, build.of(), build.owner()).show(action, build, form, model);
    }

    private String show(String action, Build build, MultiValueMap<String, String> form, Model model) {
        List<Node> nodes = build.text() != null ? opened(build.text()) : posted(form);
        act(nodes, build.act());
        Views.show(model, new BuilderView(action, build.family(), owner, build.field(), build.title(), nodes, subjects()));
        try {
            String result = Sentence.text(tree(nodes), wiring, of, owner);
            Wiring.Wire wire = wiring.checked(of, owner, result);
            Views.show(model, new BuiltView(result, wire.readable().map(Phrase::of).orElse(""),
                    wire.faults().stream().findFirst().map(f -> f.withPlace()).orElse("")));
        } catch (Refused e) {
            // Nobody did anything wrong who has only opened it.
            Views.show(model, new BuiltView("", "", build.text() == null ? e.getMessage() : ""));
        }
        return "builder :: sentence";
    }

    private List<Node> opened(String text) {
        List<Node> nodes = new ArrayList<>();
        Sentence sentence = text.isBlank() || text.strip().equals("true")
                ? new Sentence.SentenceGroup(true, false, List.of())
                : Sentence.of(text, wiring, of, owner);
        Sentence.SentenceGroup root = sentence instanceof Sentence.SentenceGroup g
                ? g
                : new Sentence.SentenceGroup(true, false, List.of(sentence));
        flatten(root, 0, nodes);
        if (root.parts().isEmpty()) {
            nodes.add(line(1, "", "", List.of()));
        }
        return nodes;
    }

    private void flatten(Sentence sentence, int depth, List<Node> into) {
        switch (sentence) {
            case Sentence.SentenceGroup g -> {
                into.add(new Node("group", depth, g.all(), g.negated(), "", "", List.of(), "", Map.of(), Map.of()));
                g.parts().forEach(p -> flatten(p, depth + 1, into));
            }
            case Sentence.SentenceLine l -> into.add(line(depth, l.subject(), l.comparison(), l.values()));
            case Sentence.Typed t -> into.add(new Node("typed", depth, true, false, "", "", List.of(), t.text(), Map.of(), Map.of()));
        }
    }

    private Node line(int depth, String subject, String comparison, List<String> values) {
        if (subject.isBlank()) {
            return new Node("line", depth, true, false, "", "", List.of(), "", Map.of(), Map.of());
        }
        Type type = wiring.checked(of, owner, subject).type();
        Map<String, String> comparisons = Sentence.comparisons(subject, type);
        String fitting = comparisons.containsKey(comparison) ? comparison : comparisons.keySet().iterator().next();
        Type single = type.kind() == Type.TypeKind.LIST ? type.element() : type;
        Map<String, String> choices = new LinkedHashMap<>();
        Optional<Answer> answer = wiring.document().question(single.owner()).map(Question::answer);
        single.options().forEach(o -> choices.put(o, answer.flatMap(a -> a.option(o)).map(Option::label)
                .or(() -> decided(single.owner(), o))
                .or(() -> wiring.document().outcome(o).filter(x -> subject.equals("outcome")).map(Questionnaire.Outcome::label))
                .orElse(o)));
        return new Node("line", depth, true, false, subject, fitting, values, "", comparisons, choices);
    }

    /** What a choice of a decision says. */
    private Optional<String> decided(String owner, String choice) {
        return wiring.document().followUps().stream().filter(f -> owner.equals(f.code() + ".decision"))
                .flatMap(f -> f.decision().choice(choice).stream()).map(FollowUp.DecisionChoice::label).filter(l -> !l.isEmpty())
                .findFirst();
    }

    private List<Node> posted(MultiValueMap<String, String> form) {
        List<Node> nodes = new ArrayList<>();
        List<String> kinds = form.getOrDefault("node", List.of());
        for (int i = 0; i < kinds.size() && i < 200; i++) {
            int depth = Math.clamp(number(form.getFirst("depth" + i)), 0, 12);
            nodes.add(switch (kinds.get(i)) {
                case "group" -> new Node("group", depth, !"any".equals(form.getFirst("join" + i)), form.containsKey("not" + i), "", "",
                        List.of(), "", Map.of(), Map.of());
                case "typed" -> new Node("typed", depth, true, false, "", "", List.of(),
                        Optional.ofNullable(form.getFirst("typed" + i)).orElse(""), Map.of(), Map.of());
                default -> line(depth, Optional.ofNullable(form.getFirst("subject" + i)).orElse(""),
                        Optional.ofNullable(form.getFirst("comparison" + i)).orElse(""), form.getOrDefault("value" + i, List.of()));
            });
        }
        return nodes;
    }

    private static int number(String text) {
        return text != null && text.matches("\\d{1,3}") ? Integer.parseInt(text) : 0;
    }

    private void act(List<Node> nodes, String act) {
        String[] words = act.split(":");
        int at = words.length == 2 ? number(words[1]) : -1;
        if (at < 0 || at >= nodes.size()) {
            return;
        }
        int end = at + 1;
        while (end < nodes.size() && nodes.get(end).depth() > nodes.get(at).depth()) {
            end++;
        }
        int depth = nodes.get(at).depth();
        switch (words[0]) {
            case "line" -> nodes.add(end, line(depth + 1, "", "", List.of()));
            case "group" -> {
                nodes.add(end, new Node("group", depth + 1, !nodes.get(at).all(), false, "", "", List.of(), "", Map.of(), Map.of()));
                nodes.add(end + 1, line(depth + 2, "", "", List.of()));
            }
            case "drop" -> nodes.subList(at, end).clear();
            default -> {}
        }
    }

    /** The tree that the depths of the lines tell. */
    private static Sentence tree(List<Node> nodes) {
        int[] next = {0};
        return nodes.isEmpty() ? new Sentence.SentenceGroup(true, false, List.of()) : node(nodes, next);
    }

    private static Sentence node(List<Node> nodes, int[] next) {
        Node node = nodes.get(next[0]++);
        if (!node.kind().equals("group")) {
            return node.kind().equals("typed")
                    ? new Sentence.Typed(node.text())
                    : new Sentence.SentenceLine(node.subject(), node.comparison(),
                            node.values().stream().filter(v -> !v.isBlank()).toList());
        }
        List<Sentence> parts = new ArrayList<>();
        while (next[0] < nodes.size() && nodes.get(next[0]).depth() > node.depth()) {
            parts.add(node(nodes, next));
        }
        return new Sentence.SentenceGroup(node.all(), node.negated(), parts);
    }

    /** What a line can be about at that place, subject to words. */
    private Map<String, String> subjects() {
        Questionnaire document = wiring.document();
        Map<String, String> subjects = new LinkedHashMap<>();
        if (of.isBehindTheEnd()) {
            subjects.put("outcome", "outcome");
        }
        document.linkParameters().forEach(p -> subjects.put(p.code(), "link: " + p.code()));
        String roster = wiring.rosterOf(owner).orElse("");
        boolean[] past = {false};
        document.items().forEach(item -> {
            boolean later = past[0] && of != RuleFamily.ACCEPT && of != RuleFamily.SKIP && of != RuleFamily.FINISH
                    && of != RuleFamily.OUTCOME_ROW && !of.isBehindTheEnd();
            past[0] |= item.code().equals(owner);
            boolean elsewhere = wiring.rosterOf(item.code()).filter(r -> !r.equals(roster)).isPresent();
            boolean self = item.code().equals(owner) && of != RuleFamily.ACCEPT;
            if (!later && !elsewhere && !self) {
                add(item, subjects);
            }
        });
        subjects.putAll(records());
        subjects.putAll(followUps());
        if (of.isBehindTheEnd() && !of.isOfFollowUps() && document.message(owner).filter(DispatchMessage::isOfFollowUp).isEmpty()) {
            document.items().filter(i -> !(i instanceof Derived) && !(i instanceof Note) && wiring.rosterOf(i.code()).isEmpty())
                    .forEach(i -> subjects.put("asked(" + i.code() + ")", i.code() + ", whether asked"));
        }
        return subjects;
    }

    /** What is shown of the records among which the lookup at that place chooses, subject to words. */
    private Map<String, String> records() {
        Map<String, String> subjects = new LinkedHashMap<>();
        if (wiring.document().question(owner).map(Question::answer).orElse(null) instanceof LookupAnswer lookup
                && of.isOverRecords(new Place.Row(owner))) {
            lookup.shows().forEach(s -> add(Question.of(Domain.OneRecord.RECEIPT + "." + s.code(), s.label(), s.answer()), subjects));
        }
        return subjects;
    }

    /** What is known of follow-ups at that place, subject to words. */
    private Map<String, String> followUps() {
        Map<String, String> subjects = new LinkedHashMap<>();
        List<String> names = wiring.names(of, owner);
        for (FollowUp followUp : wiring.document().followUps()) {
            if (names.contains(followUp.code())) {
                wiring.checked(of, owner, followUp.code()).type().parts().keySet()
                        .forEach(part -> subjects.put(followUp.code() + "." + part, followUp.shown() + ": " + part));
            }
        }
        return subjects;
    }

    private static void add(Item item, Map<String, String> subjects) {
        String code = item.code();
        switch (item) {
            case Question q -> {
                switch (q.answer().domain()) {
                    case Domain.EachRow r ->
                        q.answer().rows()
                                .forEach(row -> subjects.put(code + "." + row.code(), code + "." + row.code() + ": " + row.label()));
                    case Domain.OneRecord r -> {
                        subjects.put("answered(" + code + ")", code + ": " + q.wording());
                        ((LookupAnswer) q.answer()).shows()
                                .forEach(s -> add(Question.of(code + "." + s.code(), s.label(), s.answer()), subjects));
                    }
                    case Domain.TextParts p when p.parts().size() > 1 ->
                        p.parts().forEach(part -> subjects.put(code + "." + part, code + "." + part));
                    default -> subjects.put(code, code + ": " + q.wording());
                }
                if (q.answer().domain() instanceof Domain.Subset || q.answer().domain() instanceof Domain.Files) {
                    subjects.put("count(" + code + ")", "number of " + code);
                }
                boolean scored = q.answer().isChoice() && q.answer().options().stream().anyMatch(o -> o.score() != null);
                if (scored) {
                    subjects.put("score(" + code + ")", "score of " + code);
                }
            }
            case Derived d -> subjects.put(code, code + ": derived value");
            case Roster r -> subjects.put("count(" + code + ")", "number of " + code);
            default -> {}
        }
    }
}
