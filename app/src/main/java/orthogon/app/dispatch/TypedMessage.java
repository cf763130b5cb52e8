package orthogon.app.dispatch;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Refused;

/**
 * What is typed about a message.
 *
 * @param was its code so far
 * @param on word of the moment; of a moment of a follow-up with its code, as in {@code opened:handover}
 * @param afterDays of a reminder; empty for none
 * @param addresses with commas or line breaks between them
 * @param attach {@code response}, {@code files} or both
 */
record TypedMessage(String was, String code, String title, String on, String afterDays, String sendWhen, String addresses,
        List<String> answers, List<String> people, String replyTo, String subject, String body, String tells, List<String> told,
        Boolean nothingLeftOut, List<String> attach) {

    TypedMessage {
        answers = answers == null ? List.of() : List.copyOf(answers);
        people = people == null ? List.of() : List.copyOf(people);
        told = told == null ? List.of() : List.copyOf(told);
        nothingLeftOut = Boolean.TRUE.equals(nothingLeftOut);
        attach = attach == null ? List.of() : List.copyOf(attach);
    }

    static TypedMessage of(DispatchMessage m) {
        return new TypedMessage(m.code(), m.code(), m.title(), on(m.occasion()), m.afterDays() == 0 ? "" : String.valueOf(m.afterDays()),
                m.sendWhen(), String.join(", ", m.addresses()), m.answers(), m.to().people(), m.to().replyTo(), m.subject(), m.body(),
                m.with().tells().word(), m.with().told(), m.with().nothingLeftOut(), attached(m.with()));
    }

    static String on(MessageOccasion occasion) {
        return occasion.isOfFollowUp() ? occasion.moment().word() + ":" + occasion.followUp() : occasion.moment().word();
    }

    private static List<String> attached(MessageContents with) {
        return with.paper()
                ? with.files() ? List.of("response", "files") : List.of("response")
                : with.files() ? List.of("files") : List.of();
    }

    /** What stands here for a message to whoever is invited, for which nothing can be chosen but its moment and its texts. */
    private DispatchMessage beforeAnswers(MessageOccasion occasion) {
        return new DispatchMessage(text(code), text(title), occasion, "",
                new MessageRecipients(List.of(), List.of(), List.of(), text(replyTo)), text(subject), text(body),
                new MessageContents(ToldAnswers.NOTHING, List.of(), false, false, false));
    }

    DispatchMessage message() throws Refused {
        MessageOccasion occasion = occasion();
        if (!occasion.isOfFollowUp() && occasion.moment() != MessageMoment.SENT) {
            return beforeAnswers(occasion);
        }
        ToldAnswers telling = chosen(ToldAnswers.values(), tells).orElseThrow(() -> new Refused("Choose what the message tells."));
        return new DispatchMessage(text(code), text(title), occasion, text(sendWhen),
                new MessageRecipients(Arrays.stream(text(addresses).split("[,;\\s]+")).filter(a -> !a.isEmpty()).toList(), answers, people,
                        text(replyTo)),
                text(subject), text(body), new MessageContents(telling, telling == ToldAnswers.THESE ? told : List.of(), nothingLeftOut,
                        attach.contains("response"), attach.contains("files")));
    }

    private MessageOccasion occasion() throws Refused {
        String[] chosen = text(on).split(":", 2);
        MessageMoment moment = chosen(MessageMoment.values(), chosen[0])
                .orElseThrow(() -> new Refused("Choose when the message is sent."));
        return new MessageOccasion(moment, chosen.length > 1 ? chosen[1] : "", moment == MessageMoment.REMINDER ? days() : 0);
    }

    private static <E extends Enum<E>> Optional<E> chosen(E[] values, String word) {
        return Arrays.stream(values).filter(v -> v.name().toLowerCase(Locale.ROOT).equals(word)).findFirst();
    }

    private int days() throws Refused {
        String typed = text(afterDays);
        if (typed.isEmpty()) {
            return 0;
        }
        if (!typed.matches("\\d{1,3}") || Integer.parseInt(typed) > DispatchMessage.MOST_DAYS) {
            throw new Refused("Give a number of days from 1 to " + DispatchMessage.MOST_DAYS
                    + ", or leave it empty for a reminder that is only sent by hand.");
        }
        return Integer.parseInt(typed);
    }

    private static String text(String typed) {
        return typed == null ? "" : typed.strip();
    }
}
