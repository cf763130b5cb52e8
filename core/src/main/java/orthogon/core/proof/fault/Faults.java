package orthogon.core.proof.fault;

import orthogon.core.expression.ExpressionFault;
import orthogon.core.expression.Nearest;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.language.PipedNames;
import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.Place;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds every unsound place of a document, in document order. */
public final class Faults {

    private final Wiring wiring;
    private final Questionnaire document;
    private final List<Fault> found = new ArrayList<>();
    /** Position of each item in document order; a page's end comes after its last item. */
    private final Map<String, Integer> position = new HashMap<>();
    private final Map<String, Integer> pageEnd = new HashMap<>();
    private final Map<String, Integer> pageStart = new HashMap<>();
    private final Map<String, String> pageOf = new HashMap<>();

    private Faults(Wiring wiring) {
        this.wiring = wiring;
        this.document = wiring.document();
    }

    public static List<Fault> of(Wiring wiring) {
        Faults faults = new Faults(wiring);
        faults.codes();
        faults.positions();
        wiring.wires().forEach(faults::wire);
        faults.targets();
        Texts.all(faults.document).forEach(faults::text);
        return List.copyOf(faults.found);
    }

    private void add(Fault.SoundClaim kind, String place, Message because) {
        found.add(new Fault(kind, place, because));
    }

    private void codes() {
        Set<String> codes = new HashSet<>();
        document.linkParameters().forEach(p -> unique(codes, p.code(), p.code()));
        for (Page page : document.pages()) {
            unique(codes, page.code(), page.code());
            page.allItems().forEach(i -> unique(codes, i.code(), i.code()));
        }
        document.questions().forEach(q -> {
            Set<String> options = new HashSet<>();
            if (q.answer().hasOwnOptions()) {
                q.answer().options().forEach(o -> unique(options, o.code(), q.code() + "." + o.code()));
            }
            Set<String> rows = new HashSet<>();
            q.answer().rows().forEach(r -> unique(rows, r.code(), q.code() + "." + r.code()));
        });
        document.messages().forEach(m -> {
            unique(codes, m.code(), m.code());
            m.answers().stream().filter(a -> document.question(a).isEmpty() || document.rosterOf(a).isPresent())
                    .forEach(a -> add(Fault.SoundClaim.REFERENCE_EXISTS, m.code(), Message.of("fault.no-recipient").code("code", a)));
        });
        document.messages().stream().filter(m -> m.isOfFollowUp() && document.followUp(m.occasion().followUp()).isEmpty())
                .forEach(m -> add(Fault.SoundClaim.REFERENCE_EXISTS, m.code(),
                        Message.of("fault.no-follow-up").code("code", m.occasion().followUp())));
        document.passages().forEach(p -> unique(codes, p.code(), p.code()));
        document.followUps().forEach(f -> {
            unique(codes, f.code(), f.code());
            if (!f.seat().address().isEmpty()
                    && (document.question(f.seat().address()).isEmpty() || document.rosterOf(f.seat().address()).isPresent())) {
                add(Fault.SoundClaim.REFERENCE_EXISTS, f.code(), Message.of("fault.no-recipient").code("code", f.seat().address()));
            }
        });
        document.outcomes()
                .forEach(o -> o.carries().values().stream().filter(c -> wiring.type(c).isEmpty() || wiring.rosterOf(c).isPresent())
                        .forEach(c -> add(Fault.SoundClaim.REFERENCE_EXISTS, o.code(), Message.of("fault.no-carried").code("code", c))));
        Set<String> outcomes = new HashSet<>();
        document.outcomes().forEach(o -> unique(outcomes, o.code(), o.code()));
        Set<String> claims = new HashSet<>();
        document.claims().forEach(c -> unique(claims, c.code(), c.code()));
    }

    private void unique(Set<String> taken, String code, String place) {
        if (!taken.add(code)) {
            add(Fault.SoundClaim.CODE_UNIQUE, place, Message.of("fault.code-twice").code("code", code));
        }
    }

    private void positions() {
        int at = 0;
        for (Page page : document.pages()) {
            pageStart.putIfAbsent(page.code(), at++);
            for (Item item : page.allItems().toList()) {
                position.putIfAbsent(item.code(), at++);
                pageOf.putIfAbsent(item.code(), page.code());
            }
            pageEnd.putIfAbsent(page.code(), at++);
        }
    }

    private void wire(Wire wire) {
        for (ExpressionFault fault : wire.faults()) {
            boolean name = fault.kind() == ExpressionFault.FaultKind.NAME;
            add(name ? Fault.SoundClaim.REFERENCE_EXISTS : Fault.SoundClaim.TYPE_FITS, wire.place(),
                    Message.of(fault.message().endsWith("?") ? "fault.expression.nearest" : "fault.expression")
                            .text("at", String.valueOf(fault.from() + 1)).text("fault", fault.message()));
        }
        if (wire.readable().isPresent()) {
            order(wire);
        }
        if (isTooLong(wire) && wire.uses().stream().noneMatch(u -> wiring.at(u + ".derive").filter(this::isTooLong).isPresent())) {
            add(Fault.SoundClaim.TYPE_FITS, wire.place(), Message.of("fault.too-long"));
        }
    }

    private boolean isTooLong(Wire wire) {
        return wire.faults().isEmpty() && wire.expr().filter(wiring::isTooLong).isPresent();
    }

    private void order(Wire wire) {
        int reach = switch (wire.family()) {
            case OPEN_WHEN -> pageStart.get(wire.owner());
            case ASK_WHEN, OFFER_WHEN, REQUIRE_WHEN, LOCK_WHEN, REWORD, START_WITH, DERIVE, AS_MANY, FEWEST, AT_MOST ->
                position.get(wire.owner());
            case ACCEPT, EVERY_RECORD -> pageEnd.get(pageOf.get(wire.owner()));
            case FINISH, SKIP -> pageEnd.get(wire.owner());
            case OUTCOME_ROW, SEND_WHEN, INCLUDE_WHEN, OPEN_FOLLOW_UP, CARRY, CLAIM -> Integer.MAX_VALUE;
        };
        for (String name : wire.uses()) {
            Integer at = position.get(name);
            if (at == null) {
                continue;
            }
            boolean ownCode = name.equals(wire.owner()) && wire.family() != RuleFamily.ACCEPT && reach != Integer.MAX_VALUE;
            if (ownCode || (wire.family() == RuleFamily.DERIVE && loops(wire.owner()))) {
                add(Fault.SoundClaim.DEPENDS_ON_ITSELF, wire.place(), chain(wire.owner(), name));
                return;
            }
            if (wiring.rosterOf(wire.owner()).filter(name::equals).isPresent() && reach != Integer.MAX_VALUE) {
                add(Fault.SoundClaim.LOOKS_AHEAD, wire.place(),
                        Message.of("fault.all-entries").code("name", name));
            } else if (at > reach) {
                boolean samePage = pageOf.get(name).equals(pageOf.getOrDefault(wire.owner(), wire.owner()));
                Message later = Message.of(samePage ? "fault.later" : "fault.later-page").code("name", name);
                add(Fault.SoundClaim.LOOKS_AHEAD, wire.place(), samePage ? later : later.code("page", pageOf.get(name)));
            }
        }
    }

    private static Message chain(String owner, String name) {
        return owner.equals(name)
                ? Message.of("fault.itself").code("owner", owner)
                : Message.of("fault.circle").code("owner", owner).code("name", name);
    }

    private boolean loops(String derived) {
        return reachable(derived, new LinkedHashSet<>()).contains(derived);
    }

    private Set<String> reachable(String derived, Set<String> seen) {
        wiring.at(derived + ".derive").ifPresent(w -> w.uses().forEach(name -> {
            if (seen.add(name)) {
                reachable(name, seen);
            }
        }));
        return seen;
    }

    private Message nothingCalled(String name) {
        String nearest = Nearest.of(name, wiring.names(RuleFamily.OUTCOME_ROW, ""));
        return nearest.isEmpty()
                ? Message.of("fault.nothing-called").code("name", name)
                : Message.of("fault.nothing-called.nearest").code("name", name).code("nearest", nearest);
    }

    /** A text may speak of what a condition at its place may use. */
    private void text(String unit, String text) {
        Piping.fault(text).ifPresent(because -> add(Fault.SoundClaim.TYPE_FITS, unit, Message.of("fault.text").text("fault", because)));
        Set<String> names = Piping.names(text);
        if (names.isEmpty()) {
            return;
        }
        Place.Text at = PlaceText.unit(unit);
        String owner = at.row();
        boolean before = document.message(owner).filter(DispatchMessage::isBeforeAnswers).isPresent() && !position.containsKey(owner);
        int reach = before
                ? -1
                : pageStart.containsKey(owner)
                        ? pageStart.get(owner)
                        : at.isOf(RuleFamily.ACCEPT) && position.containsKey(owner)
                                ? pageEnd.get(pageOf.get(owner))
                                : position.containsKey(owner) ? position.get(owner) : unit.startsWith("welcome.") ? -1 : Integer.MAX_VALUE;
        // The title of an entry speaks of what is answered in that entry.
        Optional<String> roster = unit.equals(owner + ".entryTitle") ? Optional.of(owner) : wiring.rosterOf(owner);
        if (roster.filter(owner::equals).isPresent()) {
            reach = 1 + document.item(owner).stream().flatMap(Item::withInner).mapToInt(i -> position.get(i.code())).max().orElse(reach);
        }
        for (String name : names) {
            if (document.passage(name).isPresent()) {
                passage(unit, text, owner, name, before);
                continue;
            }
            if (name.equals(Roster.NUMBER) && roster.isPresent() && wiring.type(name).isEmpty()) {
                continue;
            }
            String code = PipedNames.code(name);
            boolean elsewhere = wiring.rosterOf(code).isPresent() && !wiring.rosterOf(code).equals(roster);
            if (wiring.typeOf(name).isEmpty() || elsewhere) {
                add(Fault.SoundClaim.REFERENCE_EXISTS, unit,
                        elsewhere ? Message.of("fault.which-entry").code("name", name) : nothingCalled(name));
            } else if (position.getOrDefault(code, -2) >= reach) {
                add(Fault.SoundClaim.LOOKS_AHEAD, unit,
                        Message.of(code.equals(owner) ? "fault.text-here" : "fault.text-later").code("name", name));
            }
        }
    }

    /** A text that names a passage. */
    private void passage(String unit, String text, String owner, String name, boolean before) {
        List<String> codes = document.passages().stream().map(DispatchPassage::code).toList();
        boolean behind = document.message(owner).isPresent() && !before || codes.contains(owner)
                || unit.equals(owner + ".closing") || unit.equals(owner + ".takeAlong");
        if (!behind || position.containsKey(owner) || pageStart.containsKey(owner)
                || codes.contains(owner) && codes.indexOf(name) >= codes.indexOf(owner)) {
            add(Fault.SoundClaim.REFERENCE_EXISTS, unit, Message.of("fault.no-passage").code("code", name));
        } else
            if (codes.contains(owner) && document.passage(name).orElseThrow().wordings().stream()
                    .anyMatch(w -> Piping.codes(w.text()).stream().anyMatch(codes::contains))) {
                        add(Fault.SoundClaim.REFERENCE_EXISTS, unit, Message.of("fault.passage-deep").code("code", name));
                    } else
                if (Piping.names(Piping.putIn(text, n -> n.equals(name) ? Optional.of("") : Optional.empty())).contains(name)) {
                    add(Fault.SoundClaim.REFERENCE_EXISTS, unit, Message.of("fault.passage-bare").code("code", name));
                }
    }

    private void targets() {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        for (int p = 0; p < document.pages().size(); p++) {
            Page page = document.pages().get(p);
            for (int i = 0; i < page.skip().size(); i++) {
                String to = page.skip().get(i).to();
                if (codes.indexOf(to) <= p) {
                    add(codes.contains(to) ? Fault.SoundClaim.LOOKS_AHEAD : Fault.SoundClaim.REFERENCE_EXISTS, page.code() + "/skip/" + i,
                            codes.contains(to)
                                    ? Message.of("fault.skip-back").code("to", to).code("page", page.code())
                                    : Message.of("fault.no-page").code("to", to));
                }
            }
            for (int i = 0; i < page.finish().size(); i++) {
                outcome(page.code() + "/finish/" + i, page.finish().get(i).outcome());
            }
        }
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            outcome("outcomeTable/" + i, document.outcomeTable().get(i).outcome());
        }
    }

    private void outcome(String place, String code) {
        if (document.outcome(code).isEmpty()) {
            add(Fault.SoundClaim.REFERENCE_EXISTS, place, Message.of("fault.no-outcome").code("code", code));
        }
    }
}
