package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Space;

/** Every family of claims, in the order in which they are listed. */
public final class AllClaims {

    private static final Map<Family, Function<Court, List<Claim>>> FAMILIES = new LinkedHashMap<>();

    static {
        FAMILIES.put(Family.REACH, ReachClaims::of);
        FAMILIES.put(Family.SENSE, SenseClaims::of);
        FAMILIES.put(Family.BLANK, BlankClaims::of);
        FAMILIES.put(Family.PASSAGE, PassageClaims::of);
        FAMILIES.put(Family.LIMITS, LimitsClaims::of);
        FAMILIES.put(Family.ENDING, EndingClaims::of);
        FAMILIES.put(Family.TEXT, TextClaims::of);
        FAMILIES.put(Family.DEFAULT, DefaultClaims::of);
        FAMILIES.put(Family.KEEPING, KeepingClaims::of);
        FAMILIES.put(Family.LANGUAGE, LanguageClaims::of);
        FAMILIES.put(Family.BURDEN, BurdenClaims::of);
        FAMILIES.put(Family.OWN, OwnClaims::of);
    }

    private AllClaims() {}

    /** @param faults of the document as the analyst wrote it */
    public static List<Claim> of(Flow flow, List<Fault> faults, Watch watch) {
        String document = flow.space().wiring().document().code();
        List<Claim> claims = new ArrayList<>();
        Court court = new Court(flow);
        FAMILIES.forEach((family, decide) -> {
            watch.reached(family.title());
            try {
                List<Claim> decided = decide.apply(court);
                court.remember(decided);
                claims.addAll(decided);
            } catch (Diagrams.BudgetSpent e) {
                claims.add(undecided(family, document, e.getMessage()));
            }
        });
        claims.forEach(c -> c.guardedBy(flow));
        List<Claim> all = new ArrayList<>(SoundClaims.of(flow.space().spelled().original(), faults));
        all.addAll(new Retold(court).all(claims));
        return List.copyOf(all);
    }

    /** Asked bits that own claims mention. */
    public static BitSet asked(Space space) {
        BitSet levels = new BitSet();
        for (int i = 0; i < space.wiring().document().claims().size(); i++) {
            space.expr("claims/" + i).ifPresent(e -> asked(e, space, levels));
        }
        return levels;
    }

    private static void asked(Expr e, Space space, BitSet levels) {
        if (e instanceof Expr.Call c && c.function().equals("asked")) {
            levels.set(space.askedLevel(((Expr.Name) c.args().getFirst()).name()));
        }
        e.children().forEach(c -> asked(c, space, levels));
    }

    /** One undecided claim for each family that could not be looked at. */
    public static List<Claim> undecided(String document, String why) {
        return FAMILIES.keySet().stream().map(f -> undecided(f, document, why)).toList();
    }

    /** Stands for all claims of a family where something in the way is unsound, or beyond the stated limits. */
    private static Claim undecided(Family family, String document, String why) {
        return Court.undecided(family, family.name().toLowerCase(java.util.Locale.ROOT), document,
                "every claim of this family holds: " + family.says(), why);
    }
}
