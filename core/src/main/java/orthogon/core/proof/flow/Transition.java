package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/**
 * One way from a page to where interviews go on, or one row of the outcome table.
 *
 * @param from index of the page that is left; the number of pages for a row
 * @param to index of the page that a rule names or that is visited next; the number of pages for the outcome table and for what ends
 * @param place the rule or row; empty for the way to the page visited next
 */
public record Transition(TransitionKind kind, int from, int to, String place) {

    /** In place of a row: none of them holds. */
    static final int NO_ROW = -1;

    /** The rules that lead along the way. */
    public enum TransitionKind {
        /** No rule: to the page visited next, or past all that follow to the outcome table. */
        NEXT, SKIP, FINISH, ROW
    }

    /** Every way that a document has, whether somebody takes it or not. */
    public static List<Transition> all(Questionnaire document) {
        List<Transition> ways = new ArrayList<>();
        List<String> codes = document.pages().stream().map(Page::code).toList();
        int end = codes.size();
        for (int p = 0; p < end; p++) {
            Page page = document.pages().get(p);
            for (int i = 0; i < page.finish().size(); i++) {
                ways.add(new Transition(TransitionKind.FINISH, p, end, page.code() + "/finish/" + i));
            }
            for (int i = 0; i < page.skip().size(); i++) {
                ways.add(new Transition(TransitionKind.SKIP, p, codes.indexOf(page.skip().get(i).to()), page.code() + "/skip/" + i));
            }
            for (int to = p + 1; to <= end; to++) {
                ways.add(new Transition(TransitionKind.NEXT, p, to, ""));
            }
        }
        for (int row = 0; row < document.outcomeTable().size(); row++) {
            ways.add(new Transition(TransitionKind.ROW, end, end, "outcomeTable/" + row));
        }
        return ways;
    }

    /** Whether those who take the way may leave a page like this. */
    boolean allows(Flow.ExitKind exit, int page, int target, String rule) {
        return switch (kind) {
            case ROW -> exit != Flow.ExitKind.FINISH;
            case FINISH -> rule.equals(place) || page < from && target <= from;
            case SKIP -> rule.equals(place) || page > from || page < from && target <= from;
            case NEXT -> page < from
                    ? target <= from
                    : page == from
                            ? exit == Flow.ExitKind.ONWARD
                            : page > to || (exit == Flow.ExitKind.PASSED_BY) == (page < to);
        };
    }

    /** Whether those who take the way may end by a row of the outcome table, or by none, {@link #NO_ROW}. */
    boolean allowsRow(int row) {
        return kind != TransitionKind.ROW || place.equals("outcomeTable/" + row);
    }

    Stream<Flow.Exit> among(List<Flow.Exit> exits) {
        return exits.stream().filter(e -> allows(e.kind(), e.from(), e.target(), e.place()));
    }
}
