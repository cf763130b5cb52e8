package orthogon.app.responses;

import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.People;
import orthogon.app.background.Result;
import orthogon.app.background.Work;
import orthogon.app.background.Works;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ListStore;
import orthogon.app.store.ListStore.GoneRow;
import orthogon.app.store.ListStore.ListVersion;
import orthogon.app.view.Views;
import orthogon.app.work.BringList;
import orthogon.core.lists.ListOfRows;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.TableReader;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The versions of the table whose rows are the responses of a list. */
@Controller
@RequestMapping("/q/{code}/responses/rows")
class RowsController {

    private static final int MOST_GONE = 200;

    /**
     * The versions of a table.
     *
     * @param gone rows that the newest version has no more although somebody chose them
     */
    record RowsView(List<VersionLine> versions, List<GoneRow> gone) {}

    /** A version, and when it was brought and by whom, in words. */
    record VersionLine(ListVersion version, String brought) {}

    private final Frame frame;
    private final ListStore lists;
    private final BringList bringing;
    private final Works works;
    private final People people;

    RowsController(Frame frame, ListStore lists, BringList bringing, Works works, People people) {
        this.people = people;
        this.frame = frame;
        this.lists = lists;
        this.bringing = bringing;
        this.works = works;
    }

    @GetMapping
    String rows(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        List<ListVersion> versions = lists.versions(draft.id());
        if (versions.isEmpty()) {
            throw new NotThere("The responses of " + code + " are answers of people, and no rows of a table.");
        }
        frame.fill(model, draft, "responses");
        Views.show(model, new RowsView(versions.stream()
                .map(v -> new VersionLine(v, Frame.when(v.broughtAt()) + ", " + people.shown(v.broughtBy()))).toList(),
                lists.gone(draft.id(), versions.getFirst().number(), MOST_GONE)));
        return "rows";
    }

    @PostMapping
    String bring(@PathVariable String code, @RequestParam MultipartFile file, Principal who, RedirectAttributes flash) throws IOException {
        Draft draft = frame.draft(code);
        byte[] content = file.getBytes();
        String name = String.valueOf(file.getOriginalFilename());
        String back = "/q/" + code + "/responses/rows";
        if (lists.versions(draft.id()).isEmpty() || !TableReader.isTable(name)) {
            flash.addFlashAttribute("message", "Choose a table: a file that ends in .csv or .xlsx.");
            return "redirect:" + back;
        }
        Work work = works.begin("The list in “" + name + "”", back, who.getName(),
                progress -> brought(draft, content, name, who.getName(), progress));
        Optional<Result> soon = works.soon(work);
        if (soon.isPresent() && soon.get() instanceof Result.Refusal refusal) {
            flash.addFlashAttribute("message", refusal.message());
        }
        return "redirect:" + (soon.isPresent() ? back : Works.address(work));
    }

    private Result brought(Draft draft, byte[] content, String name, String who, ProgressListener progress) {
        try {
            bringing.replace(draft, new ListOfRows(TableReader.read(name, content, progress)), name, who, progress);
            return new Result.Address("/q/" + draft.code() + "/responses/rows");
        } catch (TableReader.UnreadableTable | Refused e) {
            return new Result.Refusal(e.getMessage(), List.of());
        }
    }
}
