package orthogon.core.proof.claim;

import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Wiring;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Questionnaire;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Codes are unique; every reference exists; types fit; nothing looks ahead; nothing depends on itself. */
public final class SoundClaims {

    private static final Finding FREE_OF_FAULTS = new Finding.Fact(Message.of("sound.proved"));

    private SoundClaims() {}

    public static List<Claim> of(Wiring wiring, List<Fault> faults) {
        List<Claim> claims = new ArrayList<>();
        Questionnaire document = wiring.document();
        Set<String> codes = new LinkedHashSet<>();
        document.linkParameters().forEach(p -> codes.add(p.code()));
        document.pages().forEach(p -> {
            codes.add(p.code());
            p.allItems().forEach(i -> codes.add(i.code()));
        });
        document.outcomes().forEach(o -> codes.add(o.code()));
        faults.stream().filter(f -> f.kind() == Fault.SoundClaim.CODE_UNIQUE).forEach(f -> codes.add(f.place()));
        codes.forEach(code -> claims.add(claim(wiring, Fault.SoundClaim.CODE_UNIQUE, code, faults)));
        Set<String> places = new LinkedHashSet<>();
        wiring.wires().forEach(w -> places.add(w.place()));
        faults.stream().filter(f -> f.kind() != Fault.SoundClaim.CODE_UNIQUE).forEach(f -> places.add(f.place()));
        for (String place : places) {
            claims.add(claim(wiring, Fault.SoundClaim.REFERENCE_EXISTS, place, faults));
            claims.add(claim(wiring, Fault.SoundClaim.TYPE_FITS, place, faults));
            claims.add(claim(wiring, Fault.SoundClaim.LOOKS_AHEAD, place, faults));
        }
        document.items().filter(Derived.class::isInstance).forEach(i -> places.add(i.code() + ".derive"));
        for (String place : places) {
            boolean circular = faults.stream().anyMatch(f -> f.kind() == Fault.SoundClaim.DEPENDS_ON_ITSELF && f.place().equals(place));
            if (circular || PlaceText.rule(place).filter(r -> r.family() == RuleFamily.DERIVE).isPresent()) {
                claims.add(claim(wiring, Fault.SoundClaim.DEPENDS_ON_ITSELF, place, faults));
            }
        }
        return claims;
    }

    private static Claim claim(Wiring wiring, Fault.SoundClaim fault, String place, List<Fault> faults) {
        ClaimKind kind = ClaimId.of(fault, place).kind();
        Message statement = kind.message("claim").code("place", place);
        List<Fault> here = faults.stream().filter(f -> f.kind() == fault && f.place().equals(place)).toList();
        if (here.isEmpty()) {
            return new Claim(kind, place, statement, Verdict.PROVED, Optional.empty(), () -> FREE_OF_FAULTS);
        }
        Message because = ended(here.stream().map(Fault::because).toList());
        return new Claim(kind, place, statement, Verdict.REFUTED, Optional.empty(),
                () -> new Finding.Fact(because, Optional.empty(),
                        fault == Fault.SoundClaim.REFERENCE_EXISTS ? nearest(wiring, place) : Optional.empty()));
    }

    private static Message ended(List<Message> faults) {
        Message all = faults.size() == 1
                ? faults.getFirst()
                : Message.of("sound.several").with("faults",
                        new Message.Term.Several(faults.stream().map(Message.Term.Inner::new).toList(), "list.semicolon"));
        return Message.of("sound.refuted").inner("because", all).count("asks", faults.getLast().key().endsWith(".nearest") ? 1 : 0);
    }

    /** The nearest right name in place of the only wrong one. */
    private static Optional<Mend> nearest(Wiring wiring, String place) {
        Wiring.Wire wire = wiring.at(place).orElse(null);
        if (wire == null || wire.faults().size() != 1 || wire.faults().getFirst().nearest().isEmpty()) {
            return Optional.empty();
        }
        ExpressionFault fault = wire.faults().getFirst();
        String wrong = wire.text().substring(fault.from(), fault.to());
        String right = wrong.startsWith("\"") ? "\"" + fault.nearest() + "\"" : fault.nearest();
        return Optional.of(new Mend(Message.of("sound.mend").text("name", fault.nearest()), place,
                wire.text().substring(0, fault.from()) + right + wire.text().substring(fault.to())));
    }
}
