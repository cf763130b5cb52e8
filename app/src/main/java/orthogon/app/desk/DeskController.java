package orthogon.app.desk;

import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.background.Result;
import orthogon.app.background.Work;
import orthogon.app.background.Works;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Proofs;
import orthogon.app.cases.Waiting;
import orthogon.app.cases.Waiting.WaitingLine;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.SettingStore;
import orthogon.app.store.SignOffStore;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.app.work.BeginQuestionnaire;
import orthogon.app.work.BringList;
import orthogon.app.work.RemoveQuestionnaire;
import orthogon.core.lists.ListOfRows;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseState;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.DocumentWriter;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.TableReader;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

@Controller
class DeskController {

    /** One questionnaire on the Desk. */
    record DeskRow(String code, String title, int revision, OffsetDateTime at, int pages, long questions, String sign, String proof,
            String languages, String release, int thisWeek, boolean archived, boolean needsSignature) {

        public String when() {
            return Frame.when(at);
        }
    }

    private static final Map<String, Comparator<DeskRow>> ORDERS = Map.of("edit", Comparator.comparing(DeskRow::at).reversed(), "title",
            Comparator.comparing(r -> r.title().toLowerCase(java.util.Locale.ROOT)), "code", Comparator.comparing(DeskRow::code), "proof",
            Comparator.comparing(r -> List.of("refuted", "undecided", "unchecked", "proved").indexOf(r.sign())), "responses",
            Comparator.comparing(DeskRow::thisWeek).reversed());

    /** What a removal takes away. */
    record Removal(String code, String title, int revisions, int releases, int interviews, int responses) {}

    /** Responses that somebody is in charge of and that are not done yet. */
    record ChargeLine(String code, String title, int count) {}

    /** The questionnaires that are listed, and what new ones begin with. */
    record DeskView(List<DeskRow> rows, List<DeskRow> waiting, List<ChargeLine> charges, List<WaitingLine> dues,
            Map<String, String> stateLabels, String sort,
            boolean archived, int archivedCount,
            List<Questionnaire> starters, String wanted, boolean signNeeded) {}

    private final DraftStore drafts;
    private final KnownReleases releases;
    private final InterviewStore interviews;
    private final Proofs proofs;
    private final Frame frame;
    private final Starters starters;
    private final SignOffStore signOffs;
    private final RemoveQuestionnaire removals;
    private final BeginQuestionnaire beginning;
    private final People people;
    private final Works works;
    private final Acts acts;
    private final ResponseStore responses;
    private final SettingStore settings;
    private final Waiting dues;
    private final BringList bringing;

    DeskController(DraftStore drafts, KnownReleases releases, InterviewStore interviews, Proofs proofs, Frame frame, Starters starters,
            SignOffStore signOffs, RemoveQuestionnaire removals, BeginQuestionnaire beginning, Works works, People people, Acts acts,
            ResponseStore responses, SettingStore settings, Waiting dues, BringList bringing) {
        this.bringing = bringing;
        this.dues = dues;
        this.responses = responses;
        this.settings = settings;
        this.acts = acts;
        this.people = people;
        this.beginning = beginning;
        this.works = works;
        this.removals = removals;
        this.signOffs = signOffs;
        this.drafts = drafts;
        this.releases = releases;
        this.interviews = interviews;
        this.proofs = proofs;
        this.frame = frame;
        this.starters = starters;
    }

    @GetMapping("/")
    String desk(@RequestParam(defaultValue = "") String starter, @RequestParam(defaultValue = "edit") String sort,
            @RequestParam(defaultValue = "false") boolean archived, Authentication who, Model model) {
        Set<String> away = drafts.archived();
        List<DeskRow> all = drafts.all().stream().filter(d -> people.mayIn(who, d.code(), "LOOK")).map(d -> row(d, away.contains(d.code())))
                .sorted(ORDERS.getOrDefault(sort, ORDERS.get("edit"))).toList();
        Views.show(model,
                new DeskView(all.stream().filter(r -> r.archived() == archived).toList(),
                        all.stream().filter(r -> !r.archived() && r.needsSignature()).toList(), charges(who.getName()),
                        dues.of(who.getName()),
                        ResponseState.labels(settings.text(SettingStore.RESPONSE_STATES)), ORDERS.containsKey(sort) ? sort : "edit",
                        archived, away.size(), starters.about(starter), starter, signOffs.isNeeded()));
        return "desk";
    }

    private List<ChargeLine> charges(String account) {
        Map<Long, Integer> counts = responses.inCharge(account);
        return counts.entrySet().stream().map(c -> {
            Draft draft = drafts.head(drafts.code(c.getKey())).orElseThrow();
            return new ChargeLine(draft.code(), draft.document().title(), c.getValue());
        }).filter(c -> people.may(account, Act.READ_RESPONSES, c.code())).toList();
    }

    /** What a removal would take away, before it happens. */
    @GetMapping("/q/{code}/remove")
    String removal(@PathVariable String code, Model model) {
        return removal(frame.draft(code), "", model);
    }

    private String removal(Draft draft, String wrong, Model model) {
        List<ReleaseStore.Release> all = releases.of(draft.id());
        List<InterviewStore.ResponseTally> tallies = all.stream().map(r -> interviews.tally(r.id())).toList();
        model.addAttribute("removal", new Removal(draft.code(), draft.document().title(), draft.revision(), all.size(),
                tallies.stream().mapToInt(InterviewStore.ResponseTally::begun).sum(),
                tallies.stream().mapToInt(InterviewStore.ResponseTally::sent).sum()));
        model.addAttribute("wrong", wrong);
        return "removal";
    }

    @PostMapping("/desk/{code}/remove")
    String remove(@PathVariable String code, @RequestParam(defaultValue = "") String typed, Principal who, Model model,
            HttpServletResponse response) {
        Draft draft = frame.draft(code);
        if (!typed.strip().equals(code)) {
            response.setStatus(422);
            return removal(draft, "Type the code " + code + " to remove the questionnaire.", model);
        }
        removals.remove(draft, who.getName());
        return "redirect:/";
    }

    @PostMapping("/desk/{code}/archive")
    String archive(@PathVariable String code, @RequestParam(defaultValue = "false") boolean archived, Principal who) {
        removals.archive(frame.draft(code), archived, who.getName());
        return "redirect:/" + (archived ? "" : "?archived=true");
    }

    private DeskRow row(Draft draft, boolean archived) {
        Optional<Proof> proof = proofs.ready(draft);
        long refuted = proof.map(p -> p.count(Verdict.REFUTED)).orElse(0L);
        long undecided = proof.map(p -> p.count(Verdict.UNDECIDED)).orElse(0L);
        String sign = proof.isEmpty() ? "unchecked" : refuted > 0 ? "refuted" : undecided > 0 ? "undecided" : "proved";
        String words = proof.isEmpty()
                ? "being proved"
                : refuted > 0
                        ? refuted + " refuted"
                        : undecided > 0
                                ? undecided + " undecided"
                                : proof.get().count(Verdict.PROVED) + " proved";
        List<ReleaseStore.Release> all = releases.of(draft.id());
        boolean released = !all.isEmpty() && all.getFirst().revision() == draft.revision();
        return new DeskRow(draft.code(), draft.document().title(), draft.revision(), draft.at(), draft.document().pages().size(),
                draft.document().questions().count(), sign, words, String.join(", ", draft.document().languages()),
                all.isEmpty() ? "none yet" : "release " + all.getFirst().number(),
                interviews.count(draft.id(), OffsetDateTime.now().minusDays(7)), archived,
                signOffs.isNeeded() && sign.equals("proved") && !released && signOffs.of(draft.id(), draft.revision()).isEmpty());
    }

    @PostMapping("/new")
    String blank(@RequestParam String title, Principal who, Model model, HttpServletResponse response) {
        if (title.isBlank() || title.trim().length() > 200) {
            return refused("Give the questionnaire a title of at most 200 characters.", model, response);
        }
        String code = Codes.from(title, "questionnaire", drafts::exists);
        beginning.begin(Questionnaire.blank(code, title.trim()), who.getName(), "began a blank questionnaire");
        return "redirect:/q/" + code + "/compose";
    }

    @PostMapping("/starter")
    String starter(@RequestParam String starter, Principal who, Model model, HttpServletResponse response) {
        Optional<Questionnaire> chosen = starters.get(starter);
        if (chosen.isEmpty()) {
            return refused("There is no starter " + starter + ".", model, response);
        }
        String code = Codes.fresh(starter, drafts::exists);
        beginning.begin(chosen.get().withCode(code), who.getName(), "began with the starter " + chosen.get().title());
        return "redirect:/q/" + code + "/compose";
    }

    @PostMapping("/open")
    String open(@RequestParam MultipartFile file, Principal who, Model model, HttpServletResponse response) throws IOException {
        byte[] content = file.getBytes();
        String name = String.valueOf(file.getOriginalFilename());
        Work work = works.begin((TableReader.isTable(name) ? "The list in “" : "The questionnaire in “") + name + "”", "/", who.getName(),
                progress -> opened(content, name, who.getName(), progress));
        return switch (works.soon(work).orElse(null)) {
            case Result.Address address -> "redirect:" + address.to();
            case Result.Refusal refusal -> {
                model.addAttribute("faults", refusal.faults());
                yield refused(refusal.message(), model, response);
            }
            case null, default -> "redirect:" + Works.address(work);
        };
    }

    private Result opened(byte[] content, String name, String who, ProgressListener progress) {
        try {
            progress.at("Reading the file", 0, 0);
            if (TableReader.isTable(name)) {
                ListOfRows table = new ListOfRows(TableReader.read(name, content, progress));
                return new Result.Address("/q/" + bringing.begin(table, name, who, progress) + "/responses");
            }
            Questionnaire document = DocumentReader.read(content);
            List<Result.ResultFault> leading = new ArrayList<>();
            for (int i = 0; i < document.outcomes().size(); i++) {
                Questionnaire.Outcome outcome = document.outcomes().get(i);
                if (!outcome.redirect().isEmpty() && !outcome.leadsOn()) {
                    leading.add(new Result.ResultFault("/outcomes/" + i + "/redirect",
                            "respondents can be led on to a web address only; write it like https://example.org/page"));
                }
            }
            if (!leading.isEmpty()) {
                return new Result.Refusal("“" + name + "” leads respondents where no browser should go. Fix what is listed and open it "
                        + "again.", leading);
            }
            progress.at("Keeping the questionnaire", 0, 0);
            String code = Codes.fresh(document.code(), drafts::exists);
            beginning.begin(document.withCode(code), who, "opened the file " + name);
            return new Result.Address("/q/" + code + "/compose");
        } catch (TableReader.UnreadableTable | Refused e) {
            return new Result.Refusal("“" + name + "” cannot be used as a list. " + e.getMessage(), List.of());
        } catch (UnusableFile e) {
            return new Result.Refusal("“" + name + "” cannot be used as a questionnaire. Fix what is listed and open it again.",
                    e.faults().stream().map(f -> new Result.ResultFault(f.pointer(), f.message())).toList());
        }
    }

    private String refused(String message, Model model, HttpServletResponse response) {
        response.setStatus(422);
        model.addAttribute("message", message);
        return desk("", "edit", false, SecurityContextHolder.getContext().getAuthentication(), model);
    }

    @GetMapping("/q/{code}/file")
    ResponseEntity<String> file(@PathVariable String code, Principal who) {
        Draft draft = frame.draft(code);
        acts.saved(who.getName(), code, "revision " + draft.revision() + " as a file");
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + draft.code() + ".orthogon.json\"")
                .body(DocumentWriter.write(draft.document()));
    }
}
