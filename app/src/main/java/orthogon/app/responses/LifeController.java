package orthogon.app.responses;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FigureStore;
import orthogon.app.store.FigureStore.CountedRoute;
import orthogon.app.store.InterviewStore;
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
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.responses.CountedValue;
import orthogon.core.responses.KeptValue.ValueKind;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.Selection;
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
     */
    record TakenRouteLine(int count, String share, String outcome, int questions, String example) {}

    /** An option that was on offer and that nobody chose. */
    record UnchosenOption(String question, String option, String label, int answered) {}

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
    private final InterviewStore interviews;

    LifeController(Frame frame, ResponseSearch search, FigureStore figures, RefusalStore refusals, ResponseStore responses,
            ReleaseStore releases, KnownReleases known, InterviewStore interviews) {
        this.frame = frame;
        this.search = search;
        this.figures = figures;
        this.refusals = refusals;
        this.responses = responses;
        this.releases = releases;
        this.known = known;
        this.interviews = interviews;
    }

    @GetMapping
    String life(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        ResponseDocument over = search.over(draft);
        Questionnaire document = search.document(draft);
        Wanted all = new Wanted(draft.id(), over, new Selection.EveryResponse(), "", true);
        Optional<Release> newest = known.of(draft.id()).stream().findFirst();
        List<CountedRoute> taken = figures.routes(all).stream().filter(r -> newest.filter(n -> n.id() == r.release()).isPresent()).toList();
        int sent = taken.stream().mapToInt(CountedRoute::count).sum();
        String proved = newest.map(n -> KeptProof.read(releases.proof(n.id())).routes()).orElse("");
        Map<String, Integer> asked = asked(figures.routes(all));
        Map<String, Integer> answered = figures.answered(all);
        List<Response> latest = responses.page(all, Order.NEWEST, 0, CHECKED);
        Views.show(model, new LifeView(newest.map(Release::number).orElse(0), sent, taken.size(),
                proved.isEmpty() ? "" : Frame.grouped(new BigInteger(proved)),
                proved.isEmpty()
                        ? ""
                        : Frame.grouped(new BigInteger(proved).subtract(BigInteger.valueOf(taken.size())).max(BigInteger.ZERO)),
                half(taken, sent), taken.stream().limit(ROUTES_SHOWN).map(r -> line(draft, document, r, sent)).toList(),
                sent == 0 ? List.of() : neverAsked(document, asked), unchosen(document, all, answered), refused(draft),
                leftOut(document, asked, answered),
                latest.stream().filter(r -> !r.stripped() && !isAccepted(r)).map(Response::receipt).toList(),
                latest.size()));
        return "life";
    }

    private static Map<String, Integer> asked(List<CountedRoute> routes) {
        Map<String, Integer> asked = new HashMap<>();
        routes.forEach(r -> r.route().asked().forEach(code -> asked.merge(code, r.count(), Integer::sum)));
        return asked;
    }

    /** How many of the commonest routes half of all responses took. */
    private static int half(List<CountedRoute> taken, int sent) {
        int so = 0;
        int routes = 0;
        for (CountedRoute route : taken) {
            if (2 * so >= sent) {
                break;
            }
            so += route.count();
            routes++;
        }
        return routes;
    }

    private TakenRouteLine line(Draft draft, Questionnaire document, CountedRoute route, int sent) {
        return new TakenRouteLine(route.count(), percent(route.count(), sent),
                document.outcome(route.route().outcome()).map(Questionnaire.Outcome::label).orElse("no outcome"),
                route.route().asked().size(),
                figures.example(draft.id(), route).orElse(""));
    }

    private static String percent(int part, int of) {
        return of == 0 ? "" : new BigDecimal(100L * part).divide(BigDecimal.valueOf(of), 1, RoundingMode.HALF_UP) + " %";
    }

    private static List<Item> neverAsked(Questionnaire document, Map<String, Integer> asked) {
        return document.items().filter(i -> i instanceof Question q && !q.isHidden() || i instanceof Roster)
                .filter(i -> document.rosterOf(i.code()).isEmpty() && !asked.containsKey(i.code())).limit(MOST_LINES).toList();
    }

    private List<UnchosenOption> unchosen(Questionnaire document, Wanted all, Map<String, Integer> answered) {
        List<Question> choices = document.questions().filter(q -> document.rosterOf(q.code()).isEmpty())
                .filter(q -> q.answer().domain() instanceof Domain.OneOf || q.answer().domain() instanceof Domain.Subset).toList();
        Map<String, List<CountedValue>> values = figures.values(all, choices.stream().map(Question::code).toList());
        List<UnchosenOption> unchosen = new ArrayList<>();
        for (Question q : choices) {
            Set<String> chosen = new HashSet<>();
            values.getOrDefault(q.code(), List.of()).stream().filter(v -> v.kind() == ValueKind.TEXT || v.kind() == ValueKind.ELEMENT)
                    .forEach(v -> chosen.add(v.text()));
            int count = answered.getOrDefault(q.code(), 0);
            for (Option option : q.answer().options()) {
                if (count > 0 && !chosen.contains(option.code())) {
                    unchosen.add(new UnchosenOption(q.code(), option.code(), option.label(), count));
                }
            }
        }
        unchosen.sort(Comparator.comparing(UnchosenOption::answered).reversed());
        return unchosen.stream().limit(MOST_LINES).toList();
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

    private static List<LeftOutLine> leftOut(Questionnaire document, Map<String, Integer> asked, Map<String, Integer> answered) {
        return document.questions().filter(q -> document.rosterOf(q.code()).isEmpty()).map(q -> {
            int of = asked.getOrDefault(q.code(), 0);
            int left = Math.max(0, of - answered.getOrDefault(q.code(), 0));
            return new LeftOutLine(q.code(), q.wording(), of, left, percent(left, of));
        }).filter(l -> l.leftOut() > 0)
                .sorted(Comparator.comparing((LeftOutLine l) -> (double) l.leftOut() / l.asked()).reversed()).limit(MOST_LINES).toList();
    }

    /** Whether the interview accepts the answers as they were sent. */
    private boolean isAccepted(Response response) {
        return interviews.find(response.interviewId()).map(r -> r.interview().course())
                .filter(c -> c.complete() && c.outcome().orElse("").equals(response.outcome())
                        && c.pages().stream().allMatch(p -> p.problems().isEmpty()))
                .isPresent();
    }
}
