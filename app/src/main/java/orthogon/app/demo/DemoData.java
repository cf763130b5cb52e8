package orthogon.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import orthogon.app.storage.DraftStore;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.storage.InterviewStore;
import orthogon.app.storage.InterviewStore.Running;
import orthogon.app.storage.ReleaseStore;
import orthogon.app.storage.ReleaseStore.Release;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.UnusableFile;
import orthogon.formats.report.ProofReport;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** Fills an empty database once, when {@code orthogon.demo} is true, before anybody can ask for a page. */
@Component
@ConditionalOnProperty(name = "orthogon.demo", havingValue = "true")
class DemoData implements SmartInitializingSingleton {

    private static final int RESPONSES = 40;

    private final DraftStore drafts;
    private final ReleaseStore releases;
    private final InterviewStore interviews;

    DemoData(DraftStore drafts, ReleaseStore releases, InterviewStore interviews) {
        this.drafts = drafts;
        this.releases = releases;
        this.interviews = interviews;
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (!drafts.all().isEmpty()) {
            return;
        }
        drafts.create(document("bat_count"), "jory", "began the winter bat count");
        Draft intake = drafts.create(document("found_animal"), "ines", "began the intake");
        Proof proof = Proof.of(intake.document(), LocalDate.now());
        Release release = releases.create(intake, ProofReport.json(proof), "First release: finders answer from the website.", "ines");
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
            boolean givesUp = random.nextInt(12) == 0;
            for (int tries = 0; tries < 200 && interview.course().current().isPresent(); tries++) {
                Course.PageView page = interview.course().current().get();
                Map<String, Object> given = new HashMap<>();
                // One after the other, since an answer may decide which options the next question offers.
                for (Question q : page.page().questions().toList()) {
                    Course.PageView now = interview.keep(given).course().current().orElseThrow();
                    given.put(q.code(), answer(q, now, random, at.toLocalDate()));
                }
                Interview.Step step = interview.leave(given);
                interview = step.interview();
                interviews.keep(running.id(), interview, step instanceof Interview.Step.Passed
                        ? Optional.of(page.page().code())
                        : Optional.empty());
                if (givesUp && random.nextInt(3) == 0) {
                    break;
                }
            }
            if (interview.course().complete()) {
                interviews.send(new Running(running.id(), release, interview, at, Optional.empty()), at);
                sent++;
            }
        }
    }

    private static Object answer(Question q, Course.PageView page, Random random, LocalDate today) {
        List<Answer.Option> offered = page.shown(q.code()).map(Course.Shown::offered).orElse(q.answer().options());
        return switch (q.answer()) {
            case Answer.YesNo y -> random.nextInt(100) < (q.code().equals("alive") ? 88 : 42);
            case Answer.OneChoice c -> offered.isEmpty() ? null : offered.get(random.nextInt(offered.size())).code();
            case Answer.ManyChoices c -> several(offered, random);
            case Answer.Numeric n -> {
                int least = n.least() == null ? 0 : n.least().intValue();
                int most = Math.min(n.most() == null ? 20 : n.most().intValue(), least + 6);
                yield BigDecimal.valueOf(least + random.nextInt(Math.max(1, most - least + 1)));
            }
            case Answer.DateAnswer d -> today.minusDays(random.nextInt(3));
            case Answer.Text t -> text(q.code(), t, random);
        };
    }

    private static Object several(List<Answer.Option> offered, Random random) {
        List<Answer.Option> alone = offered.stream().filter(Answer.Option::exclusive).toList();
        if (!alone.isEmpty() && random.nextInt(5) == 0) {
            return List.of(alone.getFirst().code());
        }
        List<String> chosen = new ArrayList<>();
        offered.stream().filter(o -> !o.exclusive() && random.nextInt(3) == 0).forEach(o -> chosen.add(o.code()));
        return chosen.isEmpty() ? null : chosen.subList(0, Math.min(chosen.size(), 3));
    }

    private static final Map<String, List<String>> TEXTS = Map.of("finder",
            List.of("Wenna Tregle", "Orrin Salt", "Maud Haskell", "Pelham Rook", "Ida Fenwright", "Tobin Marl"), "phone",
            List.of("01632 960 118", "01632 960 204", "01632 960 377", "01632 960 451"), "where_found",
            List.of("Mill lane, by the weir", "Alder wood car park", "Quillmere harbour wall", "Under the old viaduct",
                    "Garden, Heron Row 4"));

    private static Object text(String code, Answer.Text t, Random random) {
        List<String> known = TEXTS.get(code);
        if (known == null) {
            return random.nextInt(3) == 0 ? "It sat very still." : null;
        }
        String text = known.get(random.nextInt(known.size()));
        return t.most() != null && text.length() > t.most() ? text.substring(0, t.most()) : text;
    }
}
