package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assertions.fail;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.proof.flow.Share;
import orthogon.core.proof.flow.Transition;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

class ProofAgreesWithEnumerationTest {

    private static final int DOCUMENTS = Integer.getInteger("orthogon.documents", Sample.of(5000));

    /** Of every so many documents each claim is explained as well, which takes longer than all the rest. */
    private static final int EXPLAINED = 4;

    private final AtomicLong nextSeed = new AtomicLong(1);
    private final AtomicInteger tried = new AtomicInteger();
    private final AtomicInteger joint = new AtomicInteger();
    private final Map<String, Map<Verdict, Integer>> seen = new ConcurrentHashMap<>();
    /** How many ways of each kind were compared that some take and others do not. */
    private final Map<Transition.TransitionKind, Integer> taken = new ConcurrentHashMap<>();

    @Test
    void everyVerdictAndCountOfRandomDocumentsAgreesWithTryingAllAnswers() throws InterruptedException {
        List<Callable<Void>> shares = Collections.nCopies(Runtime.getRuntime().availableProcessors(), () -> {
            while (tried.get() < DOCUMENTS) {
                tryOne(nextSeed.getAndIncrement());
            }
            return null;
        });
        try (ExecutorService workers = Executors.newFixedThreadPool(shares.size())) {
            for (Future<Void> share : workers.invokeAll(shares)) {
                try {
                    share.get();
                } catch (ExecutionException e) {
                    fail(e.getCause());
                }
            }
        }
        for (Transition.TransitionKind kind : Transition.TransitionKind.values()) {
            assertTrue(taken.getOrDefault(kind, 0) > Sample.mustPass(60), "ways that some take: " + taken);
        }
        for (String kind : Set.of("reach-page", "reach-question", "reach-option", "reach-outcome", "reach-row", "reach-skip",
                "reach-finish",
                "reach-note", "reach-section", "condition-varies", "comparison-matters", "page-passable", "option-accepted", "one-outcome",
                "own", "limits-leave-answer", "nothing-by-default", "answer-accepted", "refusal-explained", "answers-kept", "blank-reading",
                "text-filled", "translated",
                "burden-within", "message-sent", "recipient-filled", "message-complete", "passage-appears")) {
            assertTrue(seen.get(kind).getOrDefault(Verdict.REFUTED, 0) > Sample.mustPass(3),
                    "the sample refutes " + kind + " often enough: " + seen.get(kind));
            assertTrue(seen.get(kind).getOrDefault(Verdict.PROVED, 0) > Sample.mustPass(3),
                    "the sample proves " + kind + " often enough: " + seen.get(kind));
        }
        assertTrue(joint.get() > Sample.mustPass(20), "answers compared with one another occur: " + joint);
    }

    private void tryOne(long seed) {
        Questionnaire document = RandomDocument.of(seed);
        Wiring wiring = Wiring.of(document);
        assertEquals(List.of(), Faults.of(wiring), "seed " + seed);
        Enumeration all;
        try {
            all = new Enumeration(wiring);
        } catch (Enumeration.TooLarge e) {
            return;
        }
        tried.incrementAndGet();
        Proof proof = Proof.of(document, RandomDocument.TODAY);
        compare(seed, proof, all, seen, taken);
        joint.addAndGet(proof.figures().joint() ? 1 : 0);
        interviewAgrees(seed, wiring, all);
    }

    private static void compare(long seed, Proof proof, Enumeration all, Map<String, Map<Verdict, Integer>> seen,
            Map<Transition.TransitionKind, Integer> taken) {
        Map<String, Boolean> verdicts = new TreeMap<>();
        for (Claim claim : proof.claims()) {
            if (!all.verdicts.containsKey(claim.id())) {
                assertEquals(Verdict.PROVED, claim.verdict(), "seed " + seed + " " + claim);
                continue;
            }
            assertTrue(claim.verdict() != Verdict.UNDECIDED, "seed " + seed + " " + claim + claim.finding());
            verdicts.put(claim.id(), claim.verdict() == Verdict.PROVED);
            if (claim.kind() == ClaimKind.NOTHING_BY_DEFAULT && claim.verdict() == Verdict.REFUTED) {
                assertEquals(all.advisory.contains(claim.id()), !claim.blocking(), "seed " + seed + " " + claim);
            }
            seen.computeIfAbsent(claim.kind().word(), k -> new ConcurrentHashMap<>()).merge(claim.verdict(), 1, Integer::sum);
            if (seed % EXPLAINED != 0) {
                continue;
            }
            Finding finding = claim.finding();
            assertTrue(!finding.equals(Finding.disagreement()), "seed " + seed + " " + claim + finding);
            boolean ofSomebody = claim.kind().family() == Family.REACH
                    || Set.of(ClaimKind.COMPARISON_MATTERS, ClaimKind.CONDITION_VARIES, ClaimKind.OPTION_ACCEPTED,
                            ClaimKind.ANSWER_ACCEPTED, ClaimKind.MESSAGE_SENT, ClaimKind.PASSAGE_APPEARS).contains(claim.kind());
            if (ofSomebody == (claim.verdict() == Verdict.PROVED) && all.verdicts.containsKey(claim.id())
                    && claim.kind() != ClaimKind.LIMITS_LEAVE_ANSWER) {
                assertTrue(finding.witness().isPresent(), "seed " + seed + " " + claim + " has a witness");
            }
            boolean ofTwo = claim.kind() == ClaimKind.COMPARISON_MATTERS && claim.verdict() == Verdict.PROVED
                    || claim.kind() == ClaimKind.ANSWERS_KEPT && claim.verdict() == Verdict.REFUTED;
            assertEquals(ofTwo, finding.other().isPresent(), "seed " + seed + " " + claim + " has two");
        }
        Set<Map.Entry<String, Boolean>> missing = new LinkedHashSet<>(all.verdicts.entrySet());
        missing.removeAll(verdicts.entrySet());
        assertEquals(Set.of(), missing, "seed " + seed + ", tried and found otherwise");
        assertEquals(all.verdicts.keySet(), verdicts.keySet(), "seed " + seed);
        Map<String, BigInteger> byOutcome = new LinkedHashMap<>();
        all.paths.forEach((outcome, paths) -> byOutcome.put(outcome, BigInteger.valueOf(paths.size())));
        byOutcome.remove("");
        assertEquals(byOutcome, proof.figures().pathsByOutcome(), "seed " + seed);
        assertEquals(all.answerPaths(), proof.figures().answerPaths().orElseThrow(), "seed " + seed);
        assertEquals(BigInteger.valueOf(all.routes.size()), proof.figures().routes().orElseThrow(), "seed " + seed);
        routesAgree(seed, proof, all);
        if (seed % EXPLAINED == 0) {
            sharesAgree(seed, proof, all, taken);
        }
        readingAgrees(seed, proof, all);
        assertEquals(all.longest, proof.figures().longest().orElse(-1), "seed " + seed);
        assertEquals(all.longest < 0 ? -1 : all.shortest, proof.figures().shortest().orElse(-1), "seed " + seed);
    }

    /** A different few ways of each document, so that all kinds are met in the end. */
    private static void sharesAgree(long seed, Proof proof, Enumeration all, Map<Transition.TransitionKind, Integer> taken) {
        List<Transition> ways = new ArrayList<>(Transition.all(proof.document()));
        Collections.shuffle(ways, new Random(seed));
        for (Transition way : ways.subList(0, Math.min(4, ways.size()))) {
            Share share = proof.share(way, Limits.USUAL, Watch.NOBODY);
            assertEquals(BigInteger.valueOf(all.pathsAlong.getOrDefault(way, Set.of()).size()), share.answerPaths().orElseThrow(),
                    "seed " + seed + " paths " + way);
            assertEquals(BigInteger.valueOf(all.routesAlong.getOrDefault(way, Set.of()).size()), share.routes().orElseThrow(),
                    "seed " + seed + " routes " + way);
            boolean bySome = share.answerPaths().orElseThrow().signum() > 0
                    && share.answerPaths().orElseThrow().compareTo(all.answerPaths()) < 0;
            taken.merge(way.kind(), bySome ? 1 : 0, Integer::sum);
        }
    }

    private static void readingAgrees(long seed, Proof proof, Enumeration all) {
        Optional<Figures.WordsToRead> reading = proof.figures().reading();
        assertEquals(all.endings.isEmpty(), reading.isEmpty(), "seed " + seed);
        if (reading.isPresent()) {
            assertEquals(all.mostWords, reading.get().mostWords(), "seed " + seed);
            assertEquals(all.leastWords, reading.get().leastWords(), "seed " + seed);
            for (boolean most : new boolean[]{true, false}) {
                Course course = Replay.of(proof.wiring(), RandomDocument.TODAY, most ? reading.get().most() : reading.get().least(), "")
                        .course();
                assertTrue(course.complete(), "seed " + seed);
                assertEquals(most ? all.mostWords : all.leastWords, course.words(), "seed " + seed);
            }
        }
    }

    /** Another route: one question less, or, where there is none, another outcome. */
    private static Routes.Route elsewhere(Routes.Route route) {
        return route.asked().isEmpty()
                ? new Routes.Route(route.number(), route.asked(), route.outcome() + "_other")
                : new Routes.Route(route.number(), route.asked().stream().skip(1).collect(Collectors.toSet()), route.outcome());
    }

    /** Every route is listed, with its questions, outcome and size, whichever way the list is cut, and somebody goes along it. */
    private static void routesAgree(long seed, Proof proof, Enumeration all) {
        Routes routes = proof.figures().everyRoute().orElseThrow();
        Set<List<Object>> listed = new LinkedHashSet<>();
        BigInteger number = BigInteger.ZERO;
        BigInteger size = BigInteger.ZERO;
        for (List<Routes.Route> page = routes.list(Routes.Filter.ALL, number, 3); !page.isEmpty(); page = routes.list(Routes.Filter.ALL,
                number, 3)) {
            for (Routes.Route route : page) {
                List<Object> told = new ArrayList<>(List.of(route.outcome()));
                told.addAll(route.asked());
                listed.add(told);
                number = number.add(BigInteger.ONE);
                if (seed % 5 == 0) {
                    Routes.Lane lane = routes.lane(route);
                    size = size.add(lane.paths().orElseThrow());
                    Course course = Replay.of(proof.wiring(), RandomDocument.TODAY, lane.witness(), "").course();
                    Set<String> asked = new LinkedHashSet<>(course.asked());
                    asked.retainAll(proof.document().questions().map(q -> q.code()).toList());
                    assertEquals(route.asked(), asked, "seed " + seed + " " + route + lane);
                    assertEquals(route.outcome(), course.outcome().orElse(""), "seed " + seed + " " + route + lane);
                    assertTrue(Replay.isAlong(course, routes, route), "seed " + seed + " " + route + lane);
                    assertFalse(Replay.isAlong(course, routes, elsewhere(route)), "seed " + seed + " " + route + lane);
                }
            }
        }
        assertEquals(all.routes, listed, "seed " + seed);
        if (seed % 5 == 0) {
            assertEquals(all.answerPaths(), size, "seed " + seed + ", all routes together");
        }
        routes.asking().forEach((code, n) -> {
            long asking = all.routes.stream().filter(r -> r.subList(1, r.size()).contains(code)).count();
            assertEquals(BigInteger.valueOf(asking), n, "seed " + seed + " " + code);
            assertEquals(n, routes.count(new Routes.Filter(Set.of(code), Set.of(), Optional.empty(), -1)), "seed " + seed);
            assertEquals(BigInteger.valueOf(all.routes.size() - asking),
                    routes.count(new Routes.Filter(Set.of(), Set.of(code), Optional.empty(), -1)), "seed " + seed);
        });
        for (int longer = 0; longer < 4; longer++) {
            int than = longer;
            assertEquals(BigInteger.valueOf(all.routes.stream().filter(r -> r.size() - 1 > than).count()),
                    routes.count(new Routes.Filter(Set.of(), Set.of(), Optional.empty(), than)), "seed " + seed);
        }
        for (int shorter = 0; shorter < 5; shorter++) {
            int than = shorter;
            assertEquals(BigInteger.valueOf(all.routes.stream().filter(r -> r.size() - 1 < than).count()),
                    routes.count(new Routes.Filter(Set.of(), Set.of(), Optional.empty(), -1, than)), "seed " + seed);
        }
        if (seed % 5 == 0) {
            groupsAgree(seed, routes, all);
        }
        long inFirst = all.routes.stream().filter(r -> r.getFirst().equals("o0")).count();
        assertEquals(BigInteger.valueOf(inFirst), routes.count(new Routes.Filter(Set.of(), Set.of(), Optional.of("o0"), -1)),
                "seed " + seed);
    }

    /** Routes by outcome: all of them page by page, and a few spread over all. */
    private static void groupsAgree(long seed, Routes routes, Enumeration all) {
        Map<String, Set<List<Object>>> byOutcome = new LinkedHashMap<>();
        for (int from = 0; from < all.routes.size(); from += 3) {
            int shown = 0;
            for (Routes.RouteGroup group : routes.inOrder(Routes.Filter.ALL, BigInteger.valueOf(from), 3)) {
                shown += group.told().size();
                group.told().forEach(r -> byOutcome.computeIfAbsent(group.outcome(), o -> new LinkedHashSet<>())
                        .add(List.copyOf(r.asked())));
            }
            assertEquals(Math.min(3, all.routes.size() - from), shown, "seed " + seed);
        }
        Map<String, Set<List<Object>>> expected = new LinkedHashMap<>();
        all.routes.forEach(r -> expected.computeIfAbsent((String) r.getFirst(), o -> new LinkedHashSet<>())
                .add(List.copyOf(r.subList(1, r.size()))));
        assertEquals(expected, byOutcome, "seed " + seed);
        for (Routes.RouteGroup group : routes.spread(Routes.Filter.ALL, 4)) {
            assertEquals(BigInteger.valueOf(expected.get(group.outcome()).size()), group.count(), "seed " + seed);
            int share = Math.max(1, 4 * expected.get(group.outcome()).size() / all.routes.size());
            assertEquals(Math.min(share, expected.get(group.outcome()).size()), group.told().size(), "seed " + seed);
            group.told().forEach(r -> {
                assertTrue(expected.get(group.outcome()).contains(List.copyOf(r.asked())), "seed " + seed + " " + r);
                assertEquals(List.of(r), routes.list(Routes.Filter.ALL.ending(group.outcome()), r.number(), 1), "seed " + seed);
            });
        }
    }

    /** What was enumerated is what the interview does, on a sample of the endings. */
    private static void interviewAgrees(long seed, Wiring wiring, Enumeration all) {
        int every = Math.max(1, all.endings.size() / 40);
        for (int i = 0; i < all.endings.size(); i += every) {
            Enumeration.Ending ending = all.endings.get(i);
            Course course = Replay.of(wiring, RandomDocument.TODAY, ending.answers(), "").course();
            assertTrue(course.complete(), "seed " + seed + " " + ending + course.current());
            assertEquals(ending.outcome(), course.outcome().orElse(""), "seed " + seed + " " + ending);
            assertEquals(new LinkedHashSet<>(ending.asked()), new LinkedHashSet<>(course.asked()), "seed " + seed + " " + ending);
        }
    }
}
