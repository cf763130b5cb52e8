package orthogon.app.responses;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.PersonStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Order;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.app.store.SettingStore;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.PersonalAnswers;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.ResponseFilter;
import orthogon.core.responses.ResponseState;
import orthogon.core.responses.Selection;
import org.springframework.stereotype.Component;

/** Finds responses by a condition and by words: in the database as far as it goes, and by evaluating what is left. */
@Component
class ResponseSearch {

    /** @param found one page of them; {@code count} is of all */
    record FoundResponses(List<Response> found, int count) {}

    private final ResponseStore responses;
    private final KnownReleases releases;
    private final PersonStore persons;
    private final People people;
    private final SettingStore settings;

    ResponseSearch(ResponseStore responses, KnownReleases releases, PersonStore persons, People people, SettingStore settings) {
        this.responses = responses;
        this.releases = releases;
        this.persons = persons;
        this.people = people;
        this.settings = settings;
    }

    /** The document of the newest release; the draft's where nothing is released. */
    Questionnaire document(Draft draft) {
        return releases.of(draft.id()).stream().findFirst().map(Release::document).orElse(draft.document());
    }

    Map<String, String> states() {
        return ResponseState.labels(settings.text(SettingStore.RESPONSE_STATES));
    }

    /** Everybody who may work on the responses to a questionnaire, account to name. */
    Map<String, String> people(Draft draft) {
        Map<String, String> working = new LinkedHashMap<>();
        persons.all().stream().filter(p -> !p.disabled() && people.may(p.name(), Act.WORK_ON_RESPONSES, draft.code()))
                .forEach(p -> working.put(p.name(), p.shown()));
        return working;
    }

    /** Codes of the answers that somebody may not read. */
    Set<String> hidden(Draft draft, String who) {
        return people.may(who, Act.READ_PERSONAL, draft.code()) ? Set.of() : PersonalAnswers.of(document(draft));
    }

    ResponseDocument over(Draft draft) {
        Map<String, String> languages = new LinkedHashMap<>();
        releases.of(draft.id()).forEach(r -> r.document().languages().forEach(l -> languages.put(l, OwnWords.name(l))));
        return ResponseDocument.of(document(draft), languages, states(), people(draft));
    }

    /** @throws Refused where the filter cannot be read, or asks for answers that are not for this reader */
    ResponseFilter filter(Draft draft, TableReading reading, Set<String> hidden) throws Refused {
        ResponseFilter filter = ResponseFilter.read(over(draft), reading.filter(), LocalDate.now());
        if (filter.condition().filter(c -> PersonalAnswers.uses(c, hidden)).isPresent()) {
            throw new Refused("The filter asks for a personal answer, and your role may not read those. Leave it out.");
        }
        return filter;
    }

    private static Wanted wanted(Draft draft, ResponseFilter filter, TableReading reading, Set<String> hidden) {
        return new Wanted(draft.id(), filter.over(), filter.selection(), reading.search(), hidden.isEmpty());
    }

    private static Order order(ResponseDocument over, TableReading reading, Set<String> hidden) {
        if (reading.sort().isEmpty() || hidden.contains(reading.sort())) {
            return Order.NEWEST;
        }
        Optional<ResponseFact> fact = over.fact(reading.sort());
        return new Order(fact, fact.isPresent() ? "" : reading.sort(), reading.down());
    }

    /** @param page from 0 */
    FoundResponses page(Draft draft, ResponseFilter filter, TableReading reading, Set<String> hidden, int page, int size) {
        Wanted wanted = wanted(draft, filter, reading, hidden);
        if (filter.isExact() && wanted.isAll()) {
            return new FoundResponses(responses.page(wanted, order(filter.over(), reading, hidden), page * size, size),
                    responses.count(wanted));
        }
        List<Long> all = numbers(draft, filter, reading, hidden);
        int from = Math.min(page * size, all.size());
        return new FoundResponses(responses.all(all.subList(from, Math.min(all.size(), from + size))), all.size());
    }

    /** The numbers of all responses that the filter and the search let through, in order. */
    List<Long> numbers(Draft draft, ResponseFilter filter, TableReading reading, Set<String> hidden) {
        List<Long> candidates = responses.numbers(wanted(draft, filter, reading, hidden), order(filter.over(), reading, hidden));
        if (filter.isExact()) {
            return candidates;
        }
        LocalDate today = LocalDate.now();
        return responses.each(candidates).filter(r -> filter.lets(values(filter.over(), r), today)).map(Response::number).toList();
    }

    /** What figures are made of: as the table, but for what only an evaluation could decide, which is told to the database by numbers. */
    Wanted figured(Draft draft, ResponseFilter filter, TableReading reading, Set<String> hidden) {
        Wanted wanted = wanted(draft, filter, reading, hidden);
        return filter.isExact() ? wanted : wanted.only(numbers(draft, filter, reading, hidden));
    }

    /** How many responses there are to any release. */
    int all(Draft draft) {
        return responses.count(new Wanted(draft.id(), over(draft), new Selection.EveryResponse(), "", true));
    }

    /** The receipts of these responses, in their order. */
    List<String> receipts(List<Long> numbers) {
        return responses.receipts(numbers);
    }

    /** Answers and facts by their names in conditions. */
    static Map<String, Object> values(ResponseDocument over, Response response) {
        Map<String, Object> values = new HashMap<>(response.answers());
        over.codes().forEach((fact, code) -> values.put(code, switch (fact) {
            case RECEIPT -> response.receipt();
            case SENT -> response.sentAt().toLocalDate();
            case OUTCOME -> response.outcome().isEmpty() ? null : response.outcome();
            case RELEASE -> java.math.BigDecimal.valueOf(response.release());
            case LANGUAGE -> response.language();
            case STATE -> response.state();
            case IN_CHARGE -> response.inCharge().isEmpty() ? null : response.inCharge();
        }));
        return values;
    }
}
