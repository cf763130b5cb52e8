package orthogon.app.responses;

import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FigureStore;
import orthogon.app.store.FigureStore.BegunInterviews;
import orthogon.app.store.FigureStore.ComeSoFar;
import orthogon.app.store.FigureStore.ReadFigures;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.app.view.Views;
import orthogon.core.answer.Domain;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.AnswerFigure;
import orthogon.core.responses.AnswerFigures;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.ResponseFilter;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;

/** Figures of the responses: how far people come, when they answer, and what they answer. */
@Controller
@RequestMapping("/q/{code}/responses/figures")
class FiguresController {

    /** Interviews of which it is looked how long their respondents stay on a page. */
    private static final int STAYS_OF = 2_000;

    /**
     * Groups that stand beside each other.
     *
     * @param by code of a choice or of a fact; empty for one group of all
     * @param one a value, and {@code two} another
     */
    record Beside(String by, String one, String two) {

        boolean isSet() {
            return by != null && !by.isEmpty() && one != null && !one.isEmpty() && two != null && !two.isEmpty();
        }
    }

    /**
     * A page as a step.
     *
     * @param came how many came to it, for each group, and {@code widths} of their bars
     * @param gaveUp how many unfinished ones are on it, for each group
     * @param stay half of the people leave it within this time; empty where it is not known
     */
    record PageStep(String title, List<Integer> came, List<Integer> gaveUp, List<Integer> widths, String stay) {

        public boolean isLeft() {
            return gaveUp.stream().anyMatch(n -> n > 0);
        }
    }

    /** The responses of one day. */
    record DayBar(LocalDate day, int count, int height) {}

    /**
     * The sheet.
     *
     * @param groups names of the groups, one or two
     * @param sizes how many responses each has
     * @param wrong what is wrong with the filter; empty where it can be used
     * @param choices by what can be grouped, code to its values with their labels
     */
    record FiguresSheet(List<FilterChip> chips, String wrong, String searched, List<Integer> begun, List<Integer> sent,
            List<PageStep> steps,
            List<DayBar> days,
            List<DrawnFigure> figures, List<String> groups, List<Integer> sizes, Beside beside, Map<String, Map<String, String>> choices,
            String back) {}

    private final Frame frame;
    private final ResponseSearch search;
    private final ReadResponses reads;
    private final FigureStore store;

    FiguresController(Frame frame, ResponseSearch search, ReadResponses reads, FigureStore store) {
        this.frame = frame;
        this.search = search;
        this.reads = reads;
        this.store = store;
    }

    @GetMapping
    String figures(@PathVariable String code, @ModelAttribute Beside beside, Principal who, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        TableReading reading = reads.left(draft, who.getName());
        ResponseDocument over = search.over(draft);
        Questionnaire document = search.document(draft);
        ResponseFilter filter = ResponseFilter.none(over);
        Set<String> hidden = search.hidden(draft, who.getName());
        String wrong = "";
        try {
            filter = search.filter(draft, reading, hidden);
        } catch (Refused e) {
            wrong = e.getMessage();
        }
        Map<String, Map<String, String>> choices = choices(over);
        choices.keySet().removeAll(hidden);
        boolean isBeside = beside.isSet()
                && choices.getOrDefault(beside.by(), Map.of()).keySet().containsAll(List.of(beside.one(), beside.two()));
        List<Wanted> groups = new ArrayList<>();
        List<String> names = new ArrayList<>();
        if (isBeside) {
            for (String value : List.of(beside.one(), beside.two())) {
                groups.add(search.figured(draft, within(filter, beside.by(), value), reading, hidden));
                names.add(choices.get(beside.by()).get(value));
            }
        } else {
            groups.add(search.figured(draft, filter, reading, hidden));
            names.add("all");
        }
        List<ReadFigures> read = groups.stream().map(store::of).toList();
        List<AnswerFigure> figures = AnswerFigures.of(document, read.stream().map(ReadFigures::answers).toList()).stream()
                .filter(f -> !hidden.contains(f.code().replaceFirst("\\..*", ""))).toList();
        List<ComeSoFar> soFar = begun(draft, over, isBeside ? beside : new Beside("", "", "")).stream().map(store::soFar).toList();
        Views.show(model,
                new FiguresSheet(FilterChip.of(filter), wrong, reading.search(), soFar.stream().map(ComeSoFar::begun).toList(),
                        soFar.stream().map(ComeSoFar::sent).toList(), steps(draft, document, soFar), days(read), DrawnFigure.of(figures),
                        names,
                        read.stream().map(ReadFigures::responses).toList(), isBeside ? beside : new Beside("", "", ""), choices,
                        ResponsesController.link(code, reading)));
        return "figures";
    }

    private static ResponseFilter within(ResponseFilter filter, String by, String value) {
        String group = by + " = \"" + value + "\"";
        String text = filter.text().isEmpty() ? group : "(" + filter.text() + ") and " + group;
        try {
            return ResponseFilter.read(filter.over(), text, LocalDate.now());
        } catch (Refused e) {
            throw new IllegalStateException(e);
        }
    }

    /** By what responses can be put beside each other: facts and questions with one choice. */
    private static Map<String, Map<String, String>> choices(ResponseDocument over) {
        Map<String, Map<String, String>> choices = new LinkedHashMap<>();
        List<Question> questions = new ArrayList<>(over.document().questions().filter(q -> q.answer().domain() instanceof Domain.OneOf
                && over.document().rosterOf(q.code()).isEmpty()).toList());
        Optional<String> outcome = Optional.ofNullable(over.codes().get(ResponseFact.OUTCOME));
        questions.sort(
                (a, b) -> Boolean.compare(outcome.filter(b.code()::equals).isPresent(), outcome.filter(a.code()::equals).isPresent()));
        questions.forEach(q -> {
            Map<String, String> options = new LinkedHashMap<>();
            q.answer().options().forEach(o -> options.put(o.code(), o.label().isEmpty() ? o.code() : o.label()));
            choices.put(q.code(), options);
        });
        over.document().linkParameters().stream().filter(p -> !p.allowed().isEmpty())
                .forEach(p -> choices.put(p.code(),
                        p.allowed().stream().collect(Collectors.toMap(v -> v, v -> v, (a, b) -> a, LinkedHashMap::new))));
        return choices;
    }

    /** Interviews that stand beside each other: only by what is known of an unfinished one too. */
    private static List<BegunInterviews> begun(Draft draft, ResponseDocument over, Beside beside) {
        List<String> values = Arrays.asList(beside.one(), beside.two());
        if (over.fact(beside.by()).filter(f -> f == ResponseFact.LANGUAGE).isPresent()) {
            return values.stream().map(v -> new BegunInterviews(draft.id(), v, Map.of())).toList();
        }
        return over.document().linkParameters().stream().anyMatch(p -> p.code().equals(beside.by()))
                ? values.stream().map(v -> new BegunInterviews(draft.id(), "", Map.of(beside.by(), v))).toList()
                : List.of(BegunInterviews.all(draft.id()));
    }

    private List<PageStep> steps(Draft draft, Questionnaire document, List<ComeSoFar> groups) {
        Map<String, List<Long>> stays = store.stays(draft.id(), STAYS_OF);
        List<PageStep> steps = new ArrayList<>();
        for (Page page : document.pages()) {
            List<Integer> there = groups.stream().map(g -> g.there().getOrDefault(page.code(), 0)).toList();
            List<Integer> came = groups.stream().map(g -> g.left().getOrDefault(page.code(), 0) + g.there().getOrDefault(page.code(), 0))
                    .toList();
            List<Integer> widths = IntStream.range(0, came.size()).mapToObj(g -> share(came.get(g), groups.get(g).begun())).toList();
            List<Long> stayed = stays.getOrDefault(page.code(), List.of());
            steps.add(new PageStep(page.title(), came, there, widths,
                    stayed.isEmpty() ? "" : time(stayed.get(stayed.size() / 2))));
        }
        return steps;
    }

    private static int share(int part, int of) {
        return of == 0 ? 0 : Math.min(DrawnFigure.WIDTH, Math.round((float) DrawnFigure.WIDTH * part / of));
    }

    private static String time(long seconds) {
        return seconds < 90 ? seconds + " s" : Math.round(seconds / 60.0) + " min";
    }

    private List<DayBar> days(List<ReadFigures> groups) {
        Map<LocalDate, Integer> all = new LinkedHashMap<>();
        groups.forEach(g -> g.days().forEach((day, n) -> all.merge(day, n, Integer::sum)));
        int most = all.isEmpty() ? 1 : Math.max(1, Collections.max(all.values()));
        return new TreeMap<>(all).entrySet().stream()
                .map(e -> new DayBar(e.getKey(), e.getValue(), Math.round((float) DrawnFigure.HEIGHT * e.getValue() / most))).toList();
    }
}
