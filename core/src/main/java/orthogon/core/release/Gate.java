package orthogon.core.release;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Family;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Questionnaire;

/**
 * What a release waits for: every blocking claim that is neither proved nor waived, nor follows from one that is waived.
 *
 * @param inTheWay blocking claims that are left, in the order of the proof
 * @param waived claims that somebody answers for, with their reasons
 * @param languages for each language that it is translated into, what is left of its own claims; a language goes out as soon as nothing
 *            is, and keeps no other from doing so
 * @param lapsed waivers that no longer count, since their place reads otherwise than it did
 */
public record Gate(List<Claim> inTheWay, Map<Claim, Waiver> waived, List<Lapsed> lapsed,
        Map<String, List<Claim>> languages) {

    /**
     * Somebody answers for a claim that is not proved.
     *
     * @param place of the claim, as in the proof report
     * @param reason why it does not matter
     * @param seen the revision that they looked at
     */
    public record Waiver(ClaimKind kind, String place, String reason, String author, int revision, Questionnaire seen) {

        private boolean isOf(Claim claim) {
            return claim.kind() == kind && claim.place().equals(place);
        }
    }

    /**
     * A waiver that counts no longer.
     *
     * @param claim that it was of; empty where there is none such any more
     */
    public record Lapsed(Waiver waiver, Optional<Claim> claim) {}

    public static Gate of(List<Claim> claims, Questionnaire document, List<Waiver> waivers) {
        List<Lapsed> lapsed = new ArrayList<>();
        List<Waiver> standing = new ArrayList<>();
        for (Waiver waiver : waivers) {
            if (Subject.isSame(waiver.kind(), waiver.place(), waiver.seen(), document)) {
                standing.add(waiver);
            } else {
                lapsed.add(new Lapsed(waiver, claims.stream().filter(waiver::isOf).findFirst()));
            }
        }
        Map<Claim, Waiver> waived = new LinkedHashMap<>();
        claims.stream().filter(Gate::canBeWaived)
                .forEach(c -> standing.stream().filter(w -> w.isOf(c)).reduce((older, newer) -> newer).ifPresent(w -> waived.put(c, w)));
        List<Claim> left = claims.stream().filter(c -> c.blocking() && c.verdict() != Verdict.PROVED && !waived.containsKey(c)
                && c.follows().filter(f -> waived.keySet().stream().anyMatch(w -> w.identity().equals(f))).isEmpty()).toList();
        Map<String, List<Claim>> languages = new LinkedHashMap<>();
        document.languages().stream().filter(l -> !l.equals(document.sourceLanguage()))
                .forEach(l -> languages.put(l, left.stream().filter(c -> isOf(l, c)).toList()));
        return new Gate(left.stream().filter(c -> c.family() != Family.LANGUAGE).toList(), waived, lapsed, languages);
    }

    private static boolean isOf(String language, Claim claim) {
        return claim.family() == Family.LANGUAGE && claim.place().startsWith(language + "/");
    }

    /** A faulty expression means nothing that could be answered for, and what follows from another claim falls with it. */
    public static boolean canBeWaived(Claim claim) {
        return claim.blocking() && claim.verdict() != Verdict.PROVED && claim.family() != Family.SOUND && claim.follows().isEmpty();
    }

    public boolean isOpen() {
        return inTheWay.isEmpty();
    }

    /** The languages that may go out, the source language not among them. */
    public List<String> ready() {
        return languages.entrySet().stream().filter(l -> l.getValue().isEmpty()).map(Map.Entry::getKey).toList();
    }

    public Optional<Waiver> waiver(Claim claim) {
        return Optional.ofNullable(waived.get(claim));
    }
}
