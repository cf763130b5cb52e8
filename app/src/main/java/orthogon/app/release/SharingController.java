package orthogon.app.release;

import java.util.List;
import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.http.PublicAddress;
import orthogon.app.offering.Offering;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.OfferStore.Offer;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.app.work.ShareQuestionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.link.QrCode;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.ZoneId;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** How a questionnaire is given out: its address, as a QR code, inside other pages, and when it takes answers. */
@Controller
@RequestMapping("/q/{code}/release")
class SharingController {

    private static final int MODULE = 12;

    /** How a questionnaire is offered; the frame snippet and the QR code hold its address. */
    record SharingView(Offer offer, String address, boolean released, String qr, String snippet, List<String> zones) {}

    /** Another page, with the questionnaire inside. */
    record EmbeddedView(String title, String code, String address, boolean allowed) {}

    private final Frame frame;
    private final Offering offering;
    private final ShareQuestionnaire share;
    private final KnownReleases releases;
    private final Acts acts;
    private final PublicAddress addresses;

    SharingController(Frame frame, Offering offering, ShareQuestionnaire share, KnownReleases releases, Acts acts,
            PublicAddress addresses) {
        this.addresses = addresses;
        this.frame = frame;
        this.offering = offering;
        this.share = share;
        this.releases = releases;
        this.acts = acts;
    }

    private String address(Draft draft) {
        return addresses.of("/to/" + offering.offer(draft.id()).address());
    }

    @GetMapping("/sharing")
    String sharing(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "release");
        Offer offer = offering.offer(draft.id());
        String address = address(draft);
        Views.show(model,
                new SharingView(offer, address, !releases.of(draft.id()).isEmpty(), QrCode.of(address).svg(),
                        "<iframe src=\"" + address + "\" title=\"" + draft.document().title().replace("\"", "&quot;")
                                + "\" width=\"100%\" height=\"720\" style=\"border:0\"></iframe>",
                        ZoneId.getAvailableZoneIds().stream()
                                .filter(z -> z.contains("/") && !z.startsWith("Etc/") && !z.startsWith("SystemV/")).sorted().toList()));
        return "sharing";
    }

    @PostMapping("/sharing")
    String set(@PathVariable String code, @RequestParam String address, @RequestParam(defaultValue = "") String opens,
            @RequestParam(defaultValue = "") String closes, @RequestParam String zone, @RequestParam(defaultValue = "") String most,
            @RequestParam(defaultValue = "false") boolean embedded, Principal who, Model model,
            HttpServletResponse response) {
        Draft draft = frame.draft(code);
        try {
            Offer offer = new Offer(draft.id(), words(address), moment(opens, "opening"), moment(closes, "closing"), zone(zone), most(most),
                    embedded);
            share.set(draft, offer, who.getName());
            return "redirect:/q/" + code + "/release/sharing";
        } catch (Refused e) {
            response.setStatus(422);
            model.addAttribute("message", e.getMessage());
            return sharing(code, model);
        }
    }

    private static String words(String address) throws Refused {
        String words = address.strip();
        if (words.length() > 60 || !words.matches("[a-z0-9]+(-[a-z0-9]+)*") || words.equals("resume")) {
            throw new Refused(
                    "“" + words + "” is not a valid address: write small letters, digits and single hyphens, at most 60, as in bat-count.");
        }
        return words;
    }

    private static String moment(String typed, String which) throws Refused {
        try {
            return typed.isBlank() ? "" : LocalDateTime.parse(typed.strip()).toString();
        } catch (DateTimeException e) {
            throw new Refused("The " + which + " time “" + typed.strip() + "” cannot be read; write it like 2026-12-01T08:00.");
        }
    }

    private static String zone(String typed) throws Refused {
        if (!ZoneId.getAvailableZoneIds().contains(typed)) {
            throw new Refused("“" + typed + "” is not a time zone; choose one of the list, such as Europe/London.");
        }
        return typed;
    }

    private static int most(String typed) throws Refused {
        if (!typed.isBlank() && !typed.strip().matches("[1-9]\\d{0,6}")) {
            throw new Refused("“" + typed.strip() + "” is not a number of responses: write a whole number, or leave the field empty.");
        }
        return typed.isBlank() ? 0 : Integer.parseInt(typed.strip());
    }

    @GetMapping("/qr.{kind}")
    ResponseEntity<byte[]> qr(@PathVariable String code, @PathVariable String kind) {
        QrCode qr = QrCode.of(address(frame.draft(code)));
        boolean png = kind.equals("png");
        if (!png && !kind.equals("svg")) {
            throw new NotThere("There is no such picture.");
        }
        return ResponseEntity.ok().contentType(png ? MediaType.IMAGE_PNG : MediaType.valueOf("image/svg+xml"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + code + "-qr." + kind + "\"")
                .body(png ? qr.png(MODULE) : qr.svg().getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** Another page, with the questionnaire inside. */
    @GetMapping("/embedded")
    String embedded(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        Views.show(model, new EmbeddedView(draft.document().title(), code, address(draft), offering.offer(draft.id()).mayBeEmbedded()));
        return "embedded";
    }
}
