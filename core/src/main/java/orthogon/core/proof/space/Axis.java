package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.questionnaire.Question;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Objects;

/**
 * One question or link parameter as bits. Blank is all zeros. A many-choices question has one bit for each option; any other has the
 * number of its cell in binary, the highest bit first.
 */
public final class Axis {

    private final String code;
    private final Question question;
    /** Representative of each cell; the first is blank (null). Empty for many choices. */
    private final List<Object> cells;
    /** The answer class of each cell; cells are finer where answers are compared with one another. */
    private final int[] classOf;
    private final int classes;
    private final int firstLevel;
    private final int bits;
    private final BitSet levels = new BitSet();
    private final BitSet classLevels = new BitSet();
    private final int askedLevel;
    private final int step;
    private final boolean isMany;
    private final Diagrams diagrams;

    Axis(Diagrams diagrams, String code, Question question, List<Object> cells, int[] classOf, int askedLevel, int step) {
        this.diagrams = diagrams;
        this.code = code;
        this.question = question;
        this.isMany = question != null && question.answer().domain() instanceof Domain.Subset;
        this.cells = cells;
        this.classOf = classOf;
        this.askedLevel = askedLevel;
        this.step = step;
        this.firstLevel = askedLevel + step;
        this.bits = isMany() ? question.answer().options().size() : width(cells.size());
        for (int b = 0; b < bits; b++) {
            levels.set(level(b));
        }
        int most = 0;
        for (int c : classOf) {
            most = Math.max(most, c);
        }
        this.classes = most + 1;
        if (isJoint()) {
            for (int b = 0; b < width(classes); b++) {
                classLevels.set(level(bits + b));
            }
        }
    }

    /** Whether it has just these cells. What is constant in each then holds for the same sets of states. */
    boolean isDivided(List<Object> otherCells, int[] otherClassOf) {
        return cells.equals(otherCells) && Arrays.equals(classOf, otherClassOf);
    }

    /** The same bits and cells for a question that takes the same answers. */
    Axis of(Question other) {
        return Objects.equals(question, other) ? this : new Axis(diagrams, code, other, cells, classOf, askedLevel, step);
    }

    /** The level of a bit of its own, by number; the first stands highest. */
    private int level(int bit) {
        return firstLevel + bit * step;
    }

    private static int width(int count) {
        return 32 - Integer.numberOfLeadingZeros(Math.max(count - 1, 0));
    }

    int nextLevel() {
        return level(bits + classLevels.cardinality());
    }

    /** How many bits it takes, the asked bit among them. */
    int width() {
        return 1 + bits + classLevels.cardinality();
    }

    public String code() {
        return code;
    }

    /** Null for a link parameter. */
    public Question question() {
        return question;
    }

    public boolean isMany() {
        return isMany;
    }

    /** Whether cells are finer than answer classes. */
    public boolean isJoint() {
        return !isMany() && classes < cells.size();
    }

    public BitSet levels() {
        return levels;
    }

    public BitSet classLevels() {
        return classLevels;
    }

    /** The bit that says whether the question is asked, where a claim or a count needs it. */
    public int askedLevel() {
        return askedLevel;
    }

    List<Object> cells() {
        return cells;
    }

    /** One answer of each cell, blank left out; none for many choices. */
    public List<Object> representatives() {
        return cells.isEmpty() ? List.of() : cells.subList(1, cells.size());
    }

    public List<String> optionCodes() {
        return question.answer().options().stream().map(Option::code).toList();
    }

    public int blank() {
        int set = Diagrams.ALL;
        for (int b = bits - 1; b >= 0; b--) {
            set = diagrams.and(diagrams.not(diagrams.bit(level(b))), set);
        }
        return set;
    }

    /** The states whose cell has a smaller number. */
    private int below(int number) {
        if (number >> bits > 0) {
            return Diagrams.ALL;
        }
        int set = Diagrams.NONE;
        for (int b = 0; b < bits; b++) {
            int zero = diagrams.not(diagrams.bit(level(bits - 1 - b)));
            set = (number >> b & 1) == 1 ? diagrams.or(zero, set) : diagrams.and(zero, set);
        }
        return set;
    }

    int cell(int number) {
        return coded(0, bits, number);
    }

    private int coded(int from, int width, int number) {
        int set = Diagrams.ALL;
        for (int b = 0; b < width; b++) {
            int bit = diagrams.bit(level(from + width - 1 - b));
            set = diagrams.and((number >> b & 1) == 1 ? bit : diagrams.not(bit), set);
        }
        return set;
    }

    /** Every cell together with the bits of its answer class. */
    public int classLink() {
        int link = Diagrams.NONE;
        for (int c = 0; c < cells.size(); c++) {
            link = diagrams.or(link, diagrams.and(cell(c), coded(bits, classLevels.cardinality(), classOf[c])));
        }
        return link;
    }

    /** The states in which the option is chosen. */
    public int option(String optionCode) {
        List<Option> options = question.answer().options();
        for (int i = 0; i < options.size(); i++) {
            if (options.get(i).code().equals(optionCode)) {
                return isMany() ? diagrams.bit(level(i)) : cell(i + 1);
            }
        }
        throw new IllegalArgumentException(code + " has no option " + optionCode);
    }

    /** The states in which a yes/no question has that answer. */
    public int truth(boolean answer) {
        return value(answer);
    }

    /** Whether the question's own limits leave any answer at all; which options are on offer does not count. */
    public boolean hasAnswer() {
        return diagrams.minus(domain(), blank()) != Diagrams.NONE;
    }

    /** The states whose value is exactly this one; none where the limits do not allow it or it is no representative. */
    int value(Object value) {
        if (value == null) {
            return blank();
        }
        if (isMany()) {
            int set = Diagrams.ALL;
            for (Option option : question.answer().options()) {
                int bit = option(option.code());
                set = diagrams.and(set, value instanceof List<?> l && l.contains(option.code()) ? bit : diagrams.not(bit));
            }
            return set;
        }
        for (int c = 1; c < cells.size(); c++) {
            if (Guarded.key(cells.get(c)).equals(Guarded.key(value))) {
                return cell(c);
            }
        }
        return Diagrams.NONE;
    }

    /** Every answer within the question's own limits, blank among them. */
    public int domain() {
        if (!isMany()) {
            return below(cells.size());
        }
        Domain.Subset answer = (Domain.Subset) question.answer().domain();
        int n = answer.options().size();
        int least = Math.max(1, answer.least() == null ? 1 : answer.least());
        int most = answer.most() == null ? n : Math.min(n, answer.most());
        int several = Diagrams.NONE;
        Guarded count = Guarded.constant(java.math.BigDecimal.ZERO);
        for (Option option : answer.options()) {
            count = count.plus(diagrams, option(option.code()), java.math.BigDecimal.ONE);
        }
        for (var entry : count.parts().entrySet()) {
            int chosen = ((java.math.BigDecimal) entry.getKey()).intValue();
            if (chosen >= least && chosen <= most) {
                several = diagrams.or(several, entry.getValue());
            }
        }
        int set = several;
        for (Option option : answer.options()) {
            if (option.exclusive()) {
                set = diagrams.minus(set, option(option.code()));
            }
        }
        for (Option option : answer.options()) {
            if (option.exclusive()) {
                set = diagrams.or(set, value(List.of(option.code())));
            }
        }
        return diagrams.or(set, blank());
    }

    /** The representative of the cell that the state holds; unknown bits count as zero. */
    public Object decode(Diagrams.DiagramState state) {
        if (isMany()) {
            List<String> chosen = new ArrayList<>();
            for (int i = 0; i < bits; i++) {
                if (state.ones().get(level(i))) {
                    chosen.add(question.answer().options().get(i).code());
                }
            }
            return chosen.isEmpty() ? null : chosen;
        }
        int number = 0;
        for (int b = 0; b < bits; b++) {
            number = number * 2 + (state.ones().get(level(b)) ? 1 : 0);
        }
        return cells.get(number);
    }
}
