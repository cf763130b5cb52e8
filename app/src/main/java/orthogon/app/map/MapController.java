package orthogon.app.map;

import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.opening.Openable;
import orthogon.app.proving.Proofs;
import orthogon.app.proving.Shares;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.app.work.Acts;
import orthogon.core.edit.Edit;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Share;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.stored.AnswerFile;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;
import java.time.LocalDate;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.context.Context;
import org.thymeleaf.ITemplateEngine;

@Controller
@RequestMapping("/q/{code}/map")
class MapController {

    /** One connection in the table form. */
    record WayRow(String from, String how, String to, String when, boolean reached, int way) {}

    /** What one part of a questionnaire decides or is decided by. */
    record About(String at, String title, String kind, String condition, List<String> decidedBy, List<String> decides, List<Claim> open,
            long proved) {}

    /** Smaller shares are only said to be smaller, in per cent. */
    private static final BigDecimal LEAST_SHOWN = new BigDecimal("0.001");

    /** The branches, drawn or listed. */
    record MapView(Branches.Level level, String asked, String askedAs, Branches.Level[] levels, String at, String answers, boolean follows,
            Questionnaire document, boolean asTable, Drawing drawing, List<WayRow> rows, String note, ClaimWords claimWords) {}

    private final Frame frame;
    private final Proofs proofs;
    private final ITemplateEngine templates;
    private final Shares shares;
    private final Acts acts;
    private final Openable openable;

    MapController(Frame frame, Proofs proofs, Shares shares, Acts acts, Openable openable, ITemplateEngine templates) {
        this.openable = openable;
        this.templates = templates;
        this.acts = acts;
        this.shares = shares;
        this.frame = frame;
        this.proofs = proofs;
    }

    /** @param answers of somebody whose way is followed, as JSON; empty for nobody */
    @GetMapping
    String sheet(@PathVariable String code, @RequestParam(defaultValue = "") String level, @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String answers, @RequestParam(defaultValue = "drawing") String as,
            @RequestHeader(name = "HX-Request", required = false) String part, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.soon(draft);
        frame.fill(model, draft, "map");
        Branches.Level shown = level(level, proof, at);
        Branches branches = branches(proof, shown);
        boolean drawn = branches.isDrawable() && !as.equals("table");
        Optional<Interview> course = followed(draft, proof, answers);
        List<WayRow> rows = drawn ? List.of() : rows(draft, branches);
        about(proof, at).ifPresent(a -> model.addAttribute("about", a));
        Views.show(model,
                new MapView(shown, level.isEmpty() ? shown.name().toLowerCase(Locale.ROOT) : level, as, Branches.Level.values(), at,
                        answers, course.isPresent(), draft.document(), !drawn, drawn ? drawing(draft, branches, course, false) : null,
                        rows.size() > Branches.MOST_DRAWN ? rows.subList(0, Branches.MOST_DRAWN) : rows,
                        note(level, as, shown, drawn, rows.size()), proof.words()));
        return part == null ? "map" : "map :: sheet";
    }

    private Branches branches(Proof proof, Branches.Level level) {
        return Branches.of(proof, level,
                code -> openable.of(proof.document()).find(code).map(Questionnaire::title).orElse(code));
    }

    /** What is not shown since it is too much; empty where all is. */
    private static String note(String level, String as, Branches.Level shown, boolean drawn, int rows) {
        if (rows > Branches.MOST_DRAWN) {
            return "There are " + Frame.grouped(BigInteger.valueOf(rows)) + " connections; the table lists the first "
                    + Frame.grouped(BigInteger.valueOf(Branches.MOST_DRAWN)) + ".";
        }
        if (!drawn && !as.equals("table")) {
            return "There is too much to draw; the table lists it.";
        }
        return level.isEmpty() || shown.name().equalsIgnoreCase(level) || as.equals("table")
                ? ""
                : "There is too much to draw all of it; this is " + shown.words() + ".";
    }

    /** The level that is asked for, if it can be drawn; else one that draws what is chosen; else the finest one whose drawing is legible whole. */
    private Branches.Level level(String typed, Proof proof, String at) {
        List<Branches.Level> coarsestFirst = Arrays.stream(Branches.Level.values())
                .takeWhile(l -> branches(proof, l).isDrawable()).toList();
        return coarsestFirst.stream().filter(l -> l.name().equals(typed.toUpperCase(Locale.ROOT))).findFirst()
                .or(() -> proof.document().item(at).isEmpty()
                        ? Optional.empty()
                        : coarsestFirst.stream().filter(l -> branches(proof, l).draws(at)).findFirst())
                .orElseGet(() -> coarsestFirst.stream().takeWhile(l -> MapLayout.of(branches(proof, l)).isLegibleWhole())
                        .reduce((coarser, finer) -> finer).orElse(Branches.Level.PAGES));
    }

    private static Optional<Interview> followed(Draft draft, Proof proof, String answers) {
        if (answers.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    Replay.of(proof.wiring(), LocalDate.now(), AnswerFile.read(draft.document(), answers), ""));
        } catch (UnusableFile e) {
            // They were of an earlier revision; then nobody is followed.
            return Optional.empty();
        }
    }

    private static Drawing drawing(Draft draft, Branches branches, Optional<Interview> interview, boolean alone) {
        Drawing.Followed followed = interview.map(i -> {
            Course c = i.course();
            Set<String> met = new LinkedHashSet<>(c.asked());
            c.pages().forEach(p -> met.add(p.page().code()));
            if (c.complete()) {
                DueFollowUp.of(i, List.of()).forEach(f -> met.add(f.followUp().code()));
            }
            return new Drawing.Followed(met, c.outcome().orElse(""));
        }).orElse(Drawing.Followed.NOBODY);
        return Drawing.of(branches, MapLayout.of(branches), followed, alone, "Branches of " + draft.document().title());
    }

    @GetMapping("/file.svg")
    ResponseEntity<String> file(@PathVariable String code, @RequestParam(defaultValue = "") String level,
            @RequestParam(defaultValue = "") String answers, Principal who) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        acts.saved(who.getName(), code, "the map of revision " + draft.revision());
        Branches branches = branches(proof, level(level, proof, ""));
        if (!branches.isDrawable()) {
            throw new NotThere("There is too much to draw. Look at the map as a table.");
        }
        Context model = new Context(Locale.ENGLISH, Map.of("drawing", drawing(draft, branches, followed(draft, proof, answers), true)));
        String svg = templates.process("map/drawing", Set.of("drawing"), model);
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + code + "-map.svg\"").body(svg);
    }

    private static List<WayRow> rows(Draft draft, Branches branches) {
        List<WayRow> rows = new ArrayList<>();
        for (Branches.MapWay way : branches.ways()) {
            rows.add(new WayRow(name(draft, way.from()), way.how(), name(draft, way.to()),
                    way.words().isEmpty() ? "always" : way.words(), way.reached(), rows.size()));
        }
        for (Branches.CaseFrame followUp : branches.followUps()) {
            followUp.from().forEach(from -> rows.add(new WayRow(name(draft, from), "opens", "follow-up " + followUp.title(),
                    followUp.words().isEmpty() ? "always" : followUp.words(), followUp.reached(), -1)));
        }
        for (Branches.PageFrame page : branches.frames()) {
            for (Branches.ConditionLine line : page.lines()) {
                String from = line.from().substring(line.from().indexOf('~') + 1);
                rows.add(new WayRow(from, "decides", line.to(), line.words(), line.reached(), -1));
            }
        }
        return rows;
    }

    private static String name(Draft draft, String code) {
        return code.equals(Branches.TABLE)
                ? "the outcome table"
                : draft.document().page(code).map(p -> "page " + p.title()).orElseGet(() -> draft.document().outcome(code)
                        .map(o -> "outcome " + o.label())
                        .or(() -> draft.document().followUp(code).map(f -> "follow-up " + f.shown())).orElse(code));
    }

    /** What is known of one box, beside the drawing. */
    @GetMapping("/about")
    String about(@PathVariable String code, @RequestParam String at, Model model) {
        Draft draft = frame.draft(code);
        model.addAttribute("code", code);
        Proof proof = proofs.of(draft);
        about(proof, at).ifPresent(a -> model.addAttribute("about", a));
        model.addAttribute("claimWords", proof.words());
        return "map :: about";
    }

    /**
     * One way and who takes it.
     *
     * @param counted whether that is known by now
     */
    record Taken(int number, String from, String how, String to, String when, boolean counted, String paths, String routes, String why) {}

    /** What is known of one way, beside the drawing. */
    @GetMapping("/way")
    String way(@PathVariable String code, @RequestParam int number, Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        List<Branches.MapWay> ways = branches(proof, Branches.Level.PAGES).ways();
        if (number < 0 || number >= ways.size()) {
            throw new NotThere("This way is not in the questionnaire any more. Load the map again.");
        }
        Branches.MapWay way = ways.get(number);
        Optional<Share> share = shares.ready(draft, proof, way.counted(draft.document()));
        Optional<Figures> all = proof.counted();
        model.addAttribute("code", code);
        model.addAttribute("way", new Taken(number, name(draft, way.from()), way.how(), name(draft, way.to()),
                way.words().isEmpty() ? "always" : way.words(), share.isPresent() && all.isPresent(),
                part(share.flatMap(Share::answerPaths), all.flatMap(Figures::answerPaths)),
                part(share.flatMap(Share::routes), all.flatMap(Figures::routes)),
                share.flatMap(Share::notCounted).map(proof.words()::said).orElse("")));
        return "map :: way";
    }

    /** One number of another, and how much of it that is. */
    private static String part(Optional<BigInteger> some, Optional<BigInteger> all) {
        if (some.isEmpty() || all.isEmpty() || all.get().signum() == 0) {
            return "not counted";
        }
        BigDecimal percent = new BigDecimal(some.get()).multiply(BigDecimal.valueOf(100)).divide(new BigDecimal(all.get()),
                new MathContext(3));
        boolean hardly = some.get().signum() > 0 && percent.compareTo(LEAST_SHOWN) < 0;
        return Frame.grouped(some.get()) + " of " + Frame.grouped(all.get()) + ", " + (hardly
                ? "under " + LEAST_SHOWN
                : percent
                        .stripTrailingZeros().toPlainString())
                + "\u00a0%";
    }

    private static Optional<About> about(Proof proof, String at) {
        Optional<Item> item = proof.document().item(at);
        Optional<Page> page = proof.document().page(at);
        boolean ending = at.equals(Edit.ENDING) || at.equals(Branches.TABLE) || proof.document().outcome(at).isPresent();
        Optional<FollowUp> followUp = proof.document().followUp(at).filter(f -> item.isEmpty());
        if (item.isEmpty() && page.isEmpty() && !ending && followUp.isEmpty()) {
            return Optional.empty();
        }
        String title = item.map(Item::wording).or(() -> page.map(Page::title))
                .or(() -> followUp.map(FollowUp::shown)).or(() -> proof.document().outcome(at).map(o -> o.label())).orElse("Outcome table");
        List<String> decidedBy = new ArrayList<>();
        proof.document().items().filter(i -> i instanceof Group g && !g.code().equals(at)
                && g.withInner().anyMatch(inner -> inner.code().equals(at))).forEach(g -> decidedBy.add(g.code()));
        Optional<Wiring.Wire> condition = proof.wiring()
                .at(at + (page.isPresent() ? ".openWhen" : followUp.isPresent() ? ".openFollowUp" : ".askWhen"));
        condition.ifPresent(w -> decidedBy.addAll(w.uses()));
        List<String> decides = proof.wiring().wires().stream()
                .filter(w -> w.uses().contains(at) && w.family() != RuleFamily.CLAIM && !w.owner().equals(at))
                .map(Wiring.Wire::owner).distinct().toList();
        List<Claim> here = proof.claims().stream().filter(c -> c.kind() != ClaimKind.TRANSLATED
                && c.at().row().equals(at) || ending && c.at().isOf(RuleFamily.OUTCOME_ROW)).toList();
        return Optional.of(new About(ending ? Edit.ENDING : at, title,
                item.map(Item::kind).orElse(page.isPresent() ? "page" : followUp.isPresent() ? "follow-up" : "outcome"),
                condition.map(w -> w.readable().map(Phrase::of).orElse(w.text())).orElse(""),
                decidedBy, decides,
                here.stream().filter(c -> c.verdict() != Verdict.PROVED && c.follows().isEmpty()).toList(),
                here.stream().filter(c -> c.verdict() == Verdict.PROVED).count()));
    }
}
