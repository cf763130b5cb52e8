package orthogon.app.release;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import orthogon.app.frame.Frame;
import orthogon.app.http.PublicAddress;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.work.Acts;
import orthogon.app.work.InvitePeople;
import orthogon.app.work.InvitePeople.Invited;
import orthogon.core.questionnaire.Refused;
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
    private final InvitationStore invitations;
    private final InvitePeople inviting;
    private final Acts acts;
    private final PublicAddress addresses;

    InvitationsController(Frame frame, InvitationStore invitations, InvitePeople inviting, Acts acts,
            PublicAddress addresses) {
        this.addresses = addresses;
        this.frame = frame;
        this.invitations = invitations;
        this.inviting = inviting;
        this.acts = acts;
    }

    private interface InvitationAct {
        Optional<String> on(Draft draft) throws Refused;
    }

    /** Leads back to the list and tells what was done, or to the head of the sheet with the reason why it was not. */
    private String done(String code, RedirectAttributes flash, InvitationAct act) {
        try {
            act.on(frame.draft(code)).ifPresent(words -> flash.addFlashAttribute("done", words));
            return "redirect:/q/" + code + "/release#invitations";
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
            return "redirect:/q/" + code + "/release";
        }
    }

    @PostMapping
    String make(@PathVariable String code, @RequestParam(defaultValue = "0") int count, Principal who, RedirectAttributes flash) {
        return done(code, flash, draft -> {
            inviting.make(draft, count, who.getName());
            return Optional.empty();
        });
    }

    /** Sends a link to every address of a list that was not invited before. */
    @PostMapping("/send")
    String send(@PathVariable String code, @RequestParam(required = false) MultipartFile file,
            @RequestParam(defaultValue = "") String addresses, @RequestParam(defaultValue = "") String language, Principal who,
            RedirectAttributes flash) throws IOException {
        String typed = addresses + "\n" + (file == null ? "" : new String(file.getBytes(), StandardCharsets.UTF_8));
        return done(code, flash, draft -> {
            Invited invited = inviting.invite(draft, typed, language, who.getName());
            return Optional.of(invited.sent() + (invited.sent() == 1 ? " invitation is" : " invitations are") + " on the way"
                    + (invited.known() > 0 ? "; " + invited.known() + " already had one" : "") + ".");
        });
    }

    /** Reminds everybody who was sent a link and has not sent answers. */
    @PostMapping("/remind")
    String remind(@PathVariable String code, @RequestParam(defaultValue = "") String language, Principal who,
            RedirectAttributes flash) {
        return done(code, flash, draft -> {
            int reminded = inviting.remind(draft, language, who.getName());
            return Optional.of(reminded + (reminded == 1 ? " reminder is" : " reminders are") + " on the way.");
        });
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
