package orthogon.app.languages;

import orthogon.app.background.Result;
import orthogon.app.background.Work;
import orthogon.app.background.Works;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.core.edit.ImportTexts;
import orthogon.core.edit.Translate;
import orthogon.core.language.Incoming;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.translation.TextRow;
import orthogon.formats.translation.TextTable;
import orthogon.formats.translation.UnreadableTexts;
import orthogon.formats.translation.XliffFile;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Texts out to translators, and what comes back, looked at before it changes anything. */
@Controller
@RequestMapping("/q/{code}/languages")
class FilesController {

    private static final String ALL = "all";
    /** Rows of a preview; each that is ticked is a parameter of the form. */
    private static final int MOST_ROWS = 10_000;
    private static final int MOST_DOUBTFUL = 500;

    /** A text of a file in the preview. */
    record ImportRow(int number, Incoming.Judged judged) {}

    /** What a translation file would change. */
    record ReadTexts(String name, String message, Map<String, Long> counts, List<ImportRow> texts, int left, String work) {}

    private final Frame frame;
    private final Editing editing;
    private final Works works;
    private final Acts acts;

    FilesController(Frame frame, Editing editing, Works works, Acts acts) {
        this.acts = acts;
        this.works = works;
        this.frame = frame;
        this.editing = editing;
    }

    @GetMapping("/file")
    ResponseEntity<Object> file(@PathVariable String code, @RequestParam String to, @RequestParam(name = "as") String kind,
            @RequestHeader(name = HttpHeaders.ACCEPT, defaultValue = "") String accept, Principal who) {
        Questionnaire document = frame.draft(code).document();
        List<String> languages = document.languages().stream()
                .filter(l -> !l.equals(document.sourceLanguage()) && (to.equals(ALL) || l.equals(to))).toList();
        if (languages.isEmpty()) {
            throw new NotThere("The questionnaire is not translated into “" + to + "”.");
        }
        if (!List.of("csv", "xlsx", "xliff").contains(kind)) {
            throw new NotThere("There is no such kind of file: " + kind + ".");
        }
        return works.file(accept, "The texts of " + document.title(), "/q/" + code + "/languages", who.getName(), progress -> {
            List<TextRow> rows = new ArrayList<>();
            for (String language : languages) {
                progress.at("Writing the languages", languages.indexOf(language), languages.size());
                rows.addAll(TextRow.of(document, language));
            }
            String name = code + "-" + to;
            acts.saved(who.getName(), code, "the texts in " + String.join(", ", languages) + " as " + kind.toUpperCase(Locale.ROOT));
            return switch (kind) {
                case "csv" -> file(TextTable.csv(rows).getBytes(StandardCharsets.UTF_8), "text/csv;charset=UTF-8", name + ".csv");
                case "xlsx" ->
                    file(TextTable.xlsx(rows, progress), "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                            name + ".xlsx");
                default -> languages.size() == 1
                        ? file(xliff(document, languages.getFirst(), progress), "application/xliff+xml",
                                code + "-" + languages.getFirst() + ".xlf")
                        : file(zip(document, languages, progress), "application/zip", code + "-xliff.zip");
            };
        });
    }

    private static byte[] xliff(Questionnaire document, String language, ProgressListener progress) {
        return XliffFile.write(document.code(), document.sourceLanguage(), language, TextRow.of(document, language), progress)
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] zip(Questionnaire document, List<String> languages, ProgressListener progress) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (String language : languages) {
                zip.putNextEntry(new ZipEntry(document.code() + "-" + language + ".xlf"));
                zip.write(xliff(document, language, progress));
            }
        }
        return bytes.toByteArray();
    }

    private static Result file(byte[] bytes, String type, String name) {
        return new Result.File(bytes, MediaType.valueOf(type), "attachment; filename=\"" + name + "\"");
    }

    /** What was read in a file, and what it would do to the draft as it was then. */
    private record ReadFile(String name, int revision, List<Incoming.Judged> judged) {}

    /** Shows what a file would change; nothing is changed yet. */
    @PostMapping("/import")
    String read(@PathVariable String code, @RequestParam MultipartFile file, Principal who, Model model, HttpServletResponse response)
            throws IOException {
        Draft draft = frame.draft(code);
        String name = String.valueOf(file.getOriginalFilename());
        byte[] content = file.getBytes();
        String sheet = "/q/" + code + "/languages";
        Work work = works.begin("What “" + name + "” would change", sheet, who.getName(), progress -> {
            try {
                progress.at("Reading the file", 0, 0);
                List<TextRow> rows = rows(name, content, progress);
                progress.at("Comparing the texts", 0, 0);
                List<Incoming.Judged> judged = Incoming.judge(draft.document(), rows.stream().map(TextRow::incoming).toList());
                return new Result.FoundFile(new ReadFile(name, draft.revision(), judged), sheet + "/import");
            } catch (UnreadableTexts e) {
                return new Result.Refusal("“" + name + "”: " + e.getMessage(), List.of());
            }
        });
        return switch (works.soon(work).orElse(null)) {
            case Result.FoundFile found -> "redirect:" + found.to() + "?work=" + work.id();
            case Result.Refusal refusal -> {
                response.setStatus(422);
                yield show(draft, new ReadFile(name, draft.revision(), List.of()), "", refusal.message(), model);
            }
            case null, default -> "redirect:" + Works.address(work);
        };
    }

    @GetMapping("/import")
    String preview(@PathVariable String code, @RequestParam String work, Principal who, Model model) {
        return show(frame.draft(code), kept(work, who), work, "", model);
    }

    private ReadFile kept(String work, Principal who) {
        return works.found(work, who.getName(), ReadFile.class)
                .orElseThrow(() -> new NotThere("What was read in the file is not kept any more. Choose the file again."));
    }

    private static List<TextRow> rows(String name, byte[] bytes, ProgressListener progress) throws UnreadableTexts {
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K') {
            return TextTable.readXlsx(bytes, progress);
        }
        return text.stripLeading().replaceFirst("^\uFEFF", "").startsWith("<") ? XliffFile.read(text, progress) : TextTable.readCsv(text);
    }

    private String show(Draft draft, ReadFile read, String work, String message, Model model) {
        frame.fill(model, draft, "languages");
        Map<String, Long> counts = new LinkedHashMap<>();
        for (Incoming.IncomingKind kind : Incoming.IncomingKind.values()) {
            long count = read.judged().stream().filter(j -> j.kind() == kind).count();
            if (count > 0) {
                counts.put(kind.word(), count);
            }
        }
        List<ImportRow> rows = new ArrayList<>();
        int doubtful = 0;
        int left = 0;
        for (int i = 0; i < read.judged().size(); i++) {
            Incoming.Judged judged = read.judged().get(i);
            if (judged.kind() == Incoming.IncomingKind.SAME || judged.kind() == Incoming.IncomingKind.EMPTY) {
                continue;
            }
            doubtful += judged.mayBeTaken() ? 0 : 1;
            if (rows.size() < MOST_ROWS && (judged.mayBeTaken() || doubtful <= MOST_DOUBTFUL)) {
                rows.add(new ImportRow(i, judged));
            } else {
                left++;
            }
        }
        Views.show(model, new ReadTexts(read.name(), message.isEmpty() ? null : message, counts, rows, left, work));
        return "texts";
    }

    /** Imports the texts that were ticked. */
    @PostMapping("/take")
    String take(@PathVariable String code, @RequestParam String work, @RequestParam(defaultValue = "") List<Integer> take, Principal who,
            Model model, HttpServletResponse response) {
        Draft draft = frame.draft(code);
        ReadFile read = kept(work, who);
        List<Incoming> wanted = take.stream().filter(n -> n >= 0 && n < read.judged().size()).map(n -> read.judged().get(n).incoming())
                .toList();
        Map<String, List<Translate.TranslatedText>> byLanguage = new LinkedHashMap<>();
        for (Incoming.Judged each : Incoming.judge(draft.document(), wanted)) {
            if (each.mayBeTaken()) {
                byLanguage.computeIfAbsent(each.incoming().language(), l -> new ArrayList<>()).add(new Translate.TranslatedText(
                        each.incoming().unit(), each.incoming().text(), each.incoming().state(), each.incoming().source()));
            }
        }
        try {
            editing.make(code, draft.revision(),
                    new ImportTexts(byLanguage.entrySet().stream().map(e -> new Translate(e.getKey(), e.getValue())).toList()), who);
        } catch (Refused | Editing.EditConflict e) {
            response.setStatus(409);
            return show(draft, new ReadFile(read.name(), draft.revision(), Incoming.judge(draft.document(),
                    read.judged().stream().map(Incoming.Judged::incoming).toList())), work, e.getMessage(), model);
        }
        return "redirect:/q/" + code + "/languages" + (byLanguage.isEmpty() ? "" : "?to=" + byLanguage.keySet().iterator().next());
    }
}
