package orthogon.core.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.Repeats;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;

/** A small questionnaire that opens one or two others, drawn from a seed; small enough that every case can be tried. */
final class RandomCase {

    private static final Set<AnswerKind> KINDS = Set.of(AnswerKind.YES_NO, AnswerKind.ONE_CHOICE, AnswerKind.MANY_CHOICES,
            AnswerKind.NUMBER, AnswerKind.DATE, AnswerKind.AGREEMENT);

    private final Random random;
    private final Questionnaire opened;
    private final Questionnaire first;

    private RandomCase(long seed, Questionnaire first, Questionnaire opened) {
        this.random = new Random(seed);
        this.first = first;
        this.opened = opened;
    }

    /** The first questionnaire and what it opens; empty for a seed that draws answers of which only some are tried. */
    static Optional<RandomCase> of(long seed) {
        Questionnaire first = RandomDocument.of(2 * seed).withDispatch(Dispatch.NOTHING).withClaims(List.of());
        Questionnaire opened = RandomDocument.of(2 * seed + 1).withDispatch(Dispatch.NOTHING).withClaims(List.of()).withCode("other");
        boolean small = List.of(first, opened).stream().flatMap(Questionnaire::questions)
                .allMatch(q -> KINDS.contains(q.answer().kind()))
                && Stream.of(first, opened).allMatch(d -> Faults.of(Wiring.of(d)).isEmpty());
        return small && first.questions().findAny().isPresent() && opened.questions().findAny().isPresent()
                ? Optional.of(new RandomCase(seed, first, opened))
                : Optional.empty();
    }

    Questionnaire opened() {
        return opened;
    }

    KnownQuestionnaires others() {
        return code -> code.equals("other") ? Optional.of(opened) : Optional.empty();
    }

    /** The first questionnaire with its follow-ups and own claims about them. */
    Questionnaire document() {
        List<FollowUp> followUps = new ArrayList<>();
        FollowUp one = followUp("f0", condition());
        followUps.add(one);
        if (chance(30)) {
            String when = chance(50) ? about(one) : about(one) + pick(List.of(" and ", " or ")) + condition();
            followUps.add(followUp("f1", when).withBrings(List.of()));
        }
        List<OwnClaim> claims = List.of(
                new OwnClaim("c0", chance(50) ? Says.ALWAYS : Says.NEVER,
                        pick(List.of("opens(f0) or ", "not(opens(f0)) and ")) + condition()),
                new OwnClaim("c1", chance(50) ? Says.ALWAYS : Says.NEVER, about(one)));
        return first.withFollowUps(followUps).withClaims(claims).withMessages(List.of(message("m0", one), message("m1", one)));
    }

    /** A message at a moment of a follow-up. */
    private DispatchMessage message(String code, FollowUp followUp) {
        List<MessageOccasion> occasions = Stream.of(MessageMoment.values()).map(m -> new MessageOccasion(m, followUp.code(),
                m == MessageMoment.REMINDER ? 2 : 0)).filter(o -> o.isPossible() && o.comesIn(followUp)).toList();
        MessageOccasion occasion = pick(occasions);
        List<String> known = !occasion.isAfterFollowUp()
                ? List.of()
                : asked(followUp).stream()
                        .filter(c -> !c.contains(".state") && (occasion.moment() == MessageMoment.DECIDED || !c.contains(".decision")))
                        .toList();
        String when = known.isEmpty() || chance(40) ? chance(30) ? "" : condition() : pick(known);
        List<String> answers = chance(80) ? List.of(pick(first.questions().toList()).code()) : List.of();
        return new DispatchMessage(code, "", when, chance(30) ? List.of("office@quillmere.example") : List.of(), answers, "About it", "",
                ToldAnswers.NOTHING, List.of()).withOccasion(occasion);
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private FollowUp followUp(String code, String when) {
        FollowUpDecision decision = chance(50)
                ? new FollowUpDecision(List.of(),
                        List.of(new DecisionChoice("good", "Good", false), new DecisionChoice("bad", "Bad", false),
                                new DecisionChoice("again", "Again", true)))
                : FollowUpDecision.NONE;
        return new FollowUp(code, "", "other", chance(15) ? "" : when, "", FollowUpSeat.RESPONDENT, carries(), brings(), decision,
                chance(40) ? new DueTime(3, true) : DueTime.NONE, Repeats.ONCE);
    }

    private List<Carried> carries() {
        List<Carried> carries = new ArrayList<>();
        for (Question target : opened.questions().toList()) {
            List<String> values = first.questions().filter(q -> fit(q, target)).map(q -> value(q, target)).toList();
            if (!values.isEmpty() && chance(40)) {
                carries.add(new Carried(target.code(), pick(values), chance(50)));
            }
        }
        opened.linkParameters().forEach(p -> carries.add(new Carried(p.code(), chance(50)
                ? "\"north\""
                : "if " + condition()
                        + " then \"south\" else \"" + pick(List.of("west", "north")) + "\"",
                true)));
        return carries;
    }

    private static boolean fit(Question from, Question target) {
        return from.answer().kind() == target.answer().kind() && from.answer().kind() != AnswerKind.AGREEMENT
                && from.answer().kind() != AnswerKind.MANY_CHOICES;
    }

    private String value(Question from, Question target) {
        return target.answer().kind() == AnswerKind.NUMBER && chance(40) ? from.code() + " + 1" : from.code();
    }

    private List<Brought> brings() {
        Wiring wiring = Wiring.of(opened);
        List<Brought> brings = new ArrayList<>();
        opened.questions().filter(q -> chance(50)).forEach(q -> wiring.broughtAs(q.code())
                .ifPresent(kind -> brings.add(new Brought("got_" + q.code(), q.code(), kind))));
        brings.add(new Brought("ended", "outcome", FollowUp.BroughtKind.TEXT));
        return brings;
    }

    private String condition() {
        Question q = pick(first.questions().toList());
        if (chance(20)) {
            return "outcome = \"" + pick(first.outcomes()).code() + "\"";
        }
        return switch (q.answer()) {
            case YesNoAnswer y -> q.code() + " = " + chance(50);
            case OneChoice c -> q.code() + " = \"" + pick(c.options()).code() + "\"";
            case NumberAnswer n -> q.code() + " > " + random.nextInt(3);
            case DateAnswer d -> q.code() + " < today()";
            default -> "answered(" + q.code() + ")";
        };
    }

    private String about(FollowUp followUp) {
        return pick(asked(followUp));
    }

    private List<String> asked(FollowUp followUp) {
        String code = followUp.code();
        List<String> conditions = new ArrayList<>(List.of(code + ".state = \"" + pick(followUp.ends()) + "\"", code + ".state = null",
                code + ".ended = \"" + pick(opened.outcomes()).code() + "\""));
        if (!followUp.decision().isNone()) {
            conditions.add(code + ".decision = \"" + pick(List.of("good", "bad")) + "\"");
        }
        followUp.brings().stream().filter(b -> !b.name().equals("ended")).forEach(b -> conditions.add(switch (b.kind()) {
            case YES_NO -> code + "." + b.name() + " = true";
            case NUMBER -> code + "." + b.name() + " > 1";
            case LIST -> "count(" + code + "." + b.name() + ") > 1";
            default -> "answered(" + code + "." + b.name() + ")";
        }));
        return conditions;
    }
}
