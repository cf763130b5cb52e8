package orthogon.core.proof.claim;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.composed.OpeningMessages;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.FollowUp;

/** With which outcomes somebody opens a follow-up that answers alone decide. */
public final class OpenedAtEnds {

    private OpenedAtEnds() {}

    /**
     * Code of a follow-up to the codes of these outcomes, in document order; empty for a document with faults, or one that cannot be
     * decided exactly or within the limits.
     */
    public static Optional<Map<String, List<String>>> of(Wiring wiring, LocalDate today, Limits limits, Watch watch) {
        PlainForm form = PlainForm.of(OpeningMessages.asMessages(wiring, watch::goOn), watch::goOn);
        if (!Faults.of(wiring).isEmpty() || !form.unclear().isEmpty()) {
            return Optional.empty();
        }
        try {
            Space space = new Space(form, List.of(), today, new Diagrams(limits, watch));
            return space.whyNotExact().isPresent() || !space.openLevels().isEmpty()
                    ? Optional.empty()
                    : Optional.of(opened(wiring, new Flow(space, Set.of(), AllClaims.asked(space), space.linkLevels())));
        } catch (Diagrams.BudgetSpent e) {
            return Optional.empty();
        }
    }

    private static Map<String, List<String>> opened(Wiring wiring, Flow flow) {
        Diagrams d = flow.space().diagrams();
        Map<String, Integer> ends = flow.byOutcome();
        Map<String, List<String>> opened = new LinkedHashMap<>();
        for (FollowUp followUp : wiring.document().followUps()) {
            if (OpeningMessages.isDecidedByAnswers(wiring, followUp)) {
                opened.put(followUp.code(), new ArrayList<>());
            }
        }
        wiring.document().outcomes().forEach(outcome -> {
            Map<String, Integer> sent = SentMessages.of(flow.space(), outcome.code());
            int ending = ends.getOrDefault(outcome.code(), Diagrams.NONE);
            opened.forEach((code, outcomes) -> {
                if (d.and(ending, sent.get(code)) != Diagrams.NONE) {
                    outcomes.add(outcome.code());
                }
            });
        });
        return opened;
    }
}
