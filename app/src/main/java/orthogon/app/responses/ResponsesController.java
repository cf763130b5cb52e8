package orthogon.app.responses;

import java.net.URI;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.builder.SentenceBuilder;
import orthogon.app.frame.Frame;
import orthogon.app.responses.ResponseCells.ResponseCell;
import orthogon.app.responses.ResponseColumns.ResponseColumn;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.ResponseViewStore;
import orthogon.app.store.ResponseViewStore.NamedView;
import orthogon.app.view.Views;
import orthogon.app.work.EraseResponses;
import orthogon.app.work.SendMessagesAgain;
import orthogon.app.work.WorkOnResponses;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseFilter;
import orthogon.core.responses.TakenRoute;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;

/** The table of responses: columns, views, filter, search and order, and what is done to several at once. */
@Controller
@RequestMapping("/q/{code}/responses")
class ResponsesController {

    static final int PER_PAGE = 100;
    private static final int LONGEST_NAME = 80;
    private static final int MOST_VIEWS = 50;

    /** One response in the table. */
    record ResponseRow(String receipt, List<ResponseCell> cells) {}

    /**
     * The table.
     *
     * @param views that have a name, and {@code viewName} the one that is read now; empty for none of them
     * @param wrong what is wrong with the filter; empty where it can be used
     * @param count how many the filter and the search let through, {@code all} how many there are
     * @param link address of this table as it is read, without the page
     * @param sendable messages that responses send, code to name
     */
    record ResponsesView(TableReading reading, List<FilterChip> chips, String wrong, List<ResponseColumn> columns,
            Map<String, List<ResponseColumn>> groups, int available, List<ResponseRow> rows, int count, int all, int pageNumber,
            int pageCount, List<NamedView> views, String viewName, Map<String, String> states, Map<String, String> workers, String link,
            Map<String, String> sendable) {}

    /**
     * The question before responses are erased.
     *
     * @param every whether all are meant that the table shows
     * @param typed what stands in the field for their number
     */
    record EraseView(List<String> receipts, boolean every, int number, String back, String typed) {}

    /**
     * What an address asks the table for; a part that is null stays as the person left it.
     *
     * @param mine whether it asks for what the person is in charge of and has not done, in place of any filter
     */
    record TableRequest(String view, String filter, String search, String sort, Boolean down, Integer page, Boolean mine) {}

    private final Frame frame;
    private final ResponseSearch search;
    private final KnownReleases releases;
    private final ResponseViewStore views;
    private final WorkOnResponses work;
    private final ReadResponses reads;
    private final EraseResponses erasing;
    private final SendMessagesAgain again;

    ResponsesController(Frame frame, ResponseSearch search, KnownReleases releases, ResponseViewStore views, WorkOnResponses work,
            ReadResponses reads, EraseResponses erasing, SendMessagesAgain again) {
        this.again = again;
        this.erasing = erasing;
        this.reads = reads;
        this.frame = frame;
        this.search = search;
        this.releases = releases;
        this.views = views;
        this.work = work;
    }

    @GetMapping
    String sheet(@PathVariable String code, @ModelAttribute TableRequest asked, Principal who, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        ResponseColumns columns = reads.columns(draft, who.getName());
        TableReading left = reads.left(draft, who.getName());
        TableReading reading = Boolean.TRUE.equals(asked.mine())
                ? left.asking(ResponseFilter.inCharge(search.over(draft), who.getName()), "", left.sort(), left.down())
                : asked(draft, asked, left);
        if (!reading.equals(left)) {
            views.keep(draft.id(), "", who.getName(), reading.written());
        }
        show(draft, reading, columns, asked.page() == null ? 1 : asked.page(), search.hidden(draft, who.getName()), model);
        return "responses";
    }

    private TableReading asked(Draft draft, TableRequest asked, TableReading left) {
        Optional<NamedView> named = asked.view() == null
                ? Optional.empty()
                : views.named(draft.id()).stream().filter(v -> v.name().equals(asked.view())).findFirst();
        TableReading from = named.map(v -> TableReading.read(v.settings(), left)).orElse(left);
        return from.asking(asked.filter() == null ? from.filter() : asked.filter(),
                asked.search() == null ? from.search() : asked.search(), asked.sort() == null ? from.sort() : asked.sort(),
                asked.down() == null ? from.down() : asked.down());
    }

    private void show(Draft draft, TableReading reading, ResponseColumns columns, int page, Set<String> hidden, Model model) {
        ResponseFilter filter;
        String wrong = "";
        try {
            filter = search.filter(draft, reading, hidden);
        } catch (Refused e) {
            filter = ResponseFilter.none(search.over(draft));
            wrong = e.getMessage();
        }
        List<ResponseColumn> shown = columns.of(reading.columns());
        Map<String, String> states = search.states();
        Map<String, String> people = search.people(draft);
        ResponseCells cells = new ResponseCells(states, people, hidden);
        int at = Math.clamp(page, 1, 1_000_000);
        ResponseSearch.FoundResponses found = search.page(draft, filter, reading, hidden, at - 1, PER_PAGE);
        int pages = Math.max(1, Math.ceilDiv(found.count(), PER_PAGE));
        List<ResponseRow> rows = found.found().stream().map(r -> row(r, shown, cells)).toList();
        List<NamedView> named = views.named(draft.id());
        String name = named.stream().filter(v -> TableReading.read(v.settings(), null) instanceof TableReading r && r.equals(reading))
                .map(NamedView::name).findFirst().orElse("");
        Views.show(model,
                new ResponsesView(reading, FilterChip.of(filter), wrong, shown, columns.grouped(), columns.all().size(), rows,
                        found.count(),
                        search.all(draft), Math.min(at, pages), pages, named, name, states, people, link(draft.code(), reading),
                        sendable(draft.document())));
    }

    private static Map<String, String> sendable(Questionnaire document) {
        Map<String, String> sendable = new LinkedHashMap<>();
        document.messages().stream().filter(DispatchMessage::isAfterAnswers).forEach(m -> sendable.put(m.code(), m.shown()));
        return sendable;
    }

    /** The address of the table as it is read. */
    static String link(String code, TableReading reading) {
        URI address = UriComponentsBuilder.fromPath("/q/{code}/responses").queryParam("filter", "{filter}")
                .queryParam("search", "{search}").queryParam("sort", "{sort}").queryParam("down", reading.down())
                .encode().buildAndExpand(code, reading.filter(), reading.search(), reading.sort()).toUri();
        return address.toString();
    }

    /** The address of a route's lane in the proof. */
    static String lane(String code, TakenRoute route) {
        return UriComponentsBuilder.fromPath("/q/{code}/prove").queryParam("tab", "lanes").queryParam("route", "{route}")
                .queryParam("ends", "{ends}").queryParam("every", true).encode()
                .buildAndExpand(code, String.join(",", route.asked()), route.outcome().isEmpty() ? "-" : route.outcome()).toUri()
                .toString();
    }

    private ResponseRow row(Response response, List<ResponseColumn> columns, ResponseCells cells) {
        Questionnaire document = releases.get(response.releaseId()).document();
        return new ResponseRow(response.receipt(), columns.stream().map(c -> cells.of(document, response, c)).toList());
    }

    /** The sentence builder over answers and what is known about each response. */
    @PostMapping("/sentence")
    String sentence(@PathVariable String code, @ModelAttribute SentenceBuilder.Build build,
            @RequestParam MultiValueMap<String, String> form,
            Model model) {
        return SentenceBuilder.show("/q/" + code + "/responses/sentence", Wiring.of(search.over(frame.draft(code)).document()), build, form,
                model);
    }

    /** Shows these columns from now on, in this order. */
    @PostMapping("/columns")
    String columns(@PathVariable String code, @RequestParam(defaultValue = "") List<String> column,
            @RequestParam(defaultValue = "") String order, @RequestParam(defaultValue = "false") boolean wordings, Principal who) {
        Draft draft = frame.draft(code);
        ResponseColumns columns = reads.columns(draft, who.getName());
        List<String> wanted = new ArrayList<>(Arrays.stream(order.split(",")).filter(column::contains).distinct().toList());
        column.stream().filter(c -> !wanted.contains(c)).forEach(wanted::add);
        wanted.removeIf(c -> columns.find(c).isEmpty());
        TableReading reading = reads.left(draft, who.getName()).showing(wanted.isEmpty() ? columns.usual() : wanted, wordings);
        views.keep(draft.id(), "", who.getName(), reading.written());
        return "redirect:" + link(code, reading);
    }

    /** Keeps the table as it is read under a name, for everybody. */
    @PostMapping("/views")
    String keepView(@PathVariable String code, @RequestParam String name, Principal who, RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        TableReading reading = reads.left(draft, who.getName());
        boolean full = views.named(draft.id()).size() >= MOST_VIEWS;
        if (name.isBlank() || name.strip().length() > LONGEST_NAME || full) {
            flash.addFlashAttribute("message", full
                    ? "There are " + MOST_VIEWS + " views. Remove one, then try again."
                    : "Give the view a name of at most " + LONGEST_NAME + " characters.");
        } else {
            views.keep(draft.id(), name.strip(), who.getName(), reading.written());
        }
        return "redirect:" + link(code, reading);
    }

    @PostMapping("/views/remove")
    String removeView(@PathVariable String code, @RequestParam String name, Principal who) {
        Draft draft = frame.draft(code);
        if (!name.isBlank()) {
            views.remove(draft.id(), name, who.getName());
        }
        return "redirect:/q/" + code + "/responses";
    }

    /**
     * Sets the state of the chosen responses, or puts somebody in charge of them.
     *
     * @param every whether all are chosen that the filter and the search let through
     * @param table address of the table that the person looks at
     */
    @PostMapping("/chosen")
    String chosen(@PathVariable String code, @RequestParam(defaultValue = "") List<String> receipt,
            @RequestParam(defaultValue = "false") boolean every, @RequestParam(defaultValue = "") String table, @RequestParam String act,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(defaultValue = "") String person, @RequestParam(defaultValue = "") String again, Principal who,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        TableReading reading = reads.left(draft, who.getName());
        try {
            List<String> chosen = chosen(draft, receipt, every, table, who);
            flash.addFlashAttribute("told", switch (act) {
                case "state" -> stated(draft, chosen, state, who);
                case "again" -> sentAgain(draft, chosen, again, who);
                default -> charged(draft, chosen, person, who);
            });
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:" + link(code, reading);
    }

    /** Asks once more before responses are erased. */
    @PostMapping("/erase")
    String erase(@PathVariable String code, @RequestParam(defaultValue = "") List<String> receipt,
            @RequestParam(defaultValue = "false") boolean every, @RequestParam(defaultValue = "") String table,
            @RequestParam(defaultValue = "") String sure, Principal who, Model model,
            RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        TableReading reading = reads.left(draft, who.getName());
        try {
            List<String> chosen = chosen(draft, receipt, every, table, who);
            if (!sure.equals(String.valueOf(chosen.size()))) {
                frame.fill(model, draft, "responses");
                Views.show(model, new EraseView(chosen, every, chosen.size(), link(code, reading), sure));
                return "erase";
            }
            flash.addFlashAttribute("told", counted(erasing.erase(draft, chosen, who.getName())) + " erased for good.");
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:" + link(code, reading);
    }

    private List<String> chosen(Draft draft, List<String> ticked, boolean every, String table, Principal who) throws Refused {
        if (every && !table.equals(link(draft.code(), reads.left(draft, who.getName())))) {
            throw new Refused("You changed the conditions of this table in another window. Look at what it shows now, then choose again.");
        }
        List<String> chosen = every ? search.receipts(reads.numbers(draft, who.getName())) : ticked;
        if (chosen.isEmpty()) {
            throw new Refused("Choose responses first: tick their rows, or choose all.");
        }
        return chosen;
    }

    private String stated(Draft draft, List<String> chosen, String state, Principal who) throws Refused {
        int n = work.setState(draft, chosen, state, who.getName());
        return counted(n) + (n == 1 ? " is " : " are ") + search.states().get(state) + " now.";
    }

    private String charged(Draft draft, List<String> chosen, String person, Principal who) throws Refused {
        Map<String, String> people = new LinkedHashMap<>(search.people(draft));
        if (!person.isEmpty() && !people.containsKey(person)) {
            throw new Refused("There is nobody called “" + person + "” who works on these responses.");
        }
        int n = work.putInCharge(draft, chosen, person, who.getName());
        return (person.isEmpty() ? "Nobody" : people.get(person)) + " is in charge of " + counted(n) + " now.";
    }

    private String sentAgain(Draft draft, List<String> chosen, String message, Principal who) throws Refused {
        int n = again.all(draft, chosen, message, who.getName());
        return n == 1 ? "The message is on its way again." : n + " messages are on their way again.";
    }

    private static String counted(int n) {
        return n + (n == 1 ? " response" : " responses");
    }
}
