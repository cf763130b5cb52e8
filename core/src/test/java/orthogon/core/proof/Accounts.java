package orthogon.core.proof;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.TreeMap;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Finding;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Goal;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;

/** What Orthogon says of documents, word by word, to be laid beside an approved text. */
final class Accounts {

    private static final LocalDate DAY = LocalDate.of(2026, 11, 2);

    private final StringBuilder words = new StringBuilder();

    Accounts figures(Questionnaire document) {
        Proof proof = Proof.of(document, DAY);
        Figures figures = proof.figures();
        words.append("## Figures of ").append(document.title()).append('\n');
        line("paths " + figures.answerPaths() + " " + figures.pathsByOutcome() + (figures.joint() ? " joint" : ""));
        line("not counted " + figures.notCounted().map(proof.words()::said));
        line("reading " + figures.reading());
        figures.everyRoute().ifPresent(routes -> {
            line(routes.count() + " routes, " + routes.shortest() + " to " + routes.longest() + ", " + routes.average());
            line("asking " + routes.asking());
            for (Routes.RouteGroup group : routes.spread(Routes.Filter.ALL, 12)) {
                line(group.outcome() + ": " + group.count() + " from " + group.first());
                group.told().forEach(r -> line(r.number() + " " + r.asked() + " " + routes.lane(r)));
            }
        });
        return this;
    }

    Accounts drills(Questionnaire document) {
        words.append("## Drills of ").append(document.title()).append('\n');
        try {
            Drills drills = Drills.of(document, DAY, Limits.USUAL, Watch.NOBODY);
            line(drills.drills().size() + " drills, at least " + drills.atLeast() + ", greedy " + drills.greedy());
            line("goals " + drills.goals().stream().map(Goal::words).toList());
            for (Drill drill : drills.drills()) {
                line("drill " + new TreeMap<>(drill.answers()) + " ends " + drill.outcome());
                drill.steps().forEach(s -> {
                    line("page " + s.page() + " asks " + s.asked());
                    s.attempts().forEach(a -> line("try " + a.instead() + ": " + a.refused() + ", " + a.covers().words()));
                });
                line("covers " + drill.covers().stream().map(Goal::words).toList());
                assertEquals(List.of(), Rerun.differences(Wiring.of(document), DAY, drill));
            }
        } catch (Drills.NotPossible e) {
            line("none: " + e.getMessage());
        }
        return this;
    }

    Accounts change(Questionnaire before, Questionnaire after) {
        Change change = Change.between(before, after, DAY, Limits.USUAL, Watch.NOBODY);
        words.append("## Change of ").append(before.title()).append(change.isOfTextsOnly() ? ", texts only" : "").append('\n');
        line(change.toString().replace("Difference[", "\n    Difference["));
        return this;
    }

    Accounts account(Questionnaire document) {
        Proof proof = Proof.of(document, DAY);
        words.append("# ").append(document.title()).append(": ").append(proof.count(Verdict.PROVED)).append(" proved, ")
                .append(proof.count(Verdict.REFUTED)).append(" refuted, ").append(proof.count(Verdict.UNDECIDED)).append(" undecided, ")
                .append(proof.advice()).append(" advisory, until ").append(proof.holdsUntil()).append('\n');
        for (Claim claim : proof.claims()) {
            Finding finding = claim.finding();
            words.append(claim).append(claim.blocking() ? "" : ", advisory").append(claim.follows().map(f -> ", follows " + f).orElse(""))
                    .append(" (").append(claim.family().title()).append(": ").append(claim.family().says()).append(")\n    ")
                    .append(proof.words().statement(claim)).append("\n    ").append(proof.words().headline(claim)).append('\n');
            line(proof.words().details(claim));
            line(String.join(", ", finding.core()));
            line(finding.witness().map(w -> "who: " + new TreeMap<>(w)).orElse(""));
            line(finding.other().map(w -> "and: " + new TreeMap<>(w)).orElse(""));
            line(finding.mend().map(m -> "fix: " + proof.words().order(m) + " | " + m.place() + " | " + m.text()).orElse(""));
        }
        return this;
    }

    private void line(String text) {
        if (!text.isEmpty()) {
            words.append("    ").append(text).append('\n');
        }
    }

    /** The words are those of an approved text; what they are now is written beside the classes, to be read and put in its place. */
    void areAsApproved(String about) throws IOException {
        String name = "words/" + about + ".txt";
        Path written = Path.of("target", name);
        Files.createDirectories(written.getParent());
        Files.writeString(written, words);
        try (InputStream approved = Objects.requireNonNull(Accounts.class.getResourceAsStream(name), name)) {
            List<String> expected = new String(approved.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
            List<String> actual = words.toString().lines().toList();
            for (int i = 0; i < Math.min(expected.size(), actual.size()); i++) {
                assertEquals(expected.get(i), actual.get(i), "line " + (i + 1));
            }
            assertEquals(expected.size(), actual.size());
        }
    }
}
