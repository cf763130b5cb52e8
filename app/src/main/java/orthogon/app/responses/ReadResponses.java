package orthogon.app.responses;

import java.util.List;
import java.util.Set;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ResponseViewStore;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;

/** The table as each person left it, for what leads on from it. */
@Component
class ReadResponses {

    /**
     * What stands around a response in the table.
     *
     * @param previous receipt of the one before it; empty where there is none
     * @param place from 1; 0 where it is not in the table
     * @param link address of the table
     */
    record Neighbours(String previous, String next, int place, int count, String link) {}

    private final ResponseSearch search;
    private final ResponseViewStore views;

    ReadResponses(ResponseSearch search, ResponseViewStore views) {
        this.search = search;
        this.views = views;
    }

    /** What somebody can have in the table. */
    ResponseColumns columns(Draft draft, String who) {
        return ResponseColumns.of(search.over(draft), search.document(draft), search.hidden(draft, who));
    }

    /** How somebody left the table of responses. */
    TableReading left(Draft draft, String who) {
        TableReading usual = new TableReading(columns(draft, who).usual(), "", "", "", true,
                false);
        return views.own(draft.id(), who).map(text -> TableReading.read(text, usual)).orElse(usual);
    }

    /** The numbers of all responses in the table as somebody left it, in order. */
    List<Long> numbers(Draft draft, String who) throws Refused {
        TableReading reading = left(draft, who);
        Set<String> hidden = search.hidden(draft, who);
        return search.numbers(draft, search.filter(draft, reading, hidden), reading, hidden);
    }

    Neighbours around(Draft draft, String who, long response) {
        String link = ResponsesController.link(draft.code(), left(draft, who));
        try {
            List<Long> all = numbers(draft, who);
            int at = all.indexOf(response);
            return at < 0
                    ? new Neighbours("", "", 0, all.size(), link)
                    : new Neighbours(receipt(all, at - 1), receipt(all, at + 1), at + 1, all.size(), link);
        } catch (Refused e) {
            return new Neighbours("", "", 0, 0, link);
        }
    }

    private String receipt(List<Long> all, int at) {
        return at < 0 || at >= all.size() ? "" : search.receipts(List.of(all.get(at))).getFirst();
    }
}
