package orthogon.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.stream.IntStream;
import java.time.Duration;
import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.records.Registers;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.RefusalStore;
import orthogon.app.store.WaiverStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseNoteStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.sending.SendMessages;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.app.opening.Openable;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.report.ProofReport;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Fills an empty database once, when {@code orthogon.demo} is true, before anybody can ask for a page. */
@Component
@ConditionalOnProperty(name = "orthogon.demo", havingValue = "true")
class DemoData implements SmartInitializingSingleton {

    /** What was sent within this time stands in the mailbox. */
    private static final Duration MAIL_KEPT = Duration.ofHours(24);
    private static final int MOST_TRIES = 200;
    /** How many people drive for the station. */
    private static final int DRIVERS = 24;
    private static final String MAY_BE_READ = "Everybody who drives agreed that finders read this much.";
    /** Most people answer in the source language. */
    private static final List<String> LANGUAGES = List.of("en", "en", "en", "en", "en", "en", "fr", "ar", "pl");
    private static final List<String> NOTES = List.of("Rang back: the box is ready by the door.",
            "The ranger asks for a picture of the wing.", "Nobody answered; try again after five.", "A driver is on the way.");
    private static final OrdinaryAnswers ORDINARY = new OrdinaryAnswers(Map.of("where_found", List.of("Mill lane, by the weir",
            "Alder wood car park", "Quillmere harbour wall", "Under the old viaduct", "Garden, Heron Row 4"), "map_reference",
            List.of("QM4417", "QM2208", "QM7754")), Map.of("alive", 90));

    private final DraftStore drafts;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final ResponseStore responses;
    private final ResponseNoteStore notes;
    private final RefusalStore refusals;
    private final SendMessages messages;
    private final TransactionTemplate together;
    private final DemoPeople people;
    private final Openable openable;
    private final DemoCases cases;
    private final Registers registers;
    private final WaiverStore waivers;
    /** How many responses the intake has. */
    private final int responding;

    DemoData(DraftStore drafts, ReleaseStore releases, InterviewStore interviews, ResponseStore responses,
            ResponseNoteStore notes, RefusalStore refusals, SendMessages messages, DemoPeople people, Openable openable, DemoCases cases,
            Registers registers, WaiverStore waivers,
            PlatformTransactionManager transactions,
            @Value("${orthogon.demo-responses:400}") int responding) {
        this.responding = responding;
        this.registers = registers;
        this.waivers = waivers;
        this.openable = openable;
        this.cases = cases;
        this.messages = messages;
        this.responses = responses;
        this.refusals = refusals;
        this.notes = notes;
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
        drafts.create(document("roost_recount"), "jory", "began the roost recount");
        release(drafts.create(document("foster_visit"), "jory", "began the foster home visit"), "First release: staff answer it.");
        answer(release(drafts.create(document("driver_register"), "ines", "began the driver register"),
                "First release: whoever drives for the station answers it."), DRIVERS);
        release(drafts.create(document("transport_handover"), "ines", "began the hand-over"),
                "First release: finders and drivers answer it.");
        release(drafts.create(document("nest_check"), "ines", "began the nest check"), "First release: finders answer it later.");
        Draft intake = drafts.create(document("found_animal"), "ines", "began the intake");
        respond(release(intake, "First release: finders answer from the website."));
        together.executeWithoutResult(status -> cases.go(ORDINARY.among(registers::some), new Random(20261124)));
    }

    private Release release(Draft draft, String notes) {
        Proof proof = Proof.of(draft.document(), LocalDate.now(), Limits.USUAL, Watch.NOBODY, openable.of(draft.document()));
        List<String> waived = new ArrayList<>();
        proof.claims().stream().filter(c -> c.kind() == ClaimKind.LOOKUP_DISCLOSES).forEach(c -> {
            waivers.save(draft.id(), c.kind().word(), c.place(), MAY_BE_READ, draft.revision(), "ines", OffsetDateTime.now());
            waived.add(proof.words().statement(c) + " – waived by ines: " + MAY_BE_READ);
        });
        return releases.create(draft, new ReleaseStore.Made(ProofReport.json(proof), notes, "ines", draft.document().languages(), waived,
                "", OffsetDateTime.now()));
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

    /** Interviews of as many people, who all send them. */
    private void answer(Release release, int people) {
        Random random = new Random(20261125);
        for (int i = 0; i < people;) {
            OffsetDateTime at = OffsetDateTime.now().minusDays(60L - i).minusMinutes(random.nextInt(24 * 60));
            boolean sent = Boolean.TRUE.equals(together.execute(s -> answered(release, "en", at, Integer.MAX_VALUE, random).isPresent()));
            i += sent ? 1 : 0;
        }
    }

    /** Interviews over the last thirty days, some left on each page. Who is long done with is marked so. */
    private void respond(Release release) {
        Random random = new Random(20261123);
        List<Integer> minutesAgo = new ArrayList<>(
                IntStream.range(0, responding).mapToObj(i -> 30 + random.nextInt(30 * 24 * 60)).toList());
        minutesAgo.sort(Comparator.reverseOrder());
        int pages = release.document().pages().size();
        for (int i = 0; i < responding;) {
            OffsetDateTime at = OffsetDateTime.now().minusMinutes(minutesAgo.get(i));
            // One in six leaves, each page in turn.
            int leaves = random.nextInt(6) == 0 ? random.nextInt(pages) : Integer.MAX_VALUE;
            String language = pick(random, LANGUAGES);
            boolean sent = Boolean.TRUE.equals(together.execute(status -> {
                Optional<String> receipt = answered(release, language, at, leaves, random);
                receipt.ifPresent(r -> work(release.questionnaireId(), r, at, random));
                return receipt.isPresent();
            }));
            i += sent ? 1 : 0;
        }
    }

    /**
     * Answers an interview page by page.
     *
     * @param leaves number of the page on which the respondent leaves
     * @return the receipt; empty where it was left
     */
    private Optional<String> answered(Release release, String language, OffsetDateTime at, int leaves, Random random) {
        Interview interview = Interview.start(release.wiring(language), at.toLocalDate(), link(release, random));
        Running running = interviews.begin(release, interview, at);
        OffsetDateTime moment = at;
        int kept = 0;
        int left = 0;
        for (int tries = 0; tries < MOST_TRIES && interview.course().current().isPresent() && left < leaves; tries++) {
            Course.PageView page = interview.course().current().get();
            Interview.LeaveResult step = interview.leave(ORDINARY.page(interview, random));
            interview = step.interview();
            if (step instanceof Interview.LeaveResult.Held held) {
                held.problems().forEach(p -> refusals.count(release.id(), Slots.code(p.slot()), p.kind()));
            }
            boolean passed = step instanceof Interview.LeaveResult.Passed;
            left += passed ? 1 : 0;
            moment = moment.plusSeconds(20 + random.nextInt(100));
            interviews.keep(new Running(running.id(), release, interview, at, Optional.empty(), 0, kept++), interview,
                    passed ? Optional.of(page.page().code()) : Optional.empty(), moment);
        }
        if (!interview.course().complete()) {
            return Optional.empty();
        }
        Running complete = running.with(interview);
        String receipt = interviews.send(complete, moment);
        cases.opened(complete.id(), moment);
        if (moment.isAfter(OffsetDateTime.now().minus(MAIL_KEPT))) {
            messages.of(complete);
        }
        return Optional.of(receipt);
    }

    /** Two of three links say where they were handed out. */
    private static Map<String, String> link(Release release, Random random) {
        Map<String, String> link = new LinkedHashMap<>();
        release.document().linkParameters().stream().filter(p -> !p.allowed().isEmpty() && random.nextInt(3) > 0)
                .forEach(p -> link.put(p.code(), pick(random, p.allowed())));
        return link;
    }

    private void work(long questionnaire, String receipt, OffsetDateTime at, Random random) {
        long days = Duration.between(at, OffsetDateTime.now()).toDays();
        String state = days > 6
                ? "done"
                : days > 2
                        ? pick(random, List.of("done", "in_work", "in_work", "seen"))
                        : days > 0
                                ? pick(random, List.of("seen", "in_work", "new"))
                                : "new";
        if (!state.equals("new")) {
            responses.setState(questionnaire, List.of(receipt), state);
            responses.putInCharge(questionnaire, List.of(receipt), state.equals("seen") ? "" : pick(random, List.of("ines", "jory")));
        }
        if (state.equals("in_work") && random.nextBoolean()) {
            notes.add(responses.find(questionnaire, receipt).orElseThrow().number(), pick(random, List.of("ines", "jory")),
                    pick(random, NOTES), at.plusHours(3));
        }
    }

    private static <T> T pick(Random random, List<T> of) {
        return of.get(random.nextInt(of.size()));
    }
}
