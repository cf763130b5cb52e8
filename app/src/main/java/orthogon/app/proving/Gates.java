package orthogon.app.proving;

import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.WaiverStore;
import orthogon.core.proof.Proof;
import orthogon.core.release.Gate;
import org.springframework.stereotype.Component;

/** What stands in the way of releasing a draft, waivers taken into account. */
@Component
public class Gates {

    private final WaiverStore waivers;

    Gates(WaiverStore waivers) {
        this.waivers = waivers;
    }

    public Gate of(Draft draft, Proof proof) {
        return Gate.of(proof.claims(), draft.document(), waivers.of(draft.id()));
    }
}
