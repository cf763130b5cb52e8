package orthogon.app.release;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.app.frame.Frame;
import orthogon.app.http.PublicAddress;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.work.Acts;
import orthogon.app.work.InvitePeople;
import orthogon.core.edit.Refused;
import orthogon.core.questionnaire.Answer;
import orthogon.formats.contact.Contacts;
import orthogon.formats.contact.MailList;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Links for one person each: made, sent to a list of addresses, and sent again to those who have not answered. */
@Controller
@RequestMapping("/q/{code}/release/invitations")
class InvitationsController {

    private final Frame frame;
    private final ReleaseStore releases;
    private final InvitationStore invitations;
    private final InvitePeople inviting;
    private final Acts acts;
    private final PublicAddress addresses;

    InvitationsController(Frame frame, ReleaseStore releases, InvitationStore invitations, InvitePeople inviting, Acts acts,
            PublicAddress addresses) {
        this.addresses = addresses;
        this.frame = frame;
        this.releases = releases;
        this.invitations = invitations;
        this.inviting = inviting;
        this.acts = acts;
    }

    private static String back(String code) {
        return "redirect:/q/" + code + "/release#invitations";
    }

    private static String refused(String code, String message, RedirectAttributes flash) {
        flash.addFlashAttribute("message", message);
        return "redirect:/q/" + code + "/release";
    }

    @PostMapping
    String make(@PathVariable String code, @RequestParam(defaultValue = "0") int count, Principal who, RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        if (releases.of(draft.id()).isEmpty()) {
            return refused(code, "Nothing is released yet, so a link would lead nowhere. Release first.", flash);
        }
        try {
            inviting.make(draft, count, who.getName());
            return back(code);
        } catch (Refused e) {
            return refused(code, e.getMessage(), flash);
        }
    }

    /** Sends a link to every address of a list that was not invited before. */
    @PostMapping("/send")
    String send(@PathVariable String code, @RequestParam(required = false) MultipartFile file,
            @RequestParam(defaultValue = "") String addresses, @RequestParam(defaultValue = "") String language, Principal who,
            RedirectAttributes flash) throws IOException {
        Draft draft = frame.draft(code);
        Optional<Release> release = releases.of(draft.id()).stream().findFirst();
        if (release.isEmpty()) {
            return refused(code, "Nothing is released yet, so a link would lead nowhere. Release first.", flash);
        }
        String text = addresses + "\n" + (file == null ? "" : new String(file.getBytes(), StandardCharsets.UTF_8));
        Set<String> good = new LinkedHashSet<>();
        List<String> bad = new ArrayList<>();
        MailList.addresses(text).forEach(
                a -> Contacts.read(new Answer.Contact(Answer.Contact.Kind.EMAIL, ""), a).ifPresentOrElse(good::add, () -> bad.add(a)));
        if (!bad.isEmpty()) {
            return refused(code,
                    "Nothing was sent. These are not email addresses: " + String.join(", ", bad.subList(0, Math.min(8, bad.size())))
                            + (bad.size() > 8 ? " and " + (bad.size() - 8) + " more" : "") + ".",
                    flash);
        }
        try {
            int sent = inviting.invite(draft, release.get(), good, language, who.getName());
            flash.addFlashAttribute("done", sent + (sent == 1 ? " invitation is" : " invitations are") + " on the way"
                    + (sent < good.size() ? "; " + (good.size() - sent) + " already had one" : "") + ".");
            return back(code);
        } catch (Refused e) {
            return refused(code, e.getMessage(), flash);
        }
    }

    /** Reminds everybody who was sent a link and has not sent answers. */
    @PostMapping("/remind")
    String remind(@PathVariable String code, @RequestParam(defaultValue = "") String language, Principal who,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        Optional<Release> release = releases.of(draft.id()).stream().findFirst();
        if (release.isEmpty()) {
            return refused(code, "Nothing is released yet, so a link would lead nowhere. Release first.", flash);
        }
        try {
            int reminded = inviting.remind(draft, release.get(), language, who.getName());
            flash.addFlashAttribute("done", reminded + (reminded == 1 ? " reminder is" : " reminders are") + " on the way.");
            return back(code);
        } catch (Refused e) {
            return refused(code, e.getMessage(), flash);
        }
    }

    /** The list, for a program that sends mail of its own. */
    @GetMapping("/file.csv")
    ResponseEntity<String> csv(@PathVariable String code, Principal who) {
        Draft draft = frame.draft(code);
        String base = addresses.of("/to/");
        acts.saved(who.getName(), code, "the list of invitations");
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + code + "-invitations.csv\"")
                .body(MailList.csv(invitations.of(draft.id()).stream().map(i -> List.of(i.email(), base + i.token(),
                        i.sent() ? "sent" : i.interview().isPresent() ? "begun" : "not used")).toList()));
    }
}
