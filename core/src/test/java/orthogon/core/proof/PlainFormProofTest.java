package orthogon.core.proof;

import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.EntryCount;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Roster;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Documents with rosters and grids: what is proved of their plain form agrees with every interview there is. */
class PlainFormProofTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final List<Option> TWO = List.of(new Option("a", "A", BigDecimal.ONE, false, ""),
            new Option("b", "B", new BigDecimal(3), false, ""));

    private final Random random = new Random(11);

    private String pick(String... texts) {
        return texts[random.nextInt(texts.length)];
    }

    /** What stands in the middle of a document. */
    private enum Middle {
        ROSTER("r", "count(r) > 1", "some e in r satisfies e.x = true", "every e in r satisfies answered(e.y)", "sum(r.d) >= 3",
                "max(r.d) = 3", "mean(r.d) > 1", "list contains(r.y, \"b\")", "answered(r) and q0", "r = null",
                "some v in r.d satisfies v > 1", "min(r.d) < 2 and not(q0)", "\"a\" in r.y", "not(every e in r satisfies e.x)",
                "not(some e in r satisfies e.x)", "not(some e in r satisfies e.k = false)", "not(max(r.d) = 2)",
                "every e in r satisfies not(e.k)", "string join(r.y, \"-\") = \"a-b\"", "answered(string join(r.y))",
                "not(starts with(string join(r.y), \"b\"))"),
        /** Texts in the entries of a roster. */
        TEXTS("r", "some e in r satisfies e.t = \"a\"", "list contains(r.t, \"b\")", "every e in r satisfies answered(e.t)",
                "some e in r satisfies starts with(e.t, \"a\")", "not(every e in r satisfies e.t = \"a\")", "\"a\" in r.t",
                "some e in r satisfies e.u = \"A\"", "answered(string join(r.t, \"-\"))", "string join(r.u) = null and q0",
                "count(r) > 1 and not(list contains(r.t, \"a\"))"), GRID("g", "answered(g)",
                        "g = null", "q0 and answered(g.one)", "g.one = g.two", "answered(g.two) and not(q0)",
                        "not(answered(g.one))", "g.one != g.two"), NAME("n", "answered(n)", "n = null", "n.family = \"a\"",
                                "not(n.given = \"b\")", "n.given = null", "answered(n.given) and q0",
                                "n.family != \"b\" or q0 = false", "starts with(n.family, \"b\")"),
        /** Records of another questionnaire in the entries of a roster. */
        RECORDS("r", "some e in r satisfies e.l.area = \"a\"", "every e in r satisfies answered(e.l)", "list contains(r.l.area, \"b\")",
                "count(r) > 1 and (some e in r satisfies e.l.big = q0)", "answered(string join(r.l.area))",
                "not(some e in r satisfies e.l.big)", "string join(r.l.area, \"-\") = \"a-b\"", "every e in r satisfies e.l.area = \"b\"",
                "sum(r.d) > 2"),
        /** A record of another questionnaire, of which an area and a truth are shown. */
        LOOKUP("l", "answered(l)", "l = null", "l.area = \"a\"", "not(l.big)", "l.area = null and answered(l)",
                "l.area != \"b\" or q0 = false", "answered(l.big) and q0", "l.big = q0", "l.record = null", "not(l.area = \"b\")");

        private final String code;
        private final String[] conditions;

        Middle(String code, String... conditions) {
            this.code = code;
            this.conditions = conditions;
        }
    }

    private static Question kept(Question q, boolean keep) {
        return new Question(q.code(), q.wording(), q.help(), q.answer(), q.askWhen(), q.requireWhen(), q.lockWhen(), q.startWith(),
                q.accept(), q.reword(), keep);
    }

    /** How an answer settles the number of entries, now and then. */
    private EntryCount count() {
        String number = pick("if q0 then 2 else 1", "if q0 then 0 else 2", "if q0 then 1.5 else null", "if q0 then 3 else -1", "1");
        return switch (random.nextInt(6)) {
            case 0, 1 -> new EntryCount(number, "", "");
            case 2 -> new EntryCount("", number, "");
            case 3 -> new EntryCount("", "", number);
            case 4 -> new EntryCount("", number, pick("if q0 then 1 else 2", "if answered(q0) then 1 else 0"));
            default -> EntryCount.FREE;
        };
    }

    private Item middle(Middle kind) {
        return switch (kind) {
            case ROSTER -> new Roster("r", "Each", "", pick("", "q0 = true"), random.nextInt(2), 2, count(), List.of(
                    kept(Question.of("x", "X?", new YesNoAnswer()).withAskWhen(pick("", "q0", "answered(q0)"))
                            .withRequireWhen(pick("", "true")), random.nextBoolean()),
                    kept(Question.of("y", "Y?", new OneChoice(TWO, false))
                            .withAskWhen(pick("", "x = true", "not(x)", "x != q0"))
                            .withAccept(List.of(new Question.Accept(pick("y = \"a\" or q0", "true", "not(y = \"b\" and x)"), ""))),
                            random.nextBoolean()),
                    new Derived("k", pick("x = true", "y = \"a\" or x")),
                    new Derived("d", pick("score(y)", "if x then 2 else 0", "if answered(x) then 1 else null"))));
            case TEXTS -> new Roster("r", "Each", "", pick("", "q0 = true"), random.nextInt(2), 2, List.of(
                    Question.of("x", "X?", new YesNoAnswer()).withAskWhen(pick("", "q0")),
                    kept(Question.of("t", "T?", new TextAnswer(false, null, null)).withAskWhen(pick("", "x = true", "not(x)"))
                            .withRequireWhen(pick("", "true")).withAccept(List.of(new Question.Accept(
                                    pick("true", "t != \"b\"", "starts with(t, \"a\") or q0", "t = \"a\" or x"), ""))),
                            random.nextBoolean()),
                    new Derived("u", pick("upper case(t)", "if x then \"A\" else t"))));
            case GRID -> Question.of("g", "Grid?", new GridAnswer(random.nextBoolean(),
                    List.of(new GridRow("one", "One", pick("", "q0")),
                            new GridRow("two", "Two", pick("", "q0 = false"))),
                    List.of(TWO.get(0), TWO.get(1).withOfferWhen(pick("", "q0"))))).withRequireWhen(pick("", "true", "q0"))
                    .withAskWhen(pick("", "answered(q0)"));
            case NAME -> kept(Question.of("n", "Name?", new PartsAnswer(false, List.of("given", "family"),
                    random.nextBoolean() ? List.of("family") : List.of())).withRequireWhen(pick("", "true", "q0"))
                    .withAskWhen(pick("", "answered(q0)", "q0"))
                    .withAccept(List.of(new Question.Accept(pick("true", "n.family != \"b\"", "n.given = \"a\" or q0"), ""))),
                    random.nextBoolean());
            case LOOKUP -> lookup();
            case RECORDS -> new Roster("r", "Each", "", pick("", "q0 = true"), random.nextInt(2), 2, count(), List.of(lookup(),
                    new Derived("d", pick("if l.big then 2 else 0", "if answered(l) then 1 else null"))));
        };
    }

    private Question lookup() {
        return kept(Question.of("l", "Record?", new LookupAnswer("other", 1,
                List.of(new RecordAnswer("area", "Area", new OneChoice(TWO, false)), new RecordAnswer("big", "Big", new YesNoAnswer())),
                pick("", "answered(record.area)", "record.area = \"a\" or record.big", "not(record.big) and answered(record.area)"),
                pick("", "q0", "record.big = q0", "record.area != \"a\" or not(q0)", "not(record.big)"), "", false))
                .withRequireWhen(pick("", "true", "q0")).withAskWhen(pick("", "answered(q0)", "q0"))
                .withAccept(List.of(new Question.Accept(pick("true", "l.area != \"b\"", "l.big = true or q0"), ""))),
                random.nextBoolean());
    }

    private Questionnaire document(Middle kind) {
        Question first = Question.of("q0", "First?", new YesNoAnswer()).withRequireWhen(pick("", "true"));
        Item middle = middle(kind);
        String[] conditions = kind.conditions;
        Question last = Question.of("q9", "Last?", new YesNoAnswer()).withAskWhen(pick(conditions));
        String early = pick("", "", "q0 = false", pick(conditions));
        List<Page.Finish> finish = early.isEmpty() ? List.of() : List.of(new Page.Finish(early, "out"));
        return new Questionnaire("fen", "Fen", "en", List.of("en"), List.of(),
                List.of(Page.empty("p", "P").withItems(List.of(first, middle)).withRules(finish, List.of()),
                        Page.empty("s", "S").withItems(List.of(last))),
                List.of(new Outcome("in", "In", ""), new Outcome("out", "Out", "")),
                List.of(new OutcomeRow(pick(conditions), "in"), new OutcomeRow(pick("", "q9", pick(conditions)), "out")),
                List.of(new OwnClaim("own", pick("a", "b").equals("a") ? Says.ALWAYS : Says.NEVER,
                        pick("asked(", "not(asked(q9)) and asked(", "q0 = true or asked(") + kind.code + ")")),
                Map.of());
    }

    /** Every respondent, their answers given whether asked for or not. */
    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> everybody(Middle kind, Questionnaire document) {
        List<Map<String, Object>> all = new ArrayList<>(List.of(new HashMap<>()));
        all = times(all, "q0", truths());
        return times(times(all, kind.code, switch (kind) {
            case ROSTER -> lists(entries("x", truths(), "y", choices()));
            case TEXTS -> lists(entries("x", truths(), "t", texts("a", "ab", "b", "z", "A")));
            case GRID -> {
                boolean many = ((GridAnswer) document.question("g").orElseThrow().answer()).many();
                List<Object> cells = many
                        ? new ArrayList<>(List.of(List.of(), List.of("a"), List.of("b"), List.of("a", "b")))
                        : choices();
                yield entries("one", cells, "two", cells);
            }
            case LOOKUP -> records();
            case RECORDS -> lists(records().stream().<Object>map(each -> {
                Map<String, Object> entry = new HashMap<>();
                entry.put("l", each);
                return entry;
            }).toList());
            case NAME -> entries("given", texts("a", "b", "z"), "family", texts("a", "b", "bz", "z"));
        }), "q9", truths());
    }

    /** Every record that there could be, and none. */
    @SuppressWarnings("unchecked")
    private static List<Object> records() {
        return entries("area", choices(), "big", truths()).stream().<Object>map(shown -> {
            Map<String, Object> oneRecord = new HashMap<>((Map<String, Object>) shown);
            oneRecord.put("record", "R-1");
            return oneRecord;
        }).collect(Collectors.collectingAndThen(Collectors.toList(), records -> {
            records.add(null);
            return records;
        }));
    }

    private static List<Object> texts(String... texts) {
        List<Object> values = new ArrayList<>(List.of((Object[]) texts));
        values.add(null);
        return values;
    }

    /** Both parts of an entry in every combination. */
    private static List<Object> entries(String one, List<Object> values, String other, List<Object> others) {
        List<Object> entries = new ArrayList<>();
        for (Object value : values) {
            for (Object second : others) {
                Map<String, Object> entry = new HashMap<>();
                entry.put(one, value);
                entry.put(other, second);
                entries.add(entry);
            }
        }
        return entries;
    }

    /** None, one or two of the entries. */
    private static List<Object> lists(List<Object> entries) {
        List<Object> lists = new ArrayList<>(List.of(List.of()));
        entries.forEach(e -> lists.add(List.of(e)));
        entries.forEach(e -> entries.forEach(f -> lists.add(List.of(e, f))));
        return lists;
    }

    private static List<Object> truths() {
        List<Object> values = new ArrayList<>(List.of(true, false));
        values.add(null);
        return values;
    }

    private static List<Object> choices() {
        List<Object> values = new ArrayList<>(List.of("a", "b"));
        values.add(null);
        return values;
    }

    private static List<Map<String, Object>> times(List<Map<String, Object>> all, String code, List<Object> values) {
        List<Map<String, Object>> more = new ArrayList<>();
        for (Map<String, Object> answers : all) {
            for (Object value : values) {
                Map<String, Object> next = new HashMap<>(answers);
                next.put(code, value);
                more.add(next);
            }
        }
        return more;
    }

    @Test
    void verdictsAndCountsAgreeWithEveryInterview() {
        int refuted = 0;
        for (int run = 0; run < Sample.of(300); run++) {
            Middle kind = Middle.values()[run % Middle.values().length];
            Questionnaire document = document(kind);
            Wiring wiring = Wiring.of(document);
            wiring.wires().forEach(w -> assertEquals(List.of(), w.faults(), w.text()));
            Set<Object> paths = new HashSet<>();
            Set<Object> routes = new HashSet<>();
            Set<String> outcomes = new TreeSet<>();
            Set<String> asked = new TreeSet<>();
            Set<String> taken = new TreeSet<>();
            Set<String> visited = new TreeSet<>();
            boolean without = false;
            boolean needsOne = false;
            boolean always = true;
            boolean never = true;
            EvaluatedConditions evaluated = new EvaluatedConditions(wiring, TODAY);
            for (Map<String, Object> answers : everybody(kind, document)) {
                Interview interview = Replay.of(wiring, TODAY, answers, "");
                Course course = interview.course();
                evaluated.by(answers, interview);
                course.pages().forEach(p -> visited.add(p.page().code()));
                asked.addAll(course.asked());
                needsOne |= course.asked().contains("l") && wiring.at("l.requireWhen").isPresent()
                        && Boolean.TRUE.equals(interview.truth("l.requireWhen"));
                course.taken().forEach(t -> taken.add(t.text()));
                if (course.complete()) {
                    boolean says = Boolean.TRUE.equals(interview.truth("claims/0"));
                    always &= says;
                    never &= !says;
                    paths.add(List.of(course.effective(), course.asked()));
                    routes.add(List.of(course.askedQuestions(), course.outcome()));
                    course.outcome().ifPresent(outcomes::add);
                    without |= course.outcome().isEmpty();
                }
            }
            Proof proof = Proof.of(document, TODAY);
            String at = run + " " + document.pages() + document.outcomeTable();
            assertEquals(BigInteger.valueOf(routes.size()), proof.figures().routes().orElseThrow(), at);
            // Of texts the proof counts classes, whereas here each text that is tried counts by itself.
            if (kind != Middle.TEXTS && kind != Middle.NAME) {
                assertEquals(BigInteger.valueOf(paths.size()), proof.figures().answerPaths().orElseThrow(), at);
            }
            for (Outcome outcome : document.outcomes()) {
                assertEquals(outcomes.contains(outcome.code()), verdict(proof, "reach-outcome", outcome.code()), at);
            }
            assertEquals(!without, verdict(proof, "one-outcome", "fen"), at);
            assertEquals(visited.contains("s"), verdict(proof, "reach-page", "s"), at);
            assertEquals(asked.contains("q9"), verdict(proof, "reach-question", "q9"), at);
            proof.claim("reach-finish", "p/finish/0").ifPresent(
                    c -> assertEquals(taken.contains("p/finish/0"), c.verdict() == Verdict.PROVED, at + c));
            if (kind == Middle.LOOKUP) {
                assertEquals(!needsOne, verdict(proof, "lookup-never-empty", "l"), at);
            }
            boolean roster = document.item("r").isPresent();
            assertEquals(asked.contains(kind.code), verdict(proof, roster ? "reach-section" : "reach-question", kind.code), at);
            if (roster) {
                String inside = switch (kind) {
                    case TEXTS -> "t";
                    case RECORDS -> "l";
                    default -> "y";
                };
                assertEquals(asked.contains(inside), verdict(proof, "reach-question", inside), at);
            }
            assertEquals(document.claims().getFirst().says() == Says.ALWAYS ? always : never, verdict(proof, "own", "own"), at);
            evaluated.verdicts().forEach((id, holds) -> assertEquals(holds, proof.claims().stream().filter(c -> c.id().equals(id))
                    .findFirst().orElseThrow(() -> new AssertionError(id)).verdict() == Verdict.PROVED, at + id));
            Map<String, Claim> byId = proof.claims().stream().collect(Collectors.toMap(Claim::id, c -> c));
            for (Claim claim : proof.claims()) {
                assertTrue(claim.verdict() != Verdict.UNDECIDED, at + claim);
                claim.follows()
                        .ifPresent(cause -> assertTrue(byId.get(cause.text()) != null && byId.get(cause.text()).verdict() != Verdict.PROVED,
                                at + claim + " follows " + cause));
                String said = claim.place() + proof.words().statement(claim) + proof.words().because(claim) + claim.finding().core();
                assertTrue(!said.matches(".*[a-z0-9_]Z[A-Za-z0-9].*"), said);
                assertTrue(!said.contains("fault of Orthogon"), at + claim + said);
                refuted += claim.verdict() == Verdict.REFUTED ? 1 : 0;
            }
        }
        assertTrue(refuted > Sample.mustPass(200), refuted + " refuted");
    }

    private static boolean verdict(Proof proof, String kind, String place) {
        return proof.claim(kind, place).orElseThrow(() -> new AssertionError(kind + " " + place + " in " + proof.claims()))
                .verdict() == Verdict.PROVED;
    }

    @Test
    void aProofThatGoesOnAfterAnEditSaysTheSameOfEntriesAndRows() {
        for (Middle kind : Middle.values()) {
            Proof proof = Proof.of(document(kind), TODAY);
            for (int edit = 0; edit < Sample.of(100); edit++) {
                Questionnaire edited = document(kind);
                Proof anew = Proof.of(edited, TODAY);
                proof = proof.after(edited, Limits.USUAL, Watch.NOBODY);
                assertEquals(anew.claims().stream().map(c -> c + " " + c.follows()).toList(),
                        proof.claims().stream().map(c -> c + " " + c.follows()).toList());
                for (Claim claim : proof.claims()) {
                    Claim same = anew.claim(claim.kind(), claim.place()).orElseThrow();
                    assertEquals(same.finding().witness().isPresent(), claim.finding().witness().isPresent(), claim.toString());
                    assertTrue(!proof.words().because(claim).contains("fault of Orthogon"), claim + " in " + edited.pages());
                }
            }
        }
    }

    @Test
    void aWitnessHasEntriesAndTheInterviewTakesThem() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 1, 4, List.of(Question.of("weight", "Weight?",
                        new NumberAnswer(BigDecimal.ONE, new BigDecimal(9), 0, "kg")).withRequireWhen("true"))),
                Question.of("heavy", "Heavy?", new YesNoAnswer()).withAskWhen("sum(animals.weight) > 30")))));
        Proof proof = Proof.of(document, TODAY);
        Map<String, Object> witness = proof.claim("reach-question", "heavy").orElseThrow().finding().witness().orElseThrow();
        Interview interview = Replay.of(proof.wiring(), TODAY, witness, "p");
        assertTrue(interview.course().asked().contains("heavy"), witness.toString());
        assertEquals(4, ((List<?>) witness.get("animals")).size());
    }

    @Test
    void aFormulaOverManyEntriesIsDecided() {
        String long1 = "seen_from_the_tower_at_dusk_by_the_volunteers";
        String long2 = "seen_from_the_boat_at_dawn_by_the_volunteers";
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 0, Roster.MOST_ENTRIES, List.of(
                        Question.of(long1, "From the tower?", new YesNoAnswer()),
                        Question.of(long2, "From the boat?", new YesNoAnswer()))),
                Question.of("both", "Both?", new YesNoAnswer()).withAskWhen("some e in animals satisfies e." + long1 + " = true and e."
                        + long2 + " = true"),
                Question.of("never", "Never?", new YesNoAnswer()).withAskWhen("some e in animals satisfies e." + long1
                        + " = true and e." + long1 + " = false")))));
        Proof proof = Proof.of(document, TODAY);
        Map<String, Object> witness = proof.claim("reach-question", "both").orElseThrow().finding().witness().orElseThrow();
        Interview interview = Replay.of(proof.wiring(), TODAY, witness, "p");
        assertTrue(interview.course().asked().contains("both"), witness.toString());
        assertEquals(Verdict.REFUTED, proof.claim("reach-question", "never").orElseThrow().verdict());
    }

    private static Questionnaire household(String most, EntryCount count) {
        return Questionnaire.blank("fen", "Fen").withPages(List.of(
                Page.empty("p", "P").withItems(List.of(
                        Question.of("persons", "How many?", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(most), 0, ""))
                                .withRequireWhen("true"),
                        Question.of("q0", "Rest?", new YesNoAnswer()).withRequireWhen("true"))),
                Page.empty("s", "S").withItems(List.of(
                        new Roster("people", "Everybody", "Person", "", 0, 3, List.of(Question.of("tall", "Tall?", new YesNoAnswer())))
                                .withCount(count),
                        Question.of("third", "A third?", new YesNoAnswer()).withAskWhen("count(people) = 3"),
                        Question.of("other", "Another number?", new YesNoAnswer()).withAskWhen("count(people) != persons")))));
    }

    @Test
    void thereAreAsManyEntriesAsAnEarlierAnswerSays() {
        Proof proof = Proof.of(household("3", new EntryCount("persons", "", "")), TODAY);
        assertEquals(Verdict.PROVED, proof.claim("reach-question", "third").orElseThrow().verdict());
        assertEquals(Verdict.REFUTED, proof.claim("reach-question", "other").orElseThrow().verdict());
        assertTrue(proof.words().because(proof.claim("reach-question", "other").orElseThrow()).contains("people has as many entries as"),
                proof.words().because(proof.claim("reach-question", "other").orElseThrow()));
        // No entry takes part where there is none: nothing on the page is asked.
        assertEquals(BigInteger.valueOf(2 * (1 + 3 + 9 + 27 * 3)), proof.figures().answerPaths().orElseThrow());

        Proof beyond = Proof.of(household("5", new EntryCount("persons", "", "")), TODAY);
        Map<String, Object> witness = beyond.claim("reach-question", "other").orElseThrow().finding().witness().orElseThrow();
        Interview interview = Replay.of(beyond.wiring(), TODAY, witness, "s");
        assertEquals(3, ((List<?>) interview.course().effective().get("people")).size(), witness.toString());
        assertTrue(interview.course().asked().contains("other"), witness.toString());
    }

    @Test
    void boundsThatContradictEachOtherLeaveAPageThatNobodyLeaves() {
        Proof proof = Proof.of(household("3", new EntryCount("", "persons", "if q0 then 2 else 3")), TODAY);
        Map<String, Object> witness = proof.claim("page-passable", "s").orElseThrow().finding().witness().orElseThrow();
        assertEquals(List.of(BigDecimal.valueOf(3), true), List.of(witness.get("persons"), witness.get("q0")));
    }

    @Test
    void aFormulaOfTooManyPartsIsUndecided() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 0, Roster.MOST_ENTRIES,
                        List.of(Question.of("wet", "Wet?", new YesNoAnswer()))),
                Question.of("many", "Many?", new YesNoAnswer()).withAskWhen("some a in animals, b in animals, c in animals "
                        + "satisfies a.wet = true and b.wet = true and c.wet = true and a.wet = b.wet and b.wet = c.wet")))));
        Proof proof = Proof.of(document, TODAY);
        Claim claim = proof.claim("reach-question", "many").orElseThrow();
        assertEquals(Verdict.UNDECIDED, claim.verdict());
        assertTrue(proof.words().because(claim).contains("too many entries"), proof.words().because(claim));
        assertEquals(Verdict.PROVED, proof.claim("reach-question", "wet").orElseThrow().verdict());
    }

    @Test
    void whatCannotBeDividedIsUndecidedWithTheReason() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 1, 4,
                        List.of(Question.of("name", "Name?", new TextAnswer(false, null, 20)))),
                Question.of("all", "All?", new YesNoAnswer()).withAskWhen("string join(animals.name, \" \") = \"ash alder\"")))));
        Proof proof = Proof.of(document, TODAY);
        Claim claim = proof.claim("reach-question", "all").orElseThrow();
        assertEquals(Verdict.UNDECIDED, claim.verdict());
        assertTrue(proof.words().because(claim).contains("name: “name” is about all texts"), proof.words().because(claim));
        assertEquals(Verdict.PROVED, proof.claim("reach-question", "name").orElseThrow().verdict());
    }

    @Test
    void whatDoesNotRestOnAnUndecidedComparisonIsCounted() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 0, 2,
                        List.of(Question.of("name", "Name?", new TextAnswer(false, null, 20)))),
                Question.of("calm", "Calm?", new YesNoAnswer()).withAskWhen("count(animals) > 1")))))
                .withClaims(List.of(new OwnClaim("own", Says.NEVER, "string join(animals.name, \" \") = \"ash alder\"")));
        Proof proof = Proof.of(document, TODAY);
        assertEquals(Verdict.UNDECIDED, proof.claim("own", "own").orElseThrow().verdict());
        assertEquals(java.util.Optional.empty(), proof.figures().answerPaths());
        assertEquals(BigInteger.TWO, proof.figures().routes().orElseThrow());
        assertTrue(proof.words().said(proof.figures().notCounted().orElseThrow()).contains("is about all texts"),
                proof.figures().notCounted().toString());
        assertEquals(List.of(),
                proof.claims().stream().filter(c -> c.verdict() == Verdict.UNDECIDED && c.kind() != ClaimKind.OWN).toList());
    }

    @Test
    void aRowOfTheOutcomeTableThatCannotBeDecidedIsNoAlways() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                new Roster("animals", "Each animal", "Animal", "", 0, 2,
                        List.of(Question.of("name", "Name?", new TextAnswer(false, null, 20))))))));
        document = document.withEnding(List.of(new Outcome("in", "In", ""), new Outcome("out", "Out", "")), List.of(
                new OutcomeRow("string join(animals.name, \"-\") = \"a+b\" and string join(animals.name, \"+\") = \"a+b\""
                        + " and count(animals) = 2", "in"),
                new OutcomeRow("", "out")));
        Proof proof = Proof.of(document, TODAY);
        assertEquals(Verdict.UNDECIDED, proof.claim("reach-row", "outcomeTable/0").orElseThrow().verdict());
        assertEquals(Verdict.PROVED, proof.claim("reach-outcome", "out").orElseThrow().verdict());
        proof.claims().forEach(c -> assertTrue(!proof.words().because(c).contains("fault of Orthogon"), c.toString()));
    }
}
