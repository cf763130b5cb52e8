package orthogon.core.proof.composed;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** What keeps a follow-up from being opened at all: its questionnaire is missing, or has not what is carried and brought. */
public final class FollowUpFaults {

    private FollowUpFaults() {}

    /** Whether the questionnaire that a follow-up opens is given. */
    public static boolean isGiven(FollowUp followUp, KnownQuestionnaires others) {
        return others.find(followUp.questionnaire()).isPresent();
    }

    /** What keeps any of the follow-ups of a questionnaire from being opened, the first of it; empty where nothing does. */
    public static Optional<Message> first(Questionnaire document, KnownQuestionnaires others) {
        for (FollowUp followUp : document.followUps()) {
            if (!isGiven(followUp, others)) {
                return Optional.of(Message.of("follow-up-known.not-given").text("questionnaire", followUp.questionnaire()));
            }
            Optional<Message> fault = of(document, followUp, others).stream().findFirst();
            if (fault.isPresent()) {
                return fault;
            }
        }
        return Optional.empty();
    }

    /** What is wrong with a follow-up whose questionnaire is given, in order; none where nothing is. */
    public static List<Message> of(Questionnaire document, FollowUp followUp, KnownQuestionnaires others) {
        List<Message> faults = new ArrayList<>();
        Questionnaire opened = others.find(followUp.questionnaire()).orElseThrow();
        Wiring wiring = Wiring.of(opened);
        Set<String> taken = new HashSet<>();
        for (Carried carried : followUp.carries()) {
            if (!takes(opened, carried.to())) {
                faults.add(named("no-target", carried.to(), followUp));
            } else if (!taken.add(carried.to())) {
                faults.add(named("twice", carried.to(), followUp));
            }
        }
        for (Brought brought : followUp.brings()) {
            Optional<BroughtKind> kind = wiring.broughtAs(brought.of());
            if (kind.isEmpty()) {
                faults.add(named("no-source", brought.of(), followUp));
            } else if (kind.get() != brought.kind()) {
                faults.add(named("other-kind", brought.of(), followUp).text("is", kind.get().word()).text("said", brought.kind().word()));
            }
        }
        circle(document.code(), followUp.questionnaire(), others, 1).ifPresent(faults::add);
        return faults;
    }

    private static Message named(String key, String code, FollowUp followUp) {
        return Message.of("follow-up-known." + key).text("code", code).text("questionnaire", followUp.questionnaire());
    }

    /** Whether a value can be carried to the code: a link parameter, or a question with a value of its own outside of rosters. */
    public static boolean takes(Questionnaire opened, String code) {
        Optional<Question> question = opened.question(code);
        return question.isEmpty()
                ? opened.linkParameters().stream().anyMatch(p -> p.code().equals(code))
                : opened.rosterOf(code).isEmpty() && hasStart(question.get().answer());
    }

    private static boolean hasStart(Answer answer) {
        return !(answer.domain() instanceof Domain.EachRow) && switch (answer.kind()) {
            case FILE, SIGNATURE -> false;
            default -> true;
        };
    }

    private static Optional<Message> circle(String first, String code, KnownQuestionnaires others, int depth) {
        if (code.equals(first)) {
            return Optional.of(Message.of("follow-up-known.circle").text("questionnaire", first));
        }
        if (depth > CaseDocument.MOST_DEEP) {
            return Optional.of(Message.of("follow-up-known.deep").text("most", String.valueOf(CaseDocument.MOST_DEEP)));
        }
        Set<String> next = new LinkedHashSet<>();
        others.find(code).ifPresent(q -> q.followUps().forEach(f -> next.add(f.questionnaire())));
        for (String opened : next) {
            if (others.find(opened).isEmpty() && !opened.equals(first)) {
                return Optional.of(Message.of("follow-up-known.missing").text("questionnaire", opened));
            }
            Optional<Message> found = circle(first, opened, others, depth + 1);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
