package orthogon.app.proving;

import java.time.LocalDate;
import orthogon.app.background.Computations;
import orthogon.app.http.NotThere;
import orthogon.app.opening.Openable;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.proof.drill.Drills.NotPossible;
import org.springframework.stereotype.Component;

/** The lanes and drills of the cases that a revision begins. */
@Component
public class CaseLaneSets extends WorkedOut<CaseLanes> {

    private final Openable openable;

    CaseLaneSets(Computations computations, Openable openable) {
        super(computations);
        this.openable = openable;
    }

    @Override
    CaseLanes find(Draft draft, LocalDate day, Watch watch) throws NotPossible {
        return CaseLanes.of(Wiring.of(draft.document()), openable.of(draft.document()), day, Limits.USUAL, watch);
    }

    /**
     * The lane that an address names.
     *
     * @param pick {@code case.} and its number, from 0
     * @throws NotThere where there is none
     */
    public static CaseLanes.WalkedLane lane(CaseLanes found, String pick) {
        String number = pick.startsWith("case.") ? pick.substring(5) : "";
        if (!number.matches("\\d{1,6}") || Integer.parseInt(number) >= found.lanes().size()) {
            throw new NotThere("There are fewer lanes now; choose another one.");
        }
        return found.lanes().get(Integer.parseInt(number));
    }

    /**
     * The lanes of a draft, for which this waits up to a minute.
     *
     * @throws NotThere where there are none
     */
    public CaseLanes lanes(Draft draft) {
        Worked<CaseLanes> worked = of(draft);
        return worked.found().orElseThrow(() -> new NotThere("There are no lanes of a case: " + worked.why() + "."));
    }

    @Override
    String restsOn(Draft draft) {
        return openable.of(draft.document()).stamp();
    }
}
