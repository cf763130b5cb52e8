package orthogon.app.languages;

import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.frame.NotThere;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.core.edit.ImportTexts;
import orthogon.core.edit.Refused;
import orthogon.core.edit.Translate;
import orthogon.core.language.Incoming;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.translation.TextRow;
import orthogon.formats.translation.TextTable;
import orthogon.formats.translation.UnreadableTexts;
import orthogon.formats.translation.XliffFile;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Texts out to translators, and what comes back, looked at before it changes anything. */
@Controller
@RequestMapping("/q/{code}/languages")
class FilesController {

    private static final String ALL = "all";

    private final Frame frame;
    private final Editing editing;

    FilesController(Frame frame, Editing editing) {
        this.frame = frame;
        this.editing = editing;
    }

    @GetMapping("/file")
    ResponseEntity<byte[]> file(@PathVariable String code, @RequestParam String to, @RequestParam(name = "as") String kind)
            throws IOException {
        Questionnaire document = frame.draft(code).document();
        List<String> languages = document.languages().stream()
                .filter(l -> !l.equals(document.sourceLanguage()) && (to.equals(ALL) || l.equals(to))).toList();
        if (languages.isEmpty()) {
            throw new NotThere("The questionnaire is not translated into “" + to + "”.");
        }
        List<TextRow> rows = languages.stream().flatMap(l -> TextRow.of(document, l).stream()).toList();
        String name = code + "-" + to;
        return switch (kind) {
            case "csv" -> file(TextTable.csv(rows).getBytes(StandardCharsets.UTF_8), "text/csv;charset=UTF-8", name + ".csv");
            case "xlsx" -> file(TextTable.xlsx(rows), "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", name + ".xlsx");
            case "xliff" -> languages.size() == 1
                    ? file(xliff(document, languages.getFirst()), "application/xliff+xml", code + "-" + languages.getFirst() + ".xlf")
                    : file(zip(document, languages), "application/zip", code + "-xliff.zip");
            default -> throw new NotThere("There is no such kind of file: " + kind + ".");
        };
    }

    private static byte[] xliff(Questionnaire document, String language) {
        return XliffFile.write(document.code(), document.sourceLanguage(), language, TextRow.of(document, language))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] zip(Questionnaire document, List<String> languages) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (String language : languages) {
                zip.putNextEntry(new ZipEntry(document.code() + "-" + language + ".xlf"));
                zip.write(xliff(document, language));
            }
        }
        return bytes.toByteArray();
    }

    private static ResponseEntity<byte[]> file(byte[] bytes, String type, String name) {
        return ResponseEntity.ok().contentType(MediaType.valueOf(type))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"").body(bytes);
    }

    /** Shows what a file would change; nothing is changed yet. */
    @PostMapping("/import")
    String read(@PathVariable String code, @RequestParam MultipartFile file, Model model, HttpServletResponse response) throws IOException {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "languages");
        String name = String.valueOf(file.getOriginalFilename());
        model.addAttribute("name", name);
        try {
            List<TextRow> rows = rows(name, file.getBytes());
            show(draft, rows.stream().map(TextRow::incoming).toList(), model);
        } catch (UnreadableTexts e) {
            response.setStatus(422);
            model.addAttribute("message", "“" + name + "”: " + e.getMessage());
            show(draft, List.of(), model);
        }
        return "texts";
    }

    private static List<TextRow> rows(String name, byte[] bytes) throws UnreadableTexts {
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K') {
            return TextTable.readXlsx(bytes);
        }
        return text.stripLeading().replaceFirst("^\uFEFF", "").startsWith("<") ? XliffFile.read(text) : TextTable.readCsv(text);
    }

    private static void show(Draft draft, List<Incoming> incoming, Model model) {
        List<Incoming.Judged> judged = Incoming.judge(draft.document(), incoming);
        Map<String, Long> counts = new LinkedHashMap<>();
        for (Incoming.Kind kind : Incoming.Kind.values()) {
            long count = judged.stream().filter(j -> j.kind() == kind).count();
            if (count > 0) {
                counts.put(kind.word(), count);
            }
        }
        model.addAttribute("counts", counts);
        model.addAttribute("judged",
                judged.stream().filter(j -> j.kind() != Incoming.Kind.SAME && j.kind() != Incoming.Kind.EMPTY).toList());
        model.addAttribute("revision", draft.revision());
    }

    /** Takes the texts that were ticked. */
    @PostMapping("/take")
    String take(@PathVariable String code, @RequestParam MultiValueMap<String, String> form, Principal who, Model model,
            HttpServletResponse response) {
        Draft draft = frame.draft(code);
        List<Incoming> wanted = new ArrayList<>();
        for (String number : form.getOrDefault("take", List.of())) {
            String[] parts = Stream.of("language", "unit", "source", "text", "state", "was").map(p -> form.getFirst(p + number))
                    .map(p -> p == null ? "" : p.replace("\r\n", "\n")).toArray(String[]::new);
            wanted.add(new Incoming(parts[0], parts[1], parts[2], parts[3], parts[4], parts[5]));
        }
        Map<String, List<Translate.Text>> byLanguage = new LinkedHashMap<>();
        for (Incoming.Judged each : Incoming.judge(draft.document(), wanted)) {
            if (each.mayBeTaken()) {
                byLanguage.computeIfAbsent(each.incoming().language(), l -> new ArrayList<>()).add(new Translate.Text(
                        each.incoming().unit(), each.incoming().text(), each.incoming().state(), each.incoming().source()));
            }
        }
        try {
            editing.make(code, draft.revision(),
                    new ImportTexts(byLanguage.entrySet().stream().map(e -> new Translate(e.getKey(), e.getValue())).toList()), who);
        } catch (Refused | Editing.Conflict e) {
            response.setStatus(409);
            frame.fill(model, draft, "languages");
            model.addAttribute("message", e.getMessage());
            model.addAttribute("name", "the file");
            show(draft, wanted, model);
            return "texts";
        }
        return "redirect:/q/" + code + "/languages" + (byLanguage.isEmpty() ? "" : "?to=" + byLanguage.keySet().iterator().next());
    }
}
