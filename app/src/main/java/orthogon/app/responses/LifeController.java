package orthogon.app.responses;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FigureStore;
import orthogon.app.store.FigureStore.ReadFigures;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.RefusalStore;
import orthogon.app.store.RefusalStore.CountedRefusal;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Order;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.app.view.Views;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.CountedRoute;
import orthogon.core.responses.Overlooked;
import orthogon.core.responses.Overlooked.LeftOutQuestion;
import orthogon.core.responses.Overlooked.UnchosenOption;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.Selection;
import orthogon.core.responses.TakenRoutes;
import orthogon.formats.report.KeptProof;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;

/** What was proved beside what happened: routes, options that nobody chose, answers that were refused, questions that are left out. */
@Controller
@RequestMapping("/q/{code}/responses/life")
class LifeController {

    private static final int ROUTES_SHOWN = 12;
    private static final int MOST_LINES = 12;
    /** Responses whose answers are given to the interview again. */
    private static final int CHECKED = 500;

    /**
     * A route that was taken.
     *
     * @param share in percent of all responses to the release
     * @param questions that it asks
     * @param lane address of its lane in the proof
     */
    record TakenRouteLine(int count, String share, String outcome, int questions, String lane, String example) {}

    /** Something that people run into. */
    record RefusedLine(String code, String why, int count) {}

    /** A question that is often left out. */
    record LeftOutLine(String code, String wording, int asked, int leftOut, String share) {}

    /**
     * The sheet.
     *
     * @param proved how many routes the release has; empty where they were not counted
     * @param half so many of the commonest routes were taken by half of all
     * @param neverAsked questions that no response was asked
     * @param unlike receipts of responses that the interview would not accept any more, of the newest {@code checked}
     */
    record LifeView(int release, int responses, int taken, String proved, String never, int half, List<TakenRouteLine> routes,
            List<Item> neverAsked, List<UnchosenOption> unchosen, List<RefusedLine> refused, List<LeftOutLine> leftOut, List<String> unlike,
            int checked) {}

    private final Frame frame;
    private final ResponseSearch search;
    private final FigureStore figures;
    private final RefusalStore refusals;
    private final ResponseStore responses;
    private final ReleaseStore releases;
    private final KnownReleases known;
    private final AcceptedResponses accepted;

    LifeController(Frame frame, ResponseSearch search, FigureStore figures, RefusalStore refusals, ResponseStore responses,
            ReleaseStore releases, KnownReleases known, AcceptedResponses accepted) {
        this.frame = frame;
        this.search = search;
        this.figures = figures;
        this.refusals = refusals;
        this.responses = responses;
        this.releases = releases;
        this.known = known;
        this.accepted = accepted;
    }

    @GetMapping
    String life(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        ResponseDocument over = search.over(draft);
        Questionnaire document = search.document(draft);
        Wanted all = new Wanted(draft.id(), over, new Selection.EveryResponse(), "", true);
        Optional<Release> newest = known.of(draft.id()).stream().findFirst();
        ReadFigures read = figures.of(all);
        TakenRoutes routes = read.routes();
        TakenRoutes taken = newest.map(n -> routes.of(n.id())).orElse(new TakenRoutes(List.of()));
        int sent = taken.responses();
        Optional<BigInteger> proved = newest.map(n -> KeptProof.read(releases.proof(n.id())).routes()).filter(n -> !n.isEmpty())
                .map(BigInteger::new);
        Overlooked overlooked = Overlooked.of(document, read.answers());
        List<Response> latest = responses.page(all, Order.NEWEST, 0, CHECKED);
        Views.show(model, new LifeView(newest.map(Release::number).orElse(0), sent, taken.routes().size(),
                proved.map(Frame::grouped).orElse(""),
                proved.map(n -> Frame.grouped(n.subtract(BigInteger.valueOf(taken.routes().size())).max(BigInteger.ZERO))).orElse(""),
                taken.half(), taken.routes().stream().limit(ROUTES_SHOWN).map(r -> line(draft, document, r, sent)).toList(),
                overlooked.neverAsked().stream().limit(MOST_LINES).toList(), overlooked.unchosen().stream().limit(MOST_LINES).toList(),
                refused(draft), overlooked.leftOut().stream().limit(MOST_LINES).map(LifeController::line).toList(),
                latest.stream().filter(r -> !r.stripped() && !accepted.isAccepted(r)).map(Response::receipt).toList(), latest.size()));
        return "life";
    }

    private TakenRouteLine line(Draft draft, Questionnaire document, CountedRoute route, int sent) {
        return new TakenRouteLine(route.count(), percent(route.count(), sent),
                document.outcome(route.route().outcome()).map(Questionnaire.Outcome::label).orElse("no outcome"),
                route.route().asked().size(), ResponsesController.lane(draft.code(), route.route()),
                figures.example(draft.id(), route).orElse(""));
    }

    private static String percent(int part, int of) {
        return new BigDecimal(100L * part).divide(BigDecimal.valueOf(of), 1, RoundingMode.HALF_UP) + " %";
    }

    private static LeftOutLine line(LeftOutQuestion left) {
        return new LeftOutLine(left.question().code(), left.question().wording(), left.asked(), left.leftOut(),
                percent(left.leftOut(), left.asked()));
    }

    private List<RefusedLine> refused(Draft draft) {
        return refusals.of(draft.id()).stream().limit(MOST_LINES).map(r -> new RefusedLine(r.code(), words(r), r.count())).toList();
    }

    private static String words(CountedRefusal refusal) {
        return switch (refusal.kind()) {
            case REQUIRED -> "no answer given";
            case UNREADABLE -> "cannot be read";
            case LIMIT -> "outside its limits";
            case OPTION -> "option not on offer";
            case ACCEPT -> "refused by a condition";
        };
    }
}
