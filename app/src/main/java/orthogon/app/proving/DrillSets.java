package orthogon.app.proving;

import java.time.LocalDate;
import orthogon.app.background.Computations;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drills;
import org.springframework.stereotype.Component;

/** The covering set of drills of a revision. */
@Component
public class DrillSets extends WorkedOut<Drills> {

    DrillSets(Computations computations) {
        super(computations);
    }

    @Override
    Drills find(Draft draft, LocalDate day, Watch watch) throws Drills.NotPossible {
        return Drills.of(draft.document(), day, Limits.USUAL, watch);
    }
}
