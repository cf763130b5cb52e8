package orthogon.formats.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.formats.stored.JsonAnswers;
import tools.jackson.databind.json.JsonMapper;

/** What {@code orthogon prove} prints. */
public final class ProofReport {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private ProofReport() {}

    /** One line of JSON, without a line feed. */
    public static String json(Proof proof) {
        Figures figures = proof.figures();
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", 1);
        json.put("questionnaire", proof.document().code());
        json.put("asOf", proof.asOf().toString());
        json.put("holdsUntil", proof.holdsUntil().toString());
        json.put("answerPaths", figures.answerPaths().map(Object::toString).orElse(null));
        if (figures.joint()) {
            json.put("countsAre", "joint");
        }
        json.put("routes", figures.routes().map(Object::toString).orElse(null));
        Map<String, Object> byOutcome = new LinkedHashMap<>();
        figures.pathsByOutcome().forEach((outcome, paths) -> byOutcome.put(outcome, paths.toString()));
        json.put("pathsByOutcome", figures.answerPaths().isPresent() ? byOutcome : null);
        json.put("shortestRoute", figures.shortest().orElse(null));
        json.put("longestRoute", figures.longest().orElse(null));
        figures.everyRoute().flatMap(Routes::average).ifPresent(a -> json.put("averageRoute", a.toString()));
        figures.everyRoute().ifPresent(routes -> {
            Map<String, Object> asking = new LinkedHashMap<>();
            routes.asking().forEach((code, n) -> asking.put(code, n.toString()));
            json.put("routesAsking", asking);
        });
        figures.notCounted().ifPresent(why -> json.put("notCounted", proof.words().said(why)));
        ofCase(proof).flatMap(Figures::answerPaths).ifPresent(paths -> json.put("casePaths", paths.toString()));
        json.put("claims", proof.claims().stream().map(c -> claim(proof, c)).toList());
        return MAPPER.writeValueAsString(json);
    }

    private static Map<String, Object> claim(Proof proof, Claim claim) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("claim", claim.kind().word());
        json.put("place", claim.place());
        json.put("verdict", claim.verdict().word());
        json.put("weight", claim.blocking() ? "blocking" : "advisory");
        Finding finding = claim.finding();
        if (claim.verdict() != Verdict.PROVED) {
            json.put("because", proof.words().because(claim));
        }
        claim.follows().ifPresent(f -> json.put("follows", f.text()));
        if (!finding.core().isEmpty()) {
            json.put("core", finding.core());
        }
        finding.witness().ifPresent(w -> json.put("witness", JsonAnswers.of(w)));
        if (!finding.followed().isEmpty()) {
            json.put("followUps", finding.followed().stream().map(ProofReport::followed).toList());
        }
        finding.other().ifPresent(w -> json.put("otherWitness", JsonAnswers.of(w)));
        finding.mend().ifPresent(m -> json.put("mend", Map.of("words", proof.words().order(m), "place", m.place(), "text", m.text())));
        return json;
    }

    private static Map<String, Object> followed(FollowedUp followed) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("followUp", followed.path());
        json.put("state", followed.state());
        if (!followed.decision().isEmpty()) {
            json.put("decision", followed.decision());
        }
        if (!followed.answers().isEmpty()) {
            json.put("answers", JsonAnswers.of(followed.answers()));
        }
        return json;
    }

    private static Optional<Figures> ofCase(Proof proof) {
        return proof.caseFigures(Watch.NOBODY);
    }

    /** What becomes of a follow-up, as {@code handover: decided, accepted, {vehicle=van}}. */
    private static String told(FollowedUp followed) {
        return followed.path() + ": " + followed.state() + (followed.decision().isEmpty() ? "" : ", " + followed.decision())
                + (followed.answers().isEmpty() ? "" : ", " + followed.answers());
    }

    /** For people, refuted first, advisory last. */
    public static String text(Proof proof) {
        Figures figures = proof.figures();
        StringBuilder text = new StringBuilder();
        text.append(proof.document().title()).append(" (").append(proof.document().code()).append("), as of ").append(proof.asOf())
                .append(proof.holdsUntil().equals(proof.asOf()) ? "" : ", and the same until " + proof.holdsUntil()).append('\n');
        text.append("claims: ").append(proof.count(Verdict.PROVED)).append(" proved, ").append(proof.count(Verdict.REFUTED))
                .append(" refuted, ").append(proof.count(Verdict.UNDECIDED)).append(" undecided");
        text.append(proof.advice() == 0 ? "" : "; " + proof.advice() + " advisory").append('\n');
        boolean all = figures.answerPaths().isPresent() && figures.routes().isPresent();
        text.append("answer paths: ").append(figures.answerPaths().map(Object::toString).orElse("not counted"))
                .append(all ? " in " : "; routes: ").append(figures.routes().map(Object::toString).orElse("not counted"))
                .append(!all ? "" : figures.routes().filter(java.math.BigInteger.ONE::equals).isPresent() ? " route" : " routes");
        figures.shortest().ifPresent(s -> text.append(" of ").append(s.equals(figures.longest().orElse(s)) ? "" : s + " to ")
                .append(figures.longest().orElse(s)).append(figures.longest().orElse(s) == 1 ? " question" : " questions"));
        figures.everyRoute().flatMap(Routes::average).ifPresent(a -> text.append(", ").append(a).append(" on average"));
        figures.notCounted().ifPresent(why -> text.append(" (").append(proof.words().said(why)).append(')'));
        text.append('\n');
        ofCase(proof).ifPresent(f -> text.append("ways through a whole case: ")
                .append(f.answerPaths().map(Object::toString).orElse("not counted")).append('\n'));
        List<Claim> open = new ArrayList<>(proof.claims().stream().filter(c -> c.verdict() != Verdict.PROVED).toList());
        open.sort(Comparator.comparing((Claim c) -> !c.blocking()).thenComparing(c -> c.verdict() != Verdict.REFUTED)
                .thenComparing(c -> c.follows().isPresent()));
        for (Claim claim : open) {
            if (claim.follows().isPresent()) {
                // Told with its cause.
                continue;
            }
            text.append('\n').append(claim.verdict().word()).append(claim.blocking() ? "  " : " (advisory)  ").append(claim.id())
                    .append('\n');
            text.append("  ").append(proof.words().because(claim)).append('\n');
            claim.finding().witness().ifPresent(w -> text.append("  respondent: ").append(w.isEmpty() ? "leaves everything blank" : w)
                    .append('\n'));
            claim.finding().followed().forEach(f -> text.append("  ").append(told(f)).append('\n'));
            claim.finding().other().ifPresent(w -> text.append("  and: ").append(w).append('\n'));
            claim.finding().mend().ifPresent(m -> text.append("  fix: ").append(proof.words().order(m)).append('\n'));
            List<String> consequences = open.stream().filter(c -> c.follows().filter(claim.identity()::equals).isPresent()).map(Claim::id)
                    .toList();
            if (!consequences.isEmpty()) {
                text.append("  follows from it: ").append(String.join(", ", consequences)).append('\n');
            }
        }
        return text.toString();
    }
}
