package orthogon.app.mailbox;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.frame.Frame;
import orthogon.app.view.Views;
import orthogon.app.http.NotThere;
import orthogon.app.outbox.KeptMessage;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.MailFiles;
import orthogon.app.outbox.MailTransport;
import orthogon.app.outbox.MessageStore;
import orthogon.app.outbox.MessageStore.MessageHead;
import orthogon.app.work.TryMessageAgain;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The mailbox: every message, how far it is, and what it looks like where it arrives. */
@Controller
class MailboxController {

    private static final int MOST = 200;
    /** A message may be anything; it loads nothing, runs nothing, and stands in a frame of this application alone. */
    private static final String POLICY = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'self'; sandbox";

    /** One message in the list. */
    record MessageLine(long id, String to, String subject, String when, String state, boolean chosen) {}

    /**
     * The chosen message.
     *
     * @param dueAt when it is tried next, or was delivered
     */
    record ShownMessage(long id, String from, String to, String replyTo, String subject, String when, String messageId, String text,
            String state, int tries, String dueAt, String fault, List<String> files) {}

    /**
     * The page.
     *
     * @param state the state that is listed; empty for all
     * @param leaves whether messages leave this machine
     * @param chosen null where there is no message
     */
    record Mailbox(List<MessageLine> messages, Map<String, Integer> counts, String state, boolean leaves, ShownMessage chosen,
            boolean plain, int most) {}

    private final MessageStore messages;
    private final TryMessageAgain trying;
    private final MailTransport transport;
    private final MailFiles files;

    MailboxController(MessageStore messages, TryMessageAgain trying, MailTransport transport, MailFiles files) {
        this.files = files;
        this.messages = messages;
        this.trying = trying;
        this.transport = transport;
    }

    @GetMapping("/outbox")
    String outbox(@RequestParam(defaultValue = "") String state, @RequestParam(defaultValue = "0") long at,
            @RequestParam(defaultValue = "false") boolean plain, Model model) {
        Optional<MessageState> wanted = List.of(MessageState.values()).stream().filter(s -> s.word().equals(state)).findFirst();
        List<MessageHead> newest = messages.newest(wanted, MOST);
        Optional<KeptMessage> chosen = at == 0 ? newest.stream().findFirst().flatMap(m -> messages.find(m.id())) : messages.find(at);
        long shown = chosen.map(KeptMessage::id).orElse(0L);
        Map<String, Integer> counts = new LinkedHashMap<>();
        messages.counts().forEach((s, n) -> counts.put(s.word(), n));
        Views.show(model, new Mailbox(newest.stream().map(m -> new MessageLine(m.id(), m.to(), m.subject(), Frame.when(m.madeAt()),
                m.state().word(), m.id() == shown)).toList(), counts, wanted.map(MessageState::word).orElse(""),
                transport.leaves(), chosen.map(this::shown).orElse(null), plain, MOST));
        return "outbox";
    }

    private ShownMessage shown(KeptMessage m) {
        return new ShownMessage(m.id(), transport.from(), m.to(), m.mail().replyTo(), m.subject(), Frame.when(m.madeAt()), m.messageId(),
                m.mail().text(), m.state().word(), m.tries(), Frame.when(m.dueAt()), m.fault(),
                files.of(m).stream().map(MailFiles.MailFile::name).toList());
    }

    /** The message as mail programs show it, for a frame in the mailbox. */
    @GetMapping("/outbox/{id}/html")
    ResponseEntity<String> html(@PathVariable long id) {
        KeptMessage message = messages.find(id).filter(m -> !m.mail().html().isEmpty())
                .orElseThrow(() -> new NotThere("There is no such message."));
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/html;charset=UTF-8")).header("Content-Security-Policy", POLICY)
                .header("X-Frame-Options", "SAMEORIGIN").header(HttpHeaders.CACHE_CONTROL, "no-store").body(message.mail().html());
    }

    /** A file that comes with a message. */
    @GetMapping("/outbox/{id}/files/{number}")
    ResponseEntity<byte[]> file(@PathVariable long id, @PathVariable int number) {
        List<MailFiles.MailFile> all = messages.find(id).map(files::of).orElse(List.of());
        if (number < 0 || number >= all.size()) {
            throw new NotThere("There is no such file. It goes with the response that it belongs to.");
        }
        MailFiles.MailFile file = all.get(number);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM).header(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(file.name(), StandardCharsets.UTF_8).build().toString())
                .body(file.content().get());
    }

    @PostMapping("/outbox/{id}/again")
    String again(@PathVariable long id, Principal who, RedirectAttributes flash) {
        flash.addFlashAttribute("told", trying.tryAgain(id, who.getName())
                ? "The message is tried again."
                : "The message is not among those that were given up, so nothing was done.");
        return "redirect:/outbox?at=" + id;
    }
}
