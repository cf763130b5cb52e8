package orthogon.app.editing;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.Map;
import java.util.HashMap;
import java.util.Objects;
import java.util.Optional;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.news.Live;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.DraftStore.Overtaken;
import orthogon.app.store.KnownDrafts;
import orthogon.app.work.Acts;
import orthogon.core.edit.Edit;
import orthogon.core.language.Units;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Makes edits, one revision each. An edit of an older revision is made on the newest where both leave each other alone. */
@Component
public class Editing {

    /** Two people changed the same thing, or one would take back what another did; the second is told, and may go on all the same. */
    public static final class EditConflict extends Exception {

        private final transient ConflictChoice choice;

        EditConflict(String message, ConflictChoice choice) {
            super(message, null, false, false);
            this.choice = choice;
        }
    }

    /**
     * What the second of two people can do.
     *
     * @param kind {@code field} where one of two texts is to be kept, {@code undo} or {@code redo} where an edit of somebody else would be, empty
     *            where there is nothing to choose
     * @param theirs what stands there now; empty where it cannot be said in a few words
     * @param yours what was sent
     * @param revision the revision that a second try names
     */
    public record ConflictChoice(String kind, String theirs, String yours, int revision) {
        static final ConflictChoice NONE = new ConflictChoice("", "", "", 0);
    }

    /** An edit that may not be possible; gives the view that shows what came of it. */
    public interface Attempt {
        String view() throws Refused, EditConflict;
    }

    /** A change of a part of a row, made on the newest revision, whatever else has changed there. */
    public interface PartialEdit {

        /** The edit of this document. */
        Edit on(Questionnaire newest) throws Refused;

        /** What it changes, as it stands in a document. */
        Object part(Questionnaire document);

        /** What it changes, in words. */
        String words();

        /** The part of a document as text; empty where it has no short one. */
        default String text(Questionnaire document) {
            return "";
        }

        /** What it makes of the part, as text; empty where it has no short one. */
        default String sent() {
            return "";
        }
    }

    private static final int MOST_LOOKED_BACK = 200;

    private final DraftStore drafts;
    private final KnownDrafts knownDrafts;
    private final Frame frame;
    private final Live live;
    private final Acts acts;
    private final People people;

    Editing(DraftStore drafts, KnownDrafts knownDrafts, Frame frame, Live live, Acts acts, People people) {
        this.people = people;
        this.acts = acts;
        this.drafts = drafts;
        this.knownDrafts = knownDrafts;
        this.frame = frame;
        this.live = live;
    }

    /** The view of an edit, or of the reason why it was not made, which goes into the sheet's place for messages. */
    public static String attempt(Model model, HttpServletResponse response, Attempt attempt) {
        try {
            return attempt.view();
        } catch (Refused e) {
            return refused(e.getMessage(), 422, model, response);
        } catch (EditConflict e) {
            model.addAttribute("choice", e.choice);
            return refused(e.getMessage(), 409, model, response);
        }
    }

    /** A message in place of what was asked for. */
    public static String refused(String message, int status, Model model, HttpServletResponse response) {
        response.setStatus(status);
        model.addAttribute("message", message);
        response.setHeader("HX-Retarget", "#message");
        response.setHeader("HX-Reswap", "innerHTML");
        return "editing :: message";
    }

    /** The document that the analyst looked at. */
    public Questionnaire seen(String code, int revision) {
        Draft head = frame.draft(code);
        return knownDrafts.at(head.id(), revision).map(Draft::document).orElse(head.document());
    }

    /** Makes an edit about whole items, pages or lists. */
    public Draft make(String code, int revision, Edit edit, Principal who) throws Refused, EditConflict {
        return make(code, revision, new PartialEdit() {
            @Override
            public Edit on(Questionnaire newest) {
                return edit;
            }

            @Override
            public Object part(Questionnaire document) {
                List<Object> parts = new ArrayList<>();
                Map<String, Map<String, String>> sources = new HashMap<>();
                edit.about().forEach(about -> parts.add(subject(document, about,
                        language -> sources.computeIfAbsent(language, l -> Units.sources(document, l)))));
                return parts;
            }

            @Override
            public String words() {
                return String.join(", ", edit.about());
            }
        }, who);
    }

    public Draft make(String code, int revision, PartialEdit edit, Principal who) throws Refused, EditConflict {
        while (true) {
            Draft head = frame.draft(code);
            Optional<Draft> seen = head.revision() == revision ? Optional.of(head) : knownDrafts.at(head.id(), revision);
            boolean same = seen.filter(s -> s == head || Objects.equals(edit.part(s.document()), edit.part(head.document()))).isPresent();
            if (!same) {
                throw conflict(head, seen, edit);
            }
            Edit made = edit.on(head.document());
            Questionnaire changed = made.apply(head.document());
            if (changed.equals(head.document())) {
                return head;
            }
            Optional<Draft> kept = keep(code, who, () -> drafts.append(head, changed, made.says(), who.getName()), made.says());
            if (kept.isPresent()) {
                return kept.get();
            }
            // Somebody was quicker; look again at what they did.
        }
    }

    private interface KeptRevision {
        Draft draft() throws Overtaken;
    }

    /** Keeps a revision and its line in the trail; empty where somebody else made a revision at the same moment. */
    private Optional<Draft> keep(String code, Principal who, KeptRevision kept, String words) {
        Optional<Draft> made = acts.perhaps(who.getName(), code, () -> {
            try {
                return Optional.of(kept.draft());
            } catch (Overtaken e) {
                return Optional.empty();
            }
        }, draft -> "revision " + draft.revision() + ": " + words);
        made.ifPresent(knownDrafts::remember);
        made.ifPresent(live::announce);
        return made;
    }

    /** Says who changed the part since it was seen, and offers both texts where they are short. */
    private EditConflict conflict(Draft head, Optional<Draft> seen, PartialEdit edit) {
        Draft by = head;
        Object then = seen.map(d -> edit.part(d.document())).orElse(null);
        int from = Math.max(seen.map(Draft::revision).orElse(0), head.revision() - MOST_LOOKED_BACK);
        for (int number = head.revision(); number > from; number--) {
            Optional<Draft> later = knownDrafts.at(head.id(), number);
            Optional<Draft> earlier = knownDrafts.at(head.id(), number - 1);
            if (later.isPresent() && earlier.isPresent()
                    && !Objects.equals(edit.part(later.get().document()), edit.part(earlier.get().document()))) {
                by = later.get();
                break;
            }
        }
        boolean gone = edit.part(head.document()) == null && then != null;
        return new EditConflict(people.shown(by.author()) + (gone ? " removed " : " changed ") + edit.words() + " while you worked on it ("
                + by.command() + ", revision " + by.revision() + "). Your change is not made.",
                edit.sent().isEmpty()
                        ? ConflictChoice.NONE
                        : new ConflictChoice("field", edit.text(head.document()), edit.sent(), head.revision()));
    }

    /**
     * Undoes the last edit, or makes it again.
     *
     * @param anyway whether an edit of somebody else may be undone
     * @return what was done, in words; empty where there is nothing to undo
     * @throws Conflict where the edit is of somebody else, or somebody made another at the same moment
     */
    public String undo(String code, boolean redo, boolean anyway, Principal who) throws EditConflict {
        Draft head = frame.draft(code);
        if (redo ? head.redoTo().isEmpty() : head.undoTo().isEmpty()) {
            return "";
        }
        String undone = redo ? drafts.redone(head) : head.command();
        if (!anyway && !head.author().equals(who.getName())) {
            throw new EditConflict("The last edit is by " + people.shown(head.author()) + ": " + head.command() + " (revision "
                    + head.revision() + ").", new ConflictChoice(redo ? "redo" : "undo", "", "", head.revision()));
        }
        String words = (redo ? "made again: " : "undid: ") + undone;
        if (keep(code, who, () -> redo ? drafts.redo(head, who.getName()) : drafts.undo(head, who.getName()), words).isEmpty()) {
            throw overtaken();
        }
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1) + ".";
    }

    private static EditConflict overtaken() {
        return new EditConflict("Somebody made a revision at the same moment. Look at it, then try again.", ConflictChoice.NONE);
    }

    /** The document of an earlier revision, made the newest again; what came in between stays in the history. */
    public Draft restore(String code, int revision, Principal who) throws Refused, EditConflict {
        Draft head = frame.draft(code);
        Draft wanted = knownDrafts.at(head.id(), revision).orElseThrow(() -> new Refused("There is no revision " + revision + "."));
        String words = "restored revision " + revision;
        return keep(code, who, () -> drafts.append(head, wanted.document(), words, who.getName()), words).orElseThrow(Editing::overtaken);
    }

    /**
     * What an edit is about, for finding out whether somebody else changed it.
     *
     * @param sources of a language, unit to text
     */
    private static Object subject(Questionnaire document, String about, Function<String, Map<String, String>> sources) {
        if (about.equals(Edit.ENDING)) {
            return List.of(document.outcomes(), document.outcomeTable(), document.claims());
        }
        if (about.equals(Edit.MESSAGES)) {
            return document.messages();
        }
        if (about.equals(Edit.PRESENTATION)) {
            return List.of(document.title(), document.presentation(), document.linkParameters());
        }
        if (about.equals(Edit.LANGUAGES)) {
            return document.languages();
        }
        if (about.equals(Edit.BURDEN)) {
            return document.burden();
        }
        if (about.startsWith(Edit.NOTE)) {
            return document.notes().get(about.substring(Edit.NOTE.length()));
        }
        if (about.startsWith(Edit.TRANSLATION)) {
            String[] place = about.substring(Edit.TRANSLATION.length()).split("/", 2);
            return Arrays.asList(document.translations().getOrDefault(place[0], Map.of()).get(place[1]),
                    sources.apply(place[0]).get(place[1]));
        }
        return document.item(about).map(i -> i instanceof Group group ? group.withItems(List.of()) : i)
                .map(Object.class::cast)
                .or(() -> document.page(about).map(p -> p.withItems(List.of()))).orElse(null);
    }
}
