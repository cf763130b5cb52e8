package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;

/**
 * A follow-up that is to be opened for a complete interview.
 *
 * @param entry number of the entry that it is opened for, from 1; 0 where it is opened once; from 2 where it is opened again by hand
 * @param carried target to value; what is blank is left out
 */
public record DueFollowUp(FollowUp followUp, int entry, Map<String, Object> carried) {

    public DueFollowUp {
        carried = Map.copyOf(carried);
    }

    /**
     * What is to be opened now, in order: a follow-up is tried once every one that it speaks of has come to its end or is not opened at all.
     *
     * @param opened those that were opened so far
     */
    public static List<DueFollowUp> of(Interview sent, Collection<OpenedFollowUp> opened) {
        return new Trying(sent, opened).all();
    }

    /** A follow-up that is opened once, whatever its condition says, with what it carries now. */
    public static DueFollowUp byHand(Interview sent, Collection<OpenedFollowUp> opened, FollowUp followUp) {
        Trying trying = new Trying(sent, opened);
        trying.all();
        return trying.due(followUp, 0, sent.values(trying.known, "", 0));
    }

    /** The same, opened once more. */
    public DueFollowUp again(int number) {
        return new DueFollowUp(followUp, number, carried);
    }

    /** Codes of the follow-ups that a follow-up speaks of. */
    public static Set<String> needs(Wiring wiring, FollowUp followUp) {
        Set<String> codes = new HashSet<>();
        wiring.document().followUps().forEach(f -> codes.add(f.code()));
        Set<String> needs = new HashSet<>();
        wiring.wires().stream().filter(w -> w.family().isOfFollowUps() && w.owner().equals(followUp.code()))
                .forEach(w -> needs.addAll(w.uses()));
        needs.retainAll(codes);
        return needs;
    }

    /** One look at all follow-ups, in order. */
    private static final class Trying {

        private final Interview sent;
        private final Collection<OpenedFollowUp> opened;
        private final Wiring wiring;
        private final Map<String, Object> known = new HashMap<>();
        private final Set<String> waiting = new HashSet<>();

        Trying(Interview sent, Collection<OpenedFollowUp> opened) {
            this.sent = sent;
            this.opened = opened;
            this.wiring = sent.wiring();
        }

        List<DueFollowUp> all() {
            List<DueFollowUp> due = new ArrayList<>();
            for (FollowUp followUp : wiring.document().followUps()) {
                List<DueFollowUp> now = of(followUp);
                due.addAll(now);
                known.put(followUp.code(), null);
                opened.stream().filter(o -> o.is(followUp, 0)).forEach(o -> known.put(followUp.code(), o.parts()));
                // One that is opened again by hand is of no account for conditions.
                boolean open = opened.stream().filter(o -> o.code().equals(followUp.code()))
                        .anyMatch(o -> (followUp.isForEachEntry() || o.entry() == 0) && !o.progress().isEnd(followUp));
                if (open || !now.isEmpty()) {
                    waiting.add(followUp.code());
                }
            }
            return due;
        }

        private List<DueFollowUp> of(FollowUp followUp) {
            if (needs(wiring, followUp).stream().anyMatch(waiting::contains)) {
                waiting.add(followUp.code());
                return List.of();
            }
            if (!followUp.isForEachEntry()) {
                return of(followUp, 0);
            }
            List<DueFollowUp> due = new ArrayList<>();
            Object entries = sent.course().effective().get(followUp.eachOf());
            for (int entry = 1; entry <= (entries instanceof List<?> all ? all.size() : 0); entry++) {
                due.addAll(of(followUp, entry));
            }
            return due;
        }

        private List<DueFollowUp> of(FollowUp followUp, int entry) {
            if (opened.stream().anyMatch(o -> o.is(followUp, entry))) {
                return List.of();
            }
            Function<Expr, Object> values = sent.values(known, entry == 0 ? "" : followUp.eachOf(), entry);
            boolean holds = wiring.expr(followUp.code() + ".openFollowUp", true).filter(e -> Boolean.TRUE.equals(values.apply(e)))
                    .isPresent();
            return holds ? List.of(due(followUp, entry, values)) : List.of();
        }

        private DueFollowUp due(FollowUp followUp, int entry, Function<Expr, Object> values) {
            Map<String, Object> carried = new LinkedHashMap<>();
            for (int i = 0; i < followUp.carries().size(); i++) {
                String to = followUp.carries().get(i).to();
                wiring.at(followUp.code() + "/carry/" + i).flatMap(Wiring.Wire::expr).map(values)
                        .ifPresent(value -> carried.put(to, value));
            }
            return new DueFollowUp(followUp, entry, carried);
        }
    }
}
