package orthogon.app.frame;

import orthogon.app.news.Live;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The live part of every sheet. */
@Controller
class FrameController {

    private final Frame frame;
    private final Live live;

    FrameController(Frame frame, Live live) {
        this.frame = frame;
        this.live = live;
    }

    @GetMapping("/q/{code}")
    String first(@PathVariable String code) {
        return "redirect:/q/" + frame.draft(code).code() + "/compose";
    }

    @GetMapping("/q/{code}/block")
    String block(@PathVariable String code, Model model) {
        model.addAttribute("block", frame.block(frame.draft(code)));
        return "frame :: cells";
    }

    @GetMapping(path = "/q/{code}/live", produces = "text/event-stream")
    SseEmitter live(@PathVariable String code, @RequestParam(defaultValue = "2147483647") int shown,
            @RequestParam(defaultValue = "false") boolean waits) {
        frame.draft(code);
        return live.listen(code, () -> frame.draft(code), shown, waits);
    }
}
