package orthogon.app.work;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.opening.Openable;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.ListStore;
import orthogon.app.store.ListStore.GoneRow;
import orthogon.app.store.ListStore.ListVersion;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.lists.ListOfRows;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.report.ProofReport;
import org.springframework.stereotype.Component;

/**
 * Brings tables whose rows respondents choose. A table is a questionnaire of its own that takes no respondents: its columns are questions,
 * and each row is a response. Lookups find, disclose and prove rows as they do other records.
 */
@Component
public class BringList {

    private static final String CLOSED = "This is a list to choose from. Nobody answers it.";
    private static final int LONGEST_LABEL = 400;
    private static final int LONGEST_NAME = 200;

    private final DraftStore drafts;
    private final ReleaseStore releases;
    private final InterviewStore interviews;
    private final ResponseStore responses;
    private final ErasureStore erasure;
    private final RecordLinkStore links;
    private final ListStore lists;
    private final Openable openable;
    private final Acts acts;
    private final Clock clock;

    public BringList(DraftStore drafts, ReleaseStore releases, InterviewStore interviews, ResponseStore responses, ErasureStore erasure,
            RecordLinkStore links, ListStore lists, Openable openable, Acts acts, Clock clock) {
        this.drafts = drafts;
        this.releases = releases;
        this.interviews = interviews;
        this.responses = responses;
        this.erasure = erasure;
        this.links = links;
        this.lists = lists;
        this.openable = openable;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Makes a list of a table; all of it, or nothing.
     *
     * @param file name of the file that it came in
     * @param progress is told of each row that is kept, and may end the work
     * @return the code of the list
     * @throws Refused where a row cannot be kept
     */
    public String begin(ListOfRows table, String file, String who, ProgressListener progress) throws Refused {
        String title = ListOfRows.title(file);
        Questionnaire document = table.document(Codes.from(title, "list", drafts::exists), title);
        Proof proof = proof(document);
        List<Interview> rows = rows(table, document);
        acts.noted(who, document.code(), () -> {
            Draft draft = drafts.create(document, who, "brought the list in the file " + name(file));
            Release release = release(draft, proof, who);
            add(release, rows, progress);
            keep(draft, new ExchangedRows(rows.size(), rows.size(), 0, List.of()), file, who);
            return rows.size();
        }, all -> "brought a list of " + all + " rows in the file " + name(file));
        return document.code();
    }

    /** What came of a newer version. */
    private record ExchangedRows(int all, int added, int gone, List<GoneRow> chosen) {}

    /**
     * Replaces the rows of a list by those of a newer table. Rows that are alike stay the records that they are; those that are gone are no
     * longer on offer, and what was chosen of them stays where it was chosen.
     *
     * @throws Refused where a column is missing, a row cannot be kept, or where the list was changed at the same moment
     */
    public void replace(Draft list, ListOfRows table, String file, String who, ProgressListener progress) throws Refused {
        Questionnaire document = table.document(list.document(), today());
        boolean isReleased = openable.release(list.id()).filter(r -> r.document().equals(document)).isPresent();
        Optional<Proof> proof = isReleased ? Optional.empty() : Optional.of(proof(document));
        List<Interview> rows = rows(table, document);
        Optional<ExchangedRows> brought = acts.perhaps(who, list.code(), () -> {
            Optional<Draft> draft = document.equals(list.document()) ? Optional.of(list) : appended(list, document, file, who);
            return draft.map(d -> {
                Release release = proof.map(p -> release(d, p, who)).or(() -> openable.release(d.id())).orElseThrow();
                ExchangedRows done = exchange(d, release, rows, progress);
                keep(d, done, file, who);
                return done;
            });
        }, b -> "brought a newer list in the file " + name(file) + ": " + b.all() + " rows, " + b.added() + " new, " + b.gone() + " gone");
        if (brought.isEmpty()) {
            throw new Refused("Somebody changed the list at the same moment. Look at it, then bring the table again.");
        }
    }

    private Optional<Draft> appended(Draft list, Questionnaire document, String file, String who) {
        try {
            return Optional.of(drafts.append(list, document, "brought the list in the file " + name(file), who));
        } catch (DraftStore.Overtaken e) {
            return Optional.empty();
        }
    }

    private ExchangedRows exchange(Draft list, Release release, List<Interview> rows, ProgressListener progress) {
        Map<Map<String, Object>, Deque<Response>> known = new HashMap<>();
        Set<String> columns = release.document().questions().map(Question::code).collect(Collectors.toSet());
        responses.each(responses.numbers(list.id()))
                .forEach(r -> known.computeIfAbsent(only(columns, r.answers()), a -> new ArrayDeque<>()).add(r));
        List<Interview> further = rows.stream().filter(row -> {
            Deque<Response> alike = known.get(only(columns, row.sent()));
            return alike == null || alike.poll() == null;
        }).toList();
        List<Response> gone = known.values().stream().flatMap(Deque::stream).toList();
        // Nothing personal stays behind of a row that is gone.
        String first = list.document().questions().filter(q -> !q.personal()).map(Question::code).findFirst().orElse("");
        List<GoneRow> chosen = gone.stream().filter(r -> !links.choosing(r.receipt(), 1).isEmpty())
                .map(r -> new GoneRow(r.receipt(), cut(String.valueOf(r.answers().getOrDefault(first, r.receipt())), LONGEST_LABEL), 0))
                .toList();
        erasure.erase(gone.stream().map(Response::interviewId).toList(), List.of());
        add(release, further, progress);
        return new ExchangedRows(rows.size(), further.size(), gone.size(), chosen);
    }

    /** What stands in the columns; what is derived of it makes no other row. */
    private static Map<String, Object> only(Set<String> columns, Map<String, Object> answers) {
        Map<String, Object> only = new HashMap<>(answers);
        only.keySet().retainAll(columns);
        return only;
    }

    private LocalDate today() {
        return LocalDate.now(clock);
    }

    private Proof proof(Questionnaire document) throws Refused {
        Proof proof = Proof.of(document, today(), Limits.USUAL, Watch.NOBODY, openable.of(document));
        List<String> shut = proof.claims().stream().filter(c -> c.blocking() && c.verdict() != Verdict.PROVED)
                .map(c -> proof.words().statement(c)).toList();
        if (!shut.isEmpty()) {
            throw new Refused("The list cannot be released, since this is not proved: " + shut.getFirst() + ". Mend it in Compose first.");
        }
        return proof;
    }

    private Release release(Draft draft, Proof proof, String who) {
        Release release = releases.create(draft,
                new ReleaseStore.Made(ProofReport.json(proof), "Rows of a table.", who, List.of(), List.of(),
                        "", OffsetDateTime.now(clock)));
        releases.stand(release.id(), ReleaseState.CLOSED, CLOSED);
        return release;
    }

    /** Each row as a complete interview. */
    private List<Interview> rows(ListOfRows table, Questionnaire document) throws Refused {
        Interview blank = Interview.start(Wiring.of(document), today(), Map.of());
        List<Interview> rows = new ArrayList<>();
        for (int row = 0; row < table.size(); row++) {
            rows.add(complete(blank, table.answers(row, document, today()), row));
        }
        return rows;
    }

    private static Interview complete(Interview blank, Map<String, Object> answers, int row) throws Refused {
        Interview interview = blank;
        while (interview.course().current().isPresent()) {
            switch (interview.leave(answers)) {
                case Interview.LeaveResult.Held held -> throw new Refused("Row " + (row + 2) + " is not accepted: "
                        + held.problems().getFirst().slot() + ": " + held.problems().getFirst().message());
                // A column that a condition brings in is filled in the next step.
                case Interview.LeaveResult.Appeared appeared -> interview = appeared.interview();
                case Interview.LeaveResult.Passed passed -> interview = passed.interview();
            }
        }
        return interview;
    }

    private void add(Release release, List<Interview> rows, ProgressListener progress) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        int kept = 0;
        for (Interview row : rows) {
            interviews.send(interviews.begin(release, row, now), now);
            progress.at("Keeping the rows", ++kept, rows.size());
        }
    }

    private void keep(Draft list, ExchangedRows brought, String file, String who) {
        int number = 1 + lists.versions(list.id()).stream().mapToInt(ListVersion::number).max().orElse(0);
        lists.add(list.id(), new ListVersion(number, name(file), brought.all(), brought.added(), brought.gone(), who,
                OffsetDateTime.now(clock)), brought.chosen());
    }

    private static String name(String file) {
        return cut(file.replaceFirst("^.*[/\\\\]", ""), LONGEST_NAME);
    }

    private static String cut(String text, int most) {
        return text.length() > most ? text.substring(0, most) : text;
    }
}
