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
import orthogon.app.outbox.Outbox;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.InvitationStore.Invitation;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.work.Acts;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Questionnaire;
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

    private static final int MOST = 500;

    private final Frame frame;
    private final ReleaseStore releases;
    private final InvitationStore invitations;
    private final Outbox outbox;
    private final Acts acts;
    private final PublicAddress addresses;

    InvitationsController(Frame frame, ReleaseStore releases, InvitationStore invitations, Outbox outbox, Acts acts,
            PublicAddress addresses) {
        this.addresses = addresses;
        this.frame = frame;
        this.releases = releases;
        this.invitations = invitations;
        this.outbox = outbox;
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
        if (count < 1 || count > MOST) {
            return refused(code, "Ask for 1 to " + MOST + " links at a time.", flash);
        }
        acts.noted(who.getName(), code, "made " + count + " links for one person each", () -> invitations.make(draft.id(), count));
        return back(code);
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
        if (good.isEmpty() || good.size() > MOST) {
            return refused(code, "Give 1 to " + MOST + " email addresses at a time; there are " + good.size() + ".", flash);
        }
        int sent = acts.noted(who.getName(), code, () -> invite(draft, release.get(), good, language),
                n -> "invited " + n + " people by email");
        flash.addFlashAttribute("done", sent + (sent == 1 ? " invitation is" : " invitations are") + " on the way"
                + (sent < good.size() ? "; " + (good.size() - sent) + " already had one" : "") + ".");
        return back(code);
    }

    /** Reminds everybody who was sent a link and has not sent answers. */
    @PostMapping("/remind")
    String remind(@PathVariable String code, @RequestParam(defaultValue = "") String language, Principal who,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        Optional<Release> release = releases.of(draft.id()).stream().findFirst();
        List<Invitation> open = invitations.of(draft.id()).stream().filter(i -> i.mailedAt().isPresent() && !i.sent()).toList();
        if (release.isEmpty() || open.isEmpty()) {
            return refused(code, "Everybody who was invited has answered; there is nobody to remind.", flash);
        }
        acts.noted(who.getName(), code, "reminded " + open.size() + " people by email",
                () -> open.forEach(i -> mail(release.get(), language, i, true)));
        flash.addFlashAttribute("done", open.size() + (open.size() == 1 ? " reminder is" : " reminders are") + " on the way.");
        return back(code);
    }

    /** Returns how many are sent a link; who has one already is not. */
    private int invite(Draft draft, Release release, Set<String> emails, String language) {
        int sent = 0;
        for (String email : emails) {
            Invitation invitation = invitations.invite(draft.id(), email);
            if (invitation.mailedAt().isEmpty()) {
                mail(release, language, invitation, false);
                sent++;
            }
        }
        return sent;
    }

    private void mail(Release release, String language, Invitation invitation, boolean reminder) {
        Questionnaire document = release.wiring(language).document();
        OwnWords words = OwnWords.of(document);
        String kind = reminder ? "remind" : "invite";
        String link = addresses.of("/to/" + invitation.token());
        outbox.send(invitation.email(), words.say(kind + "_subject", document.title()),
                words.say(kind + "_text", document.title()) + "\n\n" + link);
        invitations.mailed(invitation.token(), reminder);
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
