package orthogon.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.report.ProofReport;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Fills an empty database once, when {@code orthogon.demo} is true, before anybody can ask for a page. */
@Component
@ConditionalOnProperty(name = "orthogon.demo", havingValue = "true")
class DemoData implements SmartInitializingSingleton {

    private static final int RESPONSES = 40;
    private static final OrdinaryAnswers ORDINARY = new OrdinaryAnswers(Map.of("where_found", List.of("Mill lane, by the weir",
            "Alder wood car park", "Quillmere harbour wall", "Under the old viaduct", "Garden, Heron Row 4"), "map_reference",
            List.of("QM4417", "QM2208", "QM7754")), Map.of("alive", 90));

    private final DraftStore drafts;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final TransactionTemplate together;
    private final DemoPeople people;

    DemoData(DraftStore drafts, ReleaseStore releases, InterviewStore interviews, DemoPeople people,
            PlatformTransactionManager transactions) {
        this.together = new TransactionTemplate(transactions);
        this.people = people;
        this.drafts = drafts;
        this.releases = releases;
        this.interviews = interviews;
    }

    @Override
    public void afterSingletonsInstantiated() {
        people.come();
        if (!drafts.all().isEmpty()) {
            return;
        }
        drafts.create(document("bat_count"), "jory", "began the winter bat count");
        drafts.create(document("foster_home"), "jory", "began the foster home screening");
        Draft intake = drafts.create(document("found_animal"), "ines", "began the intake");
        Proof proof = Proof.of(intake.document(), LocalDate.now());
        Release release = releases.create(intake, new ReleaseStore.Made(ProofReport.json(proof),
                "First release: finders answer from the website.", "ines", intake.document().languages(), List.of(), "",
                OffsetDateTime.now()));
        respond(release);
    }

    private static Questionnaire document(String name) {
        try {
            return DocumentReader.read(new ClassPathResource("demo/" + name + ".orthogon.json").getContentAsByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (UnusableFile e) {
            throw new IllegalStateException("demo/" + name + ": " + e.getMessage(), e);
        }
    }

    private void respond(Release release) {
        Random random = new Random(20261123);
        for (int sent = 0; sent < RESPONSES;) {
            OffsetDateTime at = OffsetDateTime.now().minusDays(random.nextInt(30)).minusMinutes(random.nextInt(900));
            Interview interview = Interview.start(release.wiring(), at.toLocalDate(), Map.of());
            Running running = interviews.begin(release, interview, at);
            int kept = 0;
            boolean givesUp = random.nextInt(12) == 0;
            for (int tries = 0; tries < 200 && interview.course().current().isPresent(); tries++) {
                Course.PageView page = interview.course().current().get();
                Map<String, Object> given = ORDINARY.page(interview, random);
                Interview.LeaveResult step = interview.leave(given);
                interview = step.interview();
                interviews.keep(new Running(running.id(), release, interview, at, Optional.empty(), 0, kept++), interview,
                        step instanceof Interview.LeaveResult.Passed
                                ? Optional.of(page.page().code())
                                : Optional.empty());
                if (givesUp && random.nextInt(3) == 0) {
                    break;
                }
            }
            if (interview.course().complete()) {
                Running complete = running.with(interview);
                together.executeWithoutResult(status -> interviews.send(complete, at));
                sent++;
            }
        }
    }
}
