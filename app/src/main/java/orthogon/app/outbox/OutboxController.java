package orthogon.app.outbox;

import orthogon.app.frame.Frame;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class OutboxController {

    /** One message as shown. */
    record ShownMessage(String to, String subject, String text, String when) {}

    private static final int MOST = 200;

    private final MessageStore messages;

    OutboxController(MessageStore messages) {
        this.messages = messages;
    }

    @GetMapping("/outbox")
    String outbox(Model model) {
        model.addAttribute("messages",
                messages.newest(MOST).stream().map(m -> new ShownMessage(m.to(), m.subject(), m.text(), Frame.when(m.at()))).toList());
        return "outbox";
    }
}
