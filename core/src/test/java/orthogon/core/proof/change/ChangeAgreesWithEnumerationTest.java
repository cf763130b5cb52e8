package orthogon.core.proof.change;

import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Enumeration;
import orthogon.core.proof.RandomChange;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Two small documents are tried answer by answer, and each respondent's two ways are laid side by side. */
class ChangeAgreesWithEnumerationTest {

    private static final int DOCUMENTS = Integer.getInteger("orthogon.changes", Sample.of(500));
    private static final int MOST_RESPONDENTS = 1500;

    @Test
    void everyDifferenceAndCount() {
        int compared = 0;
        Map<DifferenceKind, Integer> seen = new TreeMap<>();
        for (long seed = 1; seed <= DOCUMENTS; seed++) {
            RandomChange random = new RandomChange(seed);
            Questionnaire drawn = RandomDocument.of(seed);
            Questionnaire after = random.opening(random.of(drawn));
            Questionnaire before = random.opening(drawn);
            if (!Faults.of(Wiring.of(before)).isEmpty() || !Faults.of(Wiring.of(after)).isEmpty()) {
                continue;
            }
            Sides expected;
            try {
                expected = new Sides(before, after);
            } catch (Enumeration.TooLarge e) {
                continue;
            }
            Change change = Change.between(before, after, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
            String which = "seed " + seed;
            assertEquals(Optional.empty(), change.undecided(), which);
            Map<String, BigInteger> found = new TreeMap<>();
            change.differences().forEach(d -> {
                found.put(d.kind() + " " + d.place() + " " + d.from() + ">" + d.to(), d.paths().orElseThrow());
                seen.merge(d.kind(), 1, Integer::sum);
            });
            assertEquals(expected.differences(), found, which);
            assertEquals(BigInteger.valueOf(expected.all), change.paths().orElseThrow(), which);
            assertEquals(BigInteger.valueOf(expected.differing), change.differing().orElseThrow(), which);
            compared++;
        }
        assertTrue(compared > Sample.mustPass(DOCUMENTS / 3), compared + " pairs");
        assertTrue(seen.size() > Sample.mustPass(DifferenceKind.values().length - 1), seen::toString);
        assertTrue(seen.values().stream().allMatch(n -> n > Sample.mustPass(DOCUMENTS / 100)), seen::toString);
    }

    /** Both ways of every respondent. */
    private static final class Sides {

        private final Map<String, Set<Object>> met = new HashMap<>();
        int all;
        int differing;

        Sides(Questionnaire before, Questionnaire after) {
            Wiring one = Wiring.of(before);
            Wiring other = Wiring.of(after);
            List<Expr> told = told(one, other);
            lay(one, other, told, true);
            lay(other, one, told, false);
        }

        Map<String, BigInteger> differences() {
            Map<String, BigInteger> counts = new TreeMap<>();
            met.forEach((topic, ways) -> counts.put(topic, BigInteger.valueOf(ways.size())));
            return counts;
        }

        private void lay(Wiring one, Wiring other, List<Expr> told, boolean forth) {
            Set<Object> ways = new HashSet<>();
            Set<Object> otherwise = new HashSet<>();
            List<Enumeration.Ending> firsts = new Enumeration(one, about(told, one), null).endings;
            if (firsts.size() > MOST_RESPONDENTS) {
                throw new Enumeration.TooLarge();
            }
            for (Enumeration.Ending first : firsts) {
                Object firstClass = classes(one, told, first.answers(), first.asked());
                Enumeration second = new Enumeration(other, about(told, other), first);
                assertTrue(!second.endings.isEmpty() || !second.held.isEmpty());
                for (Enumeration.Ending end : second.endings) {
                    Object way = List.of(firstClass, classes(other, told, end.answers(), end.asked()));
                    Set<String> topics = new HashSet<>();
                    questions(one, first.asked()).stream().filter(q -> !questions(other, end.asked()).contains(q))
                            .forEach(q -> topics.add("ASKED_NO_MORE " + q + " >"));
                    questions(other, end.asked()).stream().filter(q -> !questions(one, first.asked()).contains(q))
                            .forEach(q -> topics.add("ASKED_NOW " + q + " >"));
                    if (!first.outcome().equals(end.outcome())) {
                        topics.add("ENDS_OTHERWISE random " + first.outcome() + ">" + end.outcome());
                    }
                    first.messages().stream().filter(m -> !end.messages().contains(m))
                            .forEach(m -> topics.add(told(one, m) + "_NO_MORE " + m + " >"));
                    end.messages().stream().filter(m -> !first.messages().contains(m))
                            .forEach(m -> topics.add(told(other, m) + "_NOW " + m + " >"));
                    if (forth) {
                        note(way, topics, ways, otherwise);
                    }
                }
                for (Enumeration.Held held : second.held) {
                    Object way = List.of(firstClass, classes(other, told, held.answers(), held.asked()), held.page());
                    Set<String> topics = new HashSet<>(Set.of((forth ? "REFUSED_NOW " : "ACCEPTED_NOW ") + held.page() + " >"));
                    note(way, topics, ways, otherwise);
                }
            }
            if (forth) {
                all = ways.size();
                differing = otherwise.size();
            }
        }

        private void note(Object way, Set<String> topics, Set<Object> ways, Set<Object> otherwise) {
            ways.add(way);
            if (!topics.isEmpty()) {
                otherwise.add(way);
            }
            topics.forEach(t -> met.computeIfAbsent(t, k -> new HashSet<>()).add(way));
        }
    }

    /** A message is sent, a follow-up is opened. */
    private static String told(Wiring wiring, String code) {
        return wiring.document().message(code).isPresent() ? "SENT" : "OPENED";
    }

    private static Set<String> questions(Wiring wiring, Set<String> asked) {
        Set<String> questions = new LinkedHashSet<>(asked);
        questions.retainAll(wiring.document().questions().map(Question::code).toList());
        return questions;
    }

    private static List<Expr> about(List<Expr> told, Wiring wiring) {
        Set<String> codes = wiring.document().questions().map(Question::code).collect(Collectors.toSet());
        return told.stream().filter(e -> e.references().size() == 1 && codes.containsAll(e.references())).toList();
    }

    /** Every comparison that either makes, and the limits of answers. */
    private static List<Expr> told(Wiring one, Wiring other) {
        Map<String, Expr> told = new TreeMap<>();
        for (Wiring wiring : List.of(one, other)) {
            Enumeration.comparisons(wiring).stream().filter(c -> !c.references().isEmpty())
                    .forEach(c -> told.put(c.toString().replaceAll("Span\\[[^]]*]", ""), c));
            wiring.document().questions().forEach(q -> {
                if (q.answer() instanceof TextAnswer t) {
                    for (Integer limit : new Integer[]{t.least(), t.most()}) {
                        if (limit != null) {
                            Expr length = new Expr.Call("string length", List.of(new Expr.Name(q.code(), Span.NONE)), Span.NONE);
                            String op = limit.equals(t.least()) ? ">=" : "<=";
                            told.put(q.code() + op + limit,
                                    new Expr.Compare(op, length, new Expr.Literal(new BigDecimal(limit), Span.NONE), Span.NONE));
                        }
                    }
                } else if (q.answer() instanceof NumberAnswer n) {
                    told.put(q.code() + "<=" + n.most(), new Expr.Compare("<=", new Expr.Name(q.code(), Span.NONE),
                            new Expr.Literal(n.most(), Span.NONE), Span.NONE));
                }
            });
        }
        return new ArrayList<>(told.values());
    }

    /** What of somebody's answers is told apart. */
    private static Object classes(Wiring wiring, List<Expr> told, Map<String, Object> answers, Set<String> asked) {
        Situation situation = new Situation() {
            @Override
            public Object value(String name) {
                return answers.get(name);
            }

            @Override
            public BigDecimal score(String name) {
                return wiring.document().question(name).orElseThrow().answer().score(answers.get(name));
            }

            @Override
            public java.time.LocalDate today() {
                return RandomDocument.TODAY;
            }
        };
        List<Object> classes = new ArrayList<>();
        wiring.document().linkParameters().forEach(p -> classes.add(String.valueOf(answers.get(p.code()))));
        Set<String> codes = wiring.document().questions().map(Question::code).collect(Collectors.toCollection(LinkedHashSet::new));
        for (Question q : wiring.document().questions().toList()) {
            Object value = asked.contains(q.code()) ? answers.get(q.code()) : null;
            boolean each = q.answer() instanceof YesNoAnswer || q.answer() instanceof OneChoice
                    || q.answer() instanceof ManyChoices || q.answer() instanceof AgreementAnswer;
            classes.add(String.valueOf(asked.contains(q.code())) + (each ? value : value != null));
        }
        for (Expr comparison : told) {
            if (codes.containsAll(comparison.references())) {
                classes.add(String.valueOf(Evaluator.value(comparison, situation)));
            }
        }
        return classes;
    }
}
