package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.flow.Flow;

/** Every family of claims, in the order in which they are listed. */
public final class AllClaims {

    private AllClaims() {}

    /** @param faults of the document as the analyst wrote it */
    public static List<Claim> of(Flow flow, List<Fault> faults) {
        List<Claim> claims = new ArrayList<>();
        Court court = new Court(flow);
        List<Claim> reach = ReachClaims.of(court);
        court.remember(reach);
        claims.addAll(reach);
        claims.addAll(SenseClaims.of(court));
        claims.addAll(BlankClaims.of(court));
        claims.addAll(PassageClaims.of(court));
        claims.addAll(LimitsClaims.of(court));
        claims.addAll(EndingClaims.of(court));
        claims.addAll(TextClaims.of(court));
        claims.addAll(LanguageClaims.of(court));
        claims.addAll(DefaultClaims.of(court));
        claims.addAll(KeepingClaims.of(court));
        claims.addAll(OwnClaims.of(court));
        claims.forEach(c -> c.guardedBy(flow));
        List<Claim> all = new ArrayList<>(SoundClaims.of(flow.space().spelled().original(), faults));
        all.addAll(new Retold(court).all(claims));
        return List.copyOf(all);
    }

    /** A claim that could not be looked at, because something in its way is unsound or beyond the stated budget. */
    public static Claim undecided(Family family, String kind, String place, String why) {
        return new Claim(family, kind, place, "everything else about this questionnaire holds", Verdict.UNDECIDED, Optional.of(why),
                () -> Claim.Explanation.of("This was not decided: " + why + "."));
    }
}
