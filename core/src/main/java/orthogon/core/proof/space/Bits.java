package orthogon.core.proof.space;

import java.time.LocalDate;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.answer.Answer;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** The bits of a document: those of its answers, and one for each item that says whether it is asked. */
final class Bits {

    private final Diagrams diagrams;
    private final Features features;
    private final LocalDate today;
    private final BitLayout layout;
    /** The bits of the previous revision; null where there is none, and after construction. */
    private Bits before;
    private final Map<String, Axis> axes = new LinkedHashMap<>();
    private final Map<String, Integer> itemAsked = new LinkedHashMap<>();
    /** The allowed values of each link parameter; empty for any text. */
    private final Map<String, List<String>> allowed = new HashMap<>();
    private final Set<String> moved = new HashSet<>();
    private int next;

    /**
     * @param document in plain form
     * @param features what is said of its answers
     */
    Bits(Questionnaire document, Diagrams diagrams, Features features, LocalDate today, BitLayout layout) {
        this(document, diagrams, features, today, layout, null);
    }

    /** The bits of an edited document. A question whose cells are the same keeps its bits. */
    Bits after(Questionnaire edited, Features said) {
        Map<String, Integer> places = new HashMap<>(itemAsked);
        axes.values().forEach(a -> places.put(a.code(), a.askedLevel()));
        return new Bits(edited, diagrams, said, today, new BitLayout(places, next, layout.step()), this);
    }

    private Bits(Questionnaire document, Diagrams diagrams, Features features, LocalDate today, BitLayout layout, Bits before) {
        this.diagrams = diagrams;
        this.features = features;
        this.today = today;
        this.layout = layout;
        this.before = before;
        this.next = layout.free();
        document.arriving().forEach(p -> {
            allowed.putIfAbsent(p.code(), p.allowed());
            place(p.code(), null);
        });
        document.items().forEach(item -> {
            if (item instanceof Question q) {
                if (!q.isHidden()) {
                    place(q.code(), q);
                }
            } else if (!(item instanceof Derived)) {
                itemAsked.computeIfAbsent(item.code(), c -> layout.first().containsKey(c) ? layout.first().get(c) : fresh());
            }
        });
        this.before = null;
    }

    private void place(String code, Question question) {
        if (axes.containsKey(code)) {
            return;
        }
        Axis known = before == null ? null : before.axes.get(code);
        boolean takesTheSame = known != null && answer(known.question()).equals(answer(question))
                && allowed(code).equals(before.allowed(code));
        if (takesTheSame && features.isSame(before.features, code)) {
            axes.put(code, known.of(question));
            return;
        }
        Division divided = Division.asFarAsPossible(code, question, allowed(code), features, today, diagrams::goOn);
        int[] classOf = divided.classOf().stream().mapToInt(Integer::intValue).toArray();
        if (takesTheSame && known.isDivided(divided.cells(), classOf)) {
            axes.put(code, known.of(question));
            return;
        }
        moved.add(code);
        Axis axis = new Axis(diagrams, code, question, divided.cells(), classOf, layout.first().getOrDefault(code, next), layout.step());
        boolean placed = layout.first().containsKey(code) && (before == null || known != null && known.width() >= axis.width());
        if (!placed) {
            // What is new, or has outgrown its place, comes last.
            axis = new Axis(diagrams, code, question, divided.cells(), classOf, next, layout.step());
        }
        axes.put(code, axis);
        next = placed ? next : axis.nextLevel();
    }

    private static Optional<Answer> answer(Question question) {
        return Optional.ofNullable(question).map(Question::answer);
    }

    /** What a link parameter may be; empty for any text, and for what is none. */
    List<String> allowed(String code) {
        return allowed.getOrDefault(code, List.of());
    }

    /** The level of a bit that stands for nothing else. */
    int fresh() {
        int level = next;
        next += layout.step();
        return level;
    }

    int next() {
        return next;
    }

    /** Levels from one on, up to where bits are free. */
    BitSet since(int level) {
        BitSet levels = new BitSet();
        for (int l = level; l < next; l += layout.step()) {
            levels.set(l);
        }
        return levels;
    }

    /** Questions and link parameters whose bits or cells are not those of the document before an edit. */
    Set<String> moved() {
        return moved;
    }

    Axis axis(String code) {
        return axes.get(code);
    }

    Collection<Axis> axes() {
        return axes.values();
    }

    /** How many bits each item takes, its asked bit among them, in the order in which they stand. */
    Map<String, Integer> widths() {
        Map<String, Integer> byLevel = new LinkedHashMap<>();
        axes.values().forEach(a -> byLevel.put(a.code(), a.width()));
        itemAsked.keySet().forEach(c -> byLevel.put(c, 1));
        return byLevel;
    }

    /** The bits that stand for what came with the link. */
    BitSet ofLink() {
        BitSet levels = new BitSet();
        axes.values().stream().filter(a -> a.question() == null).forEach(a -> levels.or(a.levels()));
        return levels;
    }

    /** Whether there is a bit that says whether it is asked. */
    boolean isAskable(String item) {
        return itemAsked.containsKey(item) || axes.containsKey(item) && axes.get(item).question() != null;
    }

    /** The bit that says whether a question, note or section is asked. */
    int asked(String item) {
        return axes.containsKey(item) ? axes.get(item).askedLevel() : itemAsked.get(item);
    }
}
