package orthogon.app.prove;

import orthogon.app.frame.Frame;
import orthogon.app.http.NotThere;
import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.Routes;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.StoredAnswers;
import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.util.UriComponentsBuilder;

/** Routes: all of them as lanes, and one or two of them with their respondents. */
@Controller
@RequestMapping("/q/{code}/prove")
class LanesController {

    private static final String NO_OUTCOME = "-";

    /**
     * What the analyst asks for; addresses carry it.
     *
     * @param asks code that must be asked; empty for any
     * @param without code that must not be
     * @param ends outcome; empty for any, a dash for none
     * @param longer more questions than this; empty for any
     * @param shorter fewer questions than this; empty for any
     * @param from number of the first lane, from 0; empty to spread them
     * @param route codes with commas between them: the one route that asks these and nothing else; empty for any
     */
    record WantedRoutes(String asks, String without, String ends, String longer, String shorter, String from, Boolean every, String route) {

        WantedRoutes {
            asks = Objects.requireNonNullElse(asks, "");
            without = Objects.requireNonNullElse(without, "");
            ends = Objects.requireNonNullElse(ends, "");
            longer = Objects.requireNonNullElse(longer, "");
            shorter = Objects.requireNonNullElse(shorter, "");
            from = Objects.requireNonNullElse(from, "");
            every = Boolean.TRUE.equals(every);
            route = Objects.requireNonNullElse(route, "");
        }

        Routes.Filter filter(Routes routes) {
            Optional<String> outcome = ends.isEmpty() ? Optional.empty() : Optional.of(ends.equals(NO_OUTCOME) ? "" : ends);
            return route.isEmpty()
                    ? new Routes.Filter(known(asks, routes), known(without, routes), outcome, whole(longer, -1),
                            whole(shorter, Integer.MAX_VALUE))
                    : alone(routes, outcome);
        }

        private Routes.Filter alone(Routes routes, Optional<String> outcome) {
            Set<String> wanted = new HashSet<>(List.of(route.split(",")));
            Set<String> asked = wanted.stream().filter(routes::knows).collect(Collectors.toSet());
            Set<String> others = new HashSet<>(routes.asking().keySet());
            others.removeAll(asked);
            // A route of a release that asks what this draft does not is none of its routes.
            int shorter = asked.size() == wanted.size() ? Integer.MAX_VALUE : 0;
            return new Routes.Filter(asked, others, outcome, -1, shorter);
        }

        private static int whole(String typed, int otherwise) {
            return typed.matches("\\d{1,6}") ? Integer.parseInt(typed) : otherwise;
        }

        private static Set<String> known(String code, Routes routes) {
            return routes.knows(code) ? Set.of(code) : Set.of();
        }

        BigInteger first() {
            return from.matches("\\d{1,200}") ? new BigInteger(from) : BigInteger.ONE.negate();
        }

        /** As the end of an address. */
        public String query() {
            UriComponentsBuilder query = UriComponentsBuilder.newInstance();
            Map<String, String> all = new LinkedHashMap<>();
            all.put("asks", asks);
            all.put("without", without);
            all.put("ends", ends);
            all.put("longer", longer);
            all.put("shorter", shorter);
            all.put("route", route);
            all.forEach((name, value) -> {
                if (!value.isEmpty()) {
                    query.queryParam(name, value);
                }
            });
            if (every) {
                query.queryParam("every", true);
            }
            return Objects.requireNonNullElse(query.build().encode().getQuery(), "");
        }
    }

    /**
     * One route with somebody who goes along it.
     *
     * @param number among those wanted that end alike, from 1
     * @param of how many there are of them
     * @param answers of the respondent, as JSON
     */
    record Along(String id, String number, String of, String letter, String outcome, int colour, int questions, int words, int minutes,
            String paths, String answers, Course course) {}

    /**
     * One question on the selected route or on the one beside it.
     *
     * @param answer empty where it is not asked
     */
    record RouteLine(String code, String wording, String answer, String other, boolean differs) {}

    /** The interview does not go along the route it should, which is nothing to show a respondent of. */
    static final class NotConfirmed extends RuntimeException {
        NotConfirmed() {
            super(ClaimWords.disagreement());
        }
    }

    /** Which routes are wanted, and whether they are counted. */
    record LanesView(String code, WantedRoutes wanted, Questionnaire document, boolean counted, String why, boolean asTable) {}

    /** The lanes that are drawn, of all there are. */
    record FoundLanes(RouteLanes lanes, BigInteger all, Set<String> codes, BigInteger before) {}

    /** One respondent, or two beside each other. */
    record LaneView(String code, String query, Along one, Along other, List<RouteLine> lines, List<String> onlyOne,
            List<String> onlyOther) {}

    private final Frame frame;
    private final Proofs proofs;

    LanesController(Frame frame, Proofs proofs) {
        this.frame = frame;
        this.proofs = proofs;
    }

    @GetMapping("/lanes")
    String lanes(@PathVariable String code, @ModelAttribute WantedRoutes wanted, @RequestParam(defaultValue = "drawing") String as,
            Model model) {
        Draft draft = frame.draft(code);
        Proof proof = proofs.of(draft);
        Optional<Figures> figures = proof.counted();
        Optional<Routes> routes = figures.flatMap(Figures::everyRoute);
        Views.show(model, new LanesView(code, wanted, draft.document(), figures.isPresent(),
                figures.flatMap(Figures::notCounted).map(proof.words()::said).orElse(""), as.equals("table")));
        routes.ifPresent(r -> {
            RouteLanes lanes = RouteLanes.of(r, draft.document(), wanted.filter(r), wanted.first(), wanted.every() || as.equals("table"));
            Views.show(model, new FoundLanes(lanes, r.count(), r.asking().keySet(),
                    lanes.from().subtract(BigInteger.valueOf(RouteLanes.MOST)).max(BigInteger.ZERO)));
        });
        return "prove/lower :: lanes";
    }

    @GetMapping("/lane")
    String lane(@PathVariable String code, @ModelAttribute WantedRoutes wanted, @RequestParam String pick,
            @RequestParam(defaultValue = "") String with, Model model) {
        Draft draft = frame.draft(code);
        Routes routes = routes(draft);
        Along one = along(draft, routes, wanted, pick);
        Along other = with.isEmpty() || with.equals(pick) ? null : along(draft, routes, wanted, with);
        List<RouteLine> lines = lines(draft.document(), one, other);
        Views.show(model,
                new LaneView(code, wanted.query(), one, other, lines,
                        lines.stream().filter(l -> other != null && l.other().isEmpty()).map(RouteLine::code).toList(),
                        lines.stream().filter(l -> l.answer().isEmpty()).map(RouteLine::code).toList()));
        return "prove/chosen :: lane";
    }

    /** The respondent's answers, as the command line takes them. */
    @GetMapping("/lane.json")
    ResponseEntity<String> answers(@PathVariable String code, @ModelAttribute WantedRoutes wanted, @RequestParam String pick) {
        Draft draft = frame.draft(code);
        Along one = along(draft, routes(draft), wanted, pick);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + code + "-route.answers.json\"").body(one.answers());
    }

    @ExceptionHandler(NotConfirmed.class)
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    String notConfirmed(NotConfirmed why, Model model) {
        model.addAttribute("message", why.getMessage());
        return "prove/chosen :: disagrees";
    }

    private Routes routes(Draft draft) {
        return proofs.of(draft).figures().everyRoute().orElseThrow(() -> new NotThere("The routes of this revision are not counted."));
    }

    private static Along along(Draft draft, Routes routes, WantedRoutes wanted, String id) {
        int dot = id.lastIndexOf('.');
        BigInteger number = dot >= 0 && id.substring(dot + 1).matches("\\d{1,200}") ? new BigInteger(id.substring(dot + 1)) : null;
        if (number == null) {
            throw new NotThere("There is no route " + id + ".");
        }
        Routes.Filter filter = wanted.filter(routes).ending(id.substring(0, dot));
        List<Routes.Route> found = routes.list(filter, number, 1);
        if (found.isEmpty()) {
            throw new NotThere("There are fewer routes now; choose another lane.");
        }
        Routes.Route route = found.getFirst();
        Routes.Lane lane = routes.lane(route);
        Course course = Replay.of(wiring(draft), LocalDate.now(), lane.witness(), "").course();
        if (!Replay.isAlong(course, routes, route)) {
            throw new NotConfirmed();
        }
        int outcome = RouteLanes.number(draft.document(), route.outcome());
        return new Along(id, Frame.grouped(number.add(BigInteger.ONE)), Frame.grouped(routes.count(filter)), RouteLanes.letter(outcome),
                RouteLanes.label(draft.document(), route.outcome()), outcome % RouteLanes.COLOURS, route.asked().size(), course.words(),
                Math.ceilDiv(course.words(), Burden.WORDS_A_MINUTE), lane.paths().map(Frame::grouped).orElse("too many to count"),
                StoredAnswers.write(lane.witness()), course);
    }

    private static Wiring wiring(Draft draft) {
        return Wiring.of(draft.document());
    }

    private static List<RouteLine> lines(Questionnaire document, Along one, Along other) {
        Set<String> codes = new LinkedHashSet<>(one.course().askedQuestions());
        if (other != null) {
            codes.addAll(other.course().askedQuestions());
        }
        List<RouteLine> lines = new ArrayList<>();
        document.items().filter(i -> codes.contains(i.code())).forEach(item -> {
            String answer = said(document, item, one.course());
            String beside = other == null ? "" : said(document, item, other.course());
            lines.add(new RouteLine(item.code(), item.wording(), answer, beside, other != null && !answer.equals(beside)));
        });
        return lines;
    }

    private static String said(Questionnaire document, Item item, Course course) {
        return course.asked().contains(item.code())
                ? Explained.shown(document, item.code(), course.effective().get(item.code()))
                : "";
    }
}
