package orthogon.core.proof.claim;

import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Failure;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Space;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Every family of claims, in the order in which they are listed. */
public final class AllClaims {

    private static final Map<Family, Function<ClaimDecider, PageByPage>> FAMILIES = new LinkedHashMap<>();

    static {
        FAMILIES.put(Family.REACH, ReachClaims::new);
        FAMILIES.put(Family.SENSE, SenseClaims::new);
        FAMILIES.put(Family.BLANK, BlankClaims::new);
        FAMILIES.put(Family.PASSAGE, PassageClaims::new);
        FAMILIES.put(Family.LIMITS, LimitsClaims::new);
        FAMILIES.put(Family.ENDING, decider -> PageByPage.whole(() -> EndingClaims.of(decider)));
        FAMILIES.put(Family.TEXT, decider -> PageByPage.whole(() -> TextClaims.of(decider)));
        FAMILIES.put(Family.DEFAULT, DefaultClaims::new);
        FAMILIES.put(Family.KEEPING, KeepingClaims::new);
        FAMILIES.put(Family.LANGUAGE, decider -> PageByPage.whole(() -> LanguageClaims.of(decider)));
        FAMILIES.put(Family.BURDEN, decider -> PageByPage.whole(() -> BurdenClaims.of(decider)));
        FAMILIES.put(Family.DISPATCH, decider -> PageByPage.whole(() -> DispatchClaims.of(decider)));
        FAMILIES.put(Family.LOOKUP, LookupClaims::new);
        FAMILIES.put(Family.OWN, decider -> PageByPage.whole(() -> OwnClaims.of(decider)));
    }

    /**
     * A family with what it decided.
     *
     * @param onPages a list for each page; none where its limits ended it
     */
    private record DecidedFamily(PageByPage family, List<List<Claim>> onPages) {}

    /** Which claims are wanted. */
    public interface WantedClaims {

        /** All of them. */
        WantedClaims ALL = (family, page) -> true;

        /** @param page code of the page; empty for what is claimed of the whole */
        boolean of(Family family, String page);
    }

    private final Flow flow;
    private final ClaimDecider decider;
    private final WantedClaims wanted;
    private final Map<Family, DecidedFamily> decided = new EnumMap<>(Family.class);
    private final List<Claim> claims = new ArrayList<>();

    /**
     * @param faults of the document as the analyst wrote it
     * @param before those of the document that this one came of by an edit, whose flow this flow came of; null where there is none
     */
    public AllClaims(Flow flow, List<Fault> faults, Watch watch, AllClaims before) {
        this(flow, faults, watch, before, WantedClaims.ALL);
    }

    /**
     * @param faults of the document as the analyst wrote it
     * @param before those of the document that this one came of by an edit, whose flow this flow came of; null where there is none
     * @param wanted the others are left out
     */
    public AllClaims(Flow flow, List<Fault> faults, Watch watch, AllClaims before, WantedClaims wanted) {
        this.flow = flow;
        this.wanted = wanted;
        this.decider = new ClaimDecider(flow);
        List<Claim> plain = new ArrayList<>();
        FAMILIES.forEach((name, family) -> {
            if (!wanted.of(name, "") && flow.stages().stream().noneMatch(s -> wanted.of(name, s.sets().page().code()))) {
                return;
            }
            watch.reached(name.title());
            List<Claim> ofFamily = decide(name, family, before);
            decider.remember(ofFamily);
            plain.addAll(ofFamily);
        });
        plain.forEach(c -> c.guardedBy(flow));
        claims.addAll(SoundClaims.of(flow.space().plainForm().asWritten(), faults));
        claims.addAll(new OriginalClaims(decider).all(plain));
        root();
    }

    /**
     * Lets every claim follow the first of its causes that is listed and not proved. Where there is none, or where a release would wait for
     * the claim and not for its cause, the claim stands by itself, so that no release waits for something that is not named.
     */
    private void root() {
        Map<String, Claim> byId = new HashMap<>();
        claims.forEach(c -> byId.put(c.id(), c));
        claims.replaceAll(claim -> {
            if (claim.follows().isEmpty()) {
                return claim;
            }
            Claim cause = byId.get(claim.follows().get().text());
            for (int steps = 0; cause != null && cause.follows().isPresent() && steps < byId.size(); steps++) {
                cause = byId.get(cause.follows().get().text());
            }
            boolean causes = cause != null && cause != claim && cause.follows().isEmpty() && cause.verdict() != Verdict.PROVED
                    && (cause.blocking() || !claim.blocking());
            return claim.following(causes ? Optional.of(cause.identity()) : Optional.empty());
        });
    }

    private List<Claim> decide(Family name, Function<ClaimDecider, PageByPage> made, AllClaims before) {
        List<List<Claim>> onPages = new ArrayList<>();
        try {
            PageByPage family = made.apply(decider);
            for (int p = 0; p < flow.stages().size(); p++) {
                boolean of = wanted.of(name, flow.stages().get(p).sets().page().code());
                onPages.add(of ? onPage(name, family, p, before) : List.of());
            }
            List<Claim> all = new ArrayList<>();
            onPages.forEach(all::addAll);
            if (wanted.of(name, "")) {
                all.addAll(family.atEnd());
            }
            decided.put(name, new DecidedFamily(family, onPages));
            return all;
        } catch (Diagrams.BudgetSpent e) {
            return List.of(undecided(name, flow.space().wiring().document().code(), new Unknown.Beyond(e.why())));
        } catch (RuntimeException | StackOverflowError e) {
            if (!Failure.isOne(e)) {
                throw e;
            }
            return List.of(undecided(name, flow.space().wiring().document().code(), new Unknown.Beyond(Failure.message(e))));
        }
    }

    private List<Claim> onPage(Family name, PageByPage family, int page, AllClaims before) {
        DecidedFamily known = before == null || !flow.isUnchanged(page) ? null : before.decided.get(name);
        if (known == null || !family.stand(page, known.family(), known.onPages().get(page))) {
            return family.on(page);
        }
        Anew anew = new Anew(family, page);
        return known.onPages().get(page).stream().map(anew::again).toList();
    }

    /** Explains claims that still stand by deciding them again, once somebody asks why. */
    private static final class Anew {

        private final PageByPage family;
        private final int page;
        private Map<String, Claim> decided;

        Anew(PageByPage family, int page) {
            this.family = family;
            this.page = page;
        }

        Claim again(Claim known) {
            String id = known.id();
            return known.again(() -> finding(id));
        }

        private Finding finding(String id) {
            if (decided == null) {
                decided = new HashMap<>();
                family.on(page).forEach(c -> decided.put(c.id(), c));
            }
            return decided.get(id).finding();
        }
    }

    public Flow flow() {
        return flow;
    }

    /** In the order in which they are listed. */
    public List<Claim> claims() {
        return claims;
    }

    /** Asked bits that own claims, messages and passages mention, and those of what a message must not leave out. */
    public static BitSet asked(Space space) {
        BitSet levels = new BitSet();
        for (int i = 0; i < space.wiring().document().claims().size(); i++) {
            space.expr("claims/" + i).ifPresent(e -> asked(e, space, levels));
        }
        space.wiring().wires().stream().filter(w -> w.family().isOfDispatch())
                .forEach(w -> space.expr(w.place()).ifPresent(e -> asked(e, space, levels)));
        space.wiring().document().messages().forEach(m -> DispatchClaims.untold(space, m).values()
                .forEach(asked -> asked(asked, space, levels)));
        return levels;
    }

    private static void asked(Expr e, Space space, BitSet levels) {
        if (e instanceof Expr.Call c && c.function().equals("asked")) {
            levels.set(space.askedLevel(((Expr.Name) c.args().getFirst()).name()));
        }
        e.children().forEach(c -> asked(c, space, levels));
    }

    /** One undecided claim for each family that could not be looked at. */
    public static List<Claim> undecided(String document, Unknown why) {
        return FAMILIES.keySet().stream().map(f -> undecided(f, document, why)).toList();
    }

    /** Stands for all claims of a family where something in the way is unsound, or beyond the stated limits. */
    private static Claim undecided(Family family, String document, Unknown why) {
        return ClaimDecider.undecided(ClaimKind.whole(family), document,
                Message.of("family.claim").text("family", family.says()), why);
    }
}
