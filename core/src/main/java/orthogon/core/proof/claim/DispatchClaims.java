package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.Question;

/**
 * Every message is sent to somebody, has an address whenever it is sent, and leaves nothing out where that is asked of it; somebody reads
 * every wording of a passage.
 */
final class DispatchClaims {

    private final ClaimDecider decider;
    private final Diagrams d;
    private final EndReads reads;

    private DispatchClaims(ClaimDecider decider) {
        this.decider = decider;
        this.d = decider.d;
        this.reads = decider.reads;
    }

    static List<Claim> of(ClaimDecider decider) {
        DispatchClaims claims = new DispatchClaims(decider);
        List<Claim> all = new ArrayList<>();
        decider.space.wiring().document().messages().stream().filter(DispatchMessage::isAfterAnswers).forEach(message -> {
            all.add(claims.known(ClaimKind.MESSAGE_SENT, message, claims::sent));
            all.add(claims.known(ClaimKind.RECIPIENT_FILLED, message, claims::filled));
            if (message.with().nothingLeftOut()) {
                all.add(claims.known(ClaimKind.MESSAGE_COMPLETE, message, claims::complete));
            }
        });
        for (DispatchPassage passage : decider.space.wiring().document().passages()) {
            for (int i = 0; i < passage.wordings().size(); i++) {
                all.add(claims.appears(passage.code(), i));
            }
        }
        return all;
    }

    /** What a message must not leave out and does not tell: code to whether it is asked, in plain form. */
    static Map<String, Expr> untold(Space space, DispatchMessage message) {
        Map<String, Expr> untold = new LinkedHashMap<>();
        if (message.with().nothingLeftOut() && message.isAfterAnswers()) {
            space.plainForm().original().document().questions().filter(q -> !q.isHidden() && !message.tells(q.code()))
                    .forEach(q -> untold.put(q.code(), asked(space.plainForm(), q)));
        }
        return untold;
    }

    /** Whether a question is asked; in a roster, in the first entry, which whoever has any has. */
    private static Expr asked(PlainForm plainForm, Question question) {
        List<String> codes = question.answer().rows().isEmpty()
                ? List.of(plainForm.first(question.code()))
                : question.answer().rows().stream().map(r -> plainForm.firstRow(question.code(), r.code())).toList();
        List<Expr> each = codes.stream()
                .<Expr>map(c -> new Expr.Call("asked", List.of(new Expr.Name(c, Expr.Span.NONE)), Expr.Span.NONE)).toList();
        return each.size() == 1 ? each.getFirst() : new Expr.Or(each, Expr.Span.NONE);
    }

    private static Predicate<Interview> isSent(DispatchMessage message) {
        return i -> i.course().complete() && DueMessage.isSent(i, message);
    }

    private static Message ofCode(ClaimKind kind, String code) {
        return kind.message("claim").code("code", code);
    }

    /** A claim about who is sent a message, where that is known. */
    private Claim known(ClaimKind kind, DispatchMessage message, Function<DispatchMessage, Claim> decided) {
        return reads.openMessage(message.code())
                .map(why -> ClaimDecider.undecided(kind, message.code(), ofCode(kind, message.code()), why))
                .orElseGet(() -> decided.apply(message));
    }

    private Claim sent(DispatchMessage message) {
        ClaimKind kind = ClaimKind.MESSAGE_SENT;
        String code = message.code();
        Message statement = ofCode(kind, code);
        return decider.some(kind, code, statement, decider.atEnd(ending -> reads.sentAt(code, ending), isSent(message)), Optional.empty(),
                kind.message("proved"), () -> impossible(kind, code + ".sendWhen", r -> r.over(e -> r.sentAt(code, e))));
    }

    /** Why nobody comes to something: the fewest conditions that exclude it. */
    private Finding impossible(ClaimKind kind, String about, ToIntFunction<EndReads> target) {
        Optional<Wire> wire = decider.space.wiring().at(about);
        if (wire.isEmpty()) {
            return new Finding.Fact(kind.message("refuted"));
        }
        int pages = decider.space.wiring().document().pages().size();
        return new Finding.Conflict(kind.message("refuted"),
                Cores.smallest(decider.space, pages, List.of(about), f -> target.applyAsInt(new EndReads(f))).besides(about));
    }

    private Claim filled(DispatchMessage message) {
        ClaimKind kind = ClaimKind.RECIPIENT_FILLED;
        String code = message.code();
        ClaimDecider.Sought sought = decider.atEnd(
                ending -> message.hasRecipientAlways() ? Diagrams.NONE : reads.blank(code, reads.sentAt(code, ending)),
                isSent(message).and(i -> message.answers().stream().allMatch(a -> i.course().effective().get(a) == null)));
        Claim claim = decider.none(kind, code, ofCode(kind, code), sought, kind.message("proved"),
                () -> kind.message(message.answers().isEmpty() ? "refuted.nobody" : "refuted"));
        return claim.verdict() != Verdict.REFUTED || message.answers().isEmpty()
                ? claim
                : advised(claim, kind.message("advice"), Optional.of(onlyWithAddress(message)));
    }

    /** The message sent only where there is an address. */
    private Mend onlyWithAddress(DispatchMessage message) {
        String given = message.answers().stream().map(a -> "answered(" + a + ")").collect(Collectors.joining(" or "));
        String when = decider.space.plainForm().original().document().message(message.code()).map(DispatchMessage::sendWhen).orElse("");
        String both = when.isBlank() ? given : "(" + when + ") and " + (message.answers().size() == 1 ? given : "(" + given + ")");
        return new Mend(ClaimKind.RECIPIENT_FILLED.message("mend"), message.code() + ".sendWhen", both);
    }

    private Claim complete(DispatchMessage message) {
        ClaimKind kind = ClaimKind.MESSAGE_COMPLETE;
        String code = message.code();
        Message statement = ofCode(kind, code);
        Map<String, Expr> untold = untold(decider.space, message);
        Map<String, ClaimDecider.Sought> left = new LinkedHashMap<>();
        untold.forEach((question, asked) -> {
            ClaimDecider.Sought sought = decider.atEnd(
                    ending -> d.and(reads.sentAt(code, ending), decider.space.truth(asked, Map.of()).holds()),
                    isSent(message).and(i -> Boolean.TRUE.equals(i.truth(asked))));
            if (sought.set() != Diagrams.NONE) {
                left.put(question, sought);
            }
        });
        Message proved = kind.message(untold.isEmpty() ? "proved" : "proved.these");
        ClaimDecider.Sought first = left.isEmpty() ? decider.atEnd(e -> Diagrams.NONE, i -> false) : left.values().iterator().next();
        Claim claim = decider.none(kind, code, statement, first, proved,
                () -> kind.message(left.size() == 1 ? "refuted.one" : "refuted").code("first", left.keySet().iterator().next())
                        .text("codes", String.join(", ", left.keySet())));
        return claim.verdict() != Verdict.REFUTED ? claim : advised(claim, kind.message("advice"), Optional.empty());
    }

    private static Claim advised(Claim claim, Message advice, Optional<Mend> mend) {
        return new Claim(claim.kind(), claim.place(), claim.statement(), Verdict.REFUTED, Optional.empty(), () -> {
            Finding found = claim.finding();
            return found.witness().<Finding>map(w -> new Finding.Respondent(found.says(), advice, w, mend)).orElse(found);
        });
    }

    private Claim appears(String passage, int number) {
        ClaimKind kind = ClaimKind.PASSAGE_APPEARS;
        String place = Place.Rule.at(passage, RuleFamily.INCLUDE_WHEN, number).text();
        String unit = place + ".text";
        Message statement = kind.message("claim").text("number", String.valueOf(number + 1)).code("code", passage);
        Optional<Unknown> open = reads.open(unit);
        if (open.isPresent()) {
            return ClaimDecider.undecided(kind, place, statement, open.get());
        }
        return decider.some(kind, place, statement, decider.atEnd(e -> reads.at(unit, e), i -> reads.isRead(unit, i)), Optional.empty(),
                kind.message("proved"), () -> impossible(kind, place, r -> r.over(e -> r.at(unit, e))));
    }
}
