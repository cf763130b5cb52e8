package orthogon.app.compose;

import orthogon.app.frame.Frame;
import orthogon.app.view.Views;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
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
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The sentence builder: a condition as lines and groups, drawn from its text and turned back into text at every step. */
@Controller
@RequestMapping("/q/{code}/compose/sentence")
class SentenceController {

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
    record BuilderView(String code, String family, String owner, String field, String title, List<Node> nodes,
            Map<String, String> subjects) {}

    /** The condition that is built so far, how it reads, and what is wrong with it. */
    record BuiltView(String result, String says, String wrong) {}

    private final Frame frame;

    SentenceController(Frame frame) {
        this.frame = frame;
    }

    /**
     * @param text the condition to begin with; given only when the builder is opened
     * @param act what a button does: {@code line:3}, {@code group:3}, {@code drop:3}, {@code in:3}, {@code out:3}
     */
    @PostMapping
    String show(@PathVariable String code, @RequestParam String family, @RequestParam(defaultValue = "") String owner,
            @RequestParam String field, @RequestParam(defaultValue = "") String title, @RequestParam(required = false) String text,
            @RequestParam(defaultValue = "") String act,
            @RequestParam MultiValueMap<String, String> form, Model model) {
        Wiring wiring = Wiring.of(frame.draft(code).document());
        RuleFamily of = ComposeController.family(family);
        List<Node> nodes = text != null ? opened(text, wiring, of, owner) : posted(form, wiring, of, owner);
        act(nodes, act, wiring, of, owner);
        Views.show(model, new BuilderView(code, family, owner, field, title, nodes, subjects(wiring, of, owner)));
        try {
            String result = Sentence.text(tree(nodes), wiring, of, owner);
            Wiring.Wire wire = wiring.checked(of, owner, result);
            Views.show(model, new BuiltView(result, wire.readable().map(Phrase::of).orElse(""),
                    wire.faults().stream().findFirst().map(f -> f.withPlace()).orElse("")));
        } catch (Refused e) {
            // Nobody did anything wrong who has only opened it.
            Views.show(model, new BuiltView("", "", text == null ? e.getMessage() : ""));
        }
        return "compose/dialogs :: sentence";
    }

    private List<Node> opened(String text, Wiring wiring, RuleFamily family, String owner) {
        List<Node> nodes = new ArrayList<>();
        Sentence sentence = text.isBlank() || text.strip().equals("true")
                ? new Sentence.SentenceGroup(true, false, List.of())
                : Sentence.of(text, wiring, family, owner);
        Sentence.SentenceGroup root = sentence instanceof Sentence.SentenceGroup g
                ? g
                : new Sentence.SentenceGroup(true, false, List.of(sentence));
        flatten(root, 0, wiring, family, owner, nodes);
        if (root.parts().isEmpty()) {
            nodes.add(line(1, "", "", List.of(), wiring, family, owner));
        }
        return nodes;
    }

    private void flatten(Sentence sentence, int depth, Wiring wiring, RuleFamily family, String owner, List<Node> into) {
        switch (sentence) {
            case Sentence.SentenceGroup g -> {
                into.add(new Node("group", depth, g.all(), g.negated(), "", "", List.of(), "", Map.of(), Map.of()));
                g.parts().forEach(p -> flatten(p, depth + 1, wiring, family, owner, into));
            }
            case Sentence.SentenceLine l -> into.add(line(depth, l.subject(), l.comparison(), l.values(), wiring, family, owner));
            case Sentence.Typed t -> into.add(new Node("typed", depth, true, false, "", "", List.of(), t.text(), Map.of(), Map.of()));
        }
    }

    private static Node line(int depth, String subject, String comparison, List<String> values, Wiring wiring, RuleFamily family,
            String owner) {
        if (subject.isBlank()) {
            return new Node("line", depth, true, false, "", "", List.of(), "", Map.of(), Map.of());
        }
        Type type = wiring.checked(family, owner, subject).type();
        Map<String, String> comparisons = Sentence.comparisons(subject, type);
        String fitting = comparisons.containsKey(comparison) ? comparison : comparisons.keySet().iterator().next();
        Type of = type.kind() == Type.TypeKind.LIST ? type.element() : type;
        Map<String, String> choices = new LinkedHashMap<>();
        Optional<Answer> answer = wiring.document().question(of.owner()).map(Question::answer);
        of.options().forEach(o -> choices.put(o, answer.flatMap(a -> a.option(o)).map(Option::label)
                .or(() -> wiring.document().outcome(o).filter(x -> subject.equals("outcome")).map(Questionnaire.Outcome::label))
                .orElse(o)));
        return new Node("line", depth, true, false, subject, fitting, values, "", comparisons, choices);
    }

    private List<Node> posted(MultiValueMap<String, String> form, Wiring wiring, RuleFamily family, String owner) {
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
                        Optional.ofNullable(form.getFirst("comparison" + i)).orElse(""), form.getOrDefault("value" + i, List.of()), wiring,
                        family, owner);
            });
        }
        return nodes;
    }

    private static int number(String text) {
        return text != null && text.matches("\\d{1,3}") ? Integer.parseInt(text) : 0;
    }

    private static void act(List<Node> nodes, String act, Wiring wiring, RuleFamily family, String owner) {
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
            case "line" -> nodes.add(end, line(depth + 1, "", "", List.of(), wiring, family, owner));
            case "group" -> {
                nodes.add(end, new Node("group", depth + 1, !nodes.get(at).all(), false, "", "", List.of(), "", Map.of(), Map.of()));
                nodes.add(end + 1, line(depth + 2, "", "", List.of(), wiring, family, owner));
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
    private static Map<String, String> subjects(Wiring wiring, RuleFamily family, String owner) {
        Questionnaire document = wiring.document();
        Map<String, String> subjects = new LinkedHashMap<>();
        if (family == RuleFamily.CLAIM) {
            subjects.put("outcome", "outcome");
        }
        document.linkParameters().forEach(p -> subjects.put(p.code(), "link: " + p.code()));
        String roster = wiring.rosterOf(owner).orElse("");
        boolean[] past = {false};
        document.items().forEach(item -> {
            boolean later = past[0] && family != RuleFamily.ACCEPT && family != RuleFamily.SKIP && family != RuleFamily.FINISH
                    && family != RuleFamily.OUTCOME_ROW && family != RuleFamily.CLAIM;
            past[0] |= item.code().equals(owner);
            boolean elsewhere = wiring.rosterOf(item.code()).filter(r -> !r.equals(roster)).isPresent();
            boolean self = item.code().equals(owner) && family != RuleFamily.ACCEPT;
            if (!later && !elsewhere && !self) {
                add(item, subjects);
            }
        });
        if (family == RuleFamily.CLAIM) {
            document.items().filter(i -> !(i instanceof Derived) && !(i instanceof Note) && wiring.rosterOf(i.code()).isEmpty())
                    .forEach(i -> subjects.put("asked(" + i.code() + ")", i.code() + ", whether asked"));
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
