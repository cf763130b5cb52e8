package orthogon.core.proof.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Enumeration;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.proof.change.Difference.Kind;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Section;
import org.junit.jupiter.api.Test;

/** Two small documents are tried answer by answer, and each respondent's two ways are laid side by side. */
class ChangeAgreesWithEnumerationTest {

    private static final int DOCUMENTS = Integer.getInteger("orthogon.changes", Sample.of(500));
    private static final int MOST_RESPONDENTS = 1500;

    @Test
    void everyDifferenceAndCount() {
        int compared = 0;
        Map<Kind, Integer> seen = new TreeMap<>();
        for (long seed = 1; seed <= DOCUMENTS; seed++) {
            Questionnaire before = RandomDocument.of(seed);
            Questionnaire after = new Mutation(seed).of(before);
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
        assertTrue(seen.size() > Sample.mustPass(Kind.values().length - 1), seen::toString);
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
            for (Wiring.Wire wire : wiring.wires()) {
                if (wire.type().kind() == orthogon.core.expression.Type.Kind.TRUTH) {
                    wiring.unfolded(wire.expr().orElseThrow()).orElseThrow().comparisons().stream()
                            .filter(c -> !(c instanceof Expr.Call call && call.function().equals("asked")))
                            .filter(c -> !c.references().isEmpty())
                            .forEach(c -> told.put(c.toString().replaceAll("Span\\[[^]]*]", ""), c));
                }
            }
            wiring.document().questions().forEach(q -> {
                if (q.answer() instanceof Answer.Text t) {
                    for (Integer limit : new Integer[]{t.least(), t.most()}) {
                        if (limit != null) {
                            Expr length = new Expr.Call("string length", List.of(new Expr.Name(q.code(), Span.NONE)), Span.NONE);
                            String op = limit.equals(t.least()) ? ">=" : "<=";
                            told.put(q.code() + op + limit,
                                    new Expr.Compare(op, length, new Expr.Literal(new BigDecimal(limit), Span.NONE), Span.NONE));
                        }
                    }
                } else if (q.answer() instanceof Answer.Numeric n) {
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
            boolean each = q.answer() instanceof Answer.YesNo || q.answer() instanceof Answer.OneChoice
                    || q.answer() instanceof Answer.ManyChoices || q.answer() instanceof Answer.Agreement;
            classes.add(String.valueOf(asked.contains(q.code())) + (each ? value : value != null));
        }
        for (Expr comparison : told) {
            if (codes.containsAll(comparison.references())) {
                classes.add(String.valueOf(Evaluator.value(comparison, situation)));
            }
        }
        return classes;
    }

    /** A few changes drawn from a seed. */
    private static final class Mutation {

        private final Random random;

        Mutation(long seed) {
            random = new Random(seed * 31 + 7);
        }

        Questionnaire of(Questionnaire document) {
            Questionnaire changed = document;
            int changes = 1 + random.nextInt(3);
            for (int i = 0; i < changes; i++) {
                changed = once(changed);
            }
            return changed;
        }

        private Questionnaire once(Questionnaire document) {
            List<Page> pages = new ArrayList<>(document.pages());
            int at = random.nextInt(pages.size());
            Page page = pages.get(at);
            List<OutcomeRow> rows = new ArrayList<>(document.outcomeTable());
            switch (random.nextInt(9)) {
                case 0 -> pages.set(at, new Page(page.code(), page.title(), "", random.nextBoolean() ? "" : anyCondition(pages, at),
                        page.items(), page.finish(), page.skip()));
                case 1 -> pages.set(at, new Page(page.code(), page.title(), "", page.openWhen(), page.items(), List.of(), page.skip()));
                case 2 -> pages.set(at, new Page(page.code(), page.title(), "", page.openWhen(), page.items(), page.finish(), List.of()));
                case 3 -> {
                    int row = random.nextInt(rows.size());
                    rows.set(row, new OutcomeRow(rows.get(row).when(), document.outcomes().getFirst().code()));
                }
                case 4 -> {
                    pages.remove(at);
                    pages.add(Math.max(0, at - 1), page);
                }
                default -> pages.set(at, page.withItems(items(page.items(), pages, at)));
            }
            return document.withPages(pages).withEnding(document.outcomes(), rows);
        }

        private String anyCondition(List<Page> pages, int before) {
            List<String> conditions = new ArrayList<>(List.of("", "1 > 2"));
            pages.subList(0, before).stream().flatMap(Page::allItems).forEach(i -> {
                if (i instanceof Question q) {
                    conditions.addAll(List.of(q.askWhen(), q.requireWhen(), "answered(" + q.code() + ")", q.code() + " = null"));
                }
            });
            return conditions.get(random.nextInt(conditions.size()));
        }

        private List<Item> items(List<Item> items, List<Page> pages, int at) {
            List<Item> changed = new ArrayList<>(items);
            if (items.isEmpty()) {
                return changed;
            }
            int i = random.nextInt(items.size());
            if (items.get(i) instanceof Section s) {
                changed.set(i, new Section(s.code(), s.title(), s.askWhen(), items(s.items(), pages, at)));
                return changed;
            }
            if (!(items.get(i) instanceof Question q)) {
                return changed;
            }
            String condition = anyCondition(pages, at);
            Question other = switch (random.nextInt(8)) {
                case 0, 1 -> with(q, condition, q.requireWhen(), q.answer(), q.accept());
                case 2 -> with(q, q.askWhen(), condition.isEmpty() ? "true" : condition, q.answer(), q.accept());
                case 3 -> with(q, q.askWhen(), "", q.answer(), q.accept());
                case 4 -> with(q, q.askWhen(), q.requireWhen(), q.answer(), List.of());
                case 5 -> with(q, q.askWhen(), q.requireWhen(), q.answer(),
                        List.of(new Question.Accept(condition.isEmpty() ? "answered(" + q.code() + ")" : condition, "")));
                default -> with(q, q.askWhen(), q.requireWhen(), limited(q.answer()), q.accept());
            };
            if (random.nextInt(8) == 0) {
                changed.remove(i);
            } else if (random.nextInt(8) == 0) {
                changed.add(i, Question.of("added" + random.nextInt(1000), "Added", new Answer.YesNo()).withRequireWhen(condition));
            } else {
                changed.set(i, other);
            }
            return changed;
        }

        private Answer limited(Answer answer) {
            return switch (answer) {
                case Answer.Numeric n -> new Answer.Numeric(n.least(), new BigDecimal(n.most().intValue() == 3 ? 2 : 3), 0, "");
                case Answer.Text t -> new Answer.Text(false, t.least(), t.most() == null ? 3 : null);
                case Answer.OneChoice c -> {
                    List<Answer.Option> options = new ArrayList<>(c.options());
                    options.add(new Answer.Option("d", "Option", null, false, ""));
                    yield random.nextBoolean() ? c.withOptions(options) : c.withOptions(options.subList(0, options.size() - 2));
                }
                case Answer.ManyChoices c -> {
                    List<Answer.Option> options = new ArrayList<>(c.options());
                    options.add(0, new Answer.Option("d", "Option", null, random.nextBoolean(), ""));
                    yield random.nextBoolean() ? c.withOptions(options) : new Answer.ManyChoices(c.options(), 1, 1);
                }
                default -> answer;
            };
        }

        private static Question with(Question q, String ask, String require, Answer answer, Collection<Question.Accept> accept) {
            return new Question(q.code(), q.wording(), q.help(), answer, ask, require, q.lockWhen(), q.startWith(), List.copyOf(accept),
                    q.reword(), q.keepWhenHidden());
        }
    }
}
