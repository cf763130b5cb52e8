package orthogon.formats.document;

import java.util.List;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.formats.json.ReadObject;

/** Reads what a questionnaire file says of messages, passages and follow-ups. */
final class DispatchReader {

    private DispatchReader() {}

    static Dispatch read(ReadObject json) {
        return new Dispatch(listed(json, "messages", DispatchMessage.MOST, json.list("messages", DispatchReader::message)),
                listed(json, "passages", DispatchPassage.MOST, json.list("passages", DispatchReader::passage)),
                listed(json, "followUps", FollowUp.MOST, json.list("followUps", FollowUpReader::read), "follow-ups"));
    }

    private static <T> List<T> listed(ReadObject json, String member, int most, List<T> read) {
        return listed(json, member, most, read, member);
    }

    private static <T> List<T> listed(ReadObject json, String member, int most, List<T> read, String words) {
        if (read.size() > most) {
            json.fault(member, "a questionnaire takes at most " + most + " " + words);
        }
        return read;
    }

    private static DispatchMessage message(ReadObject m) {
        String code = m.code("code");
        return new DispatchMessage(code, m.text("title"), occasion(m), m.text("sendWhen"), recipients(m), m.needed("subject"),
                m.text("body"),
                new MessageContents(m.oneOf("tells", ToldAnswers.values(), ToldAnswers::word, ToldAnswers.EVERYTHING), m.texts("told"),
                        m.truth("nothingLeftOut"), m.truth("attachResponse"), m.truth("attachFiles")));
    }

    private static MessageOccasion occasion(ReadObject m) {
        Integer days = m.whole("afterDays", 0, DispatchMessage.MOST_DAYS);
        MessageOccasion occasion = new MessageOccasion(
                m.oneOf("on", MessageMoment.values(), MessageMoment::word, MessageMoment.SENT), m.text("followUp"),
                days == null ? 0 : days);
        if (!occasion.isPossible()) {
            m.fault("on", occasion.isOfFollowUp() ? "nobody is invited to a follow-up" : "name the follow-up whose moment it is");
        }
        return occasion;
    }

    private static MessageRecipients recipients(ReadObject m) {
        List<String> addresses = m.texts("addresses");
        addresses.stream().filter(a -> !DispatchMessage.isAddress(a)).findFirst()
                .ifPresent(a -> m.fault("addresses", "“" + a + "” is not an email address"));
        List<String> answers = m.texts("answers");
        List<String> people = m.texts("people");
        if (Math.max(addresses.size(), Math.max(answers.size(), people.size())) > DispatchMessage.MOST_ADDRESSES) {
            m.fault("addresses", "a message goes to at most " + DispatchMessage.MOST_ADDRESSES + " addresses of each kind");
        }
        String replyTo = m.text("replyTo");
        if (replyTo.indexOf('@') >= 0 && !DispatchMessage.isAddress(replyTo)) {
            m.fault("replyTo", "“" + replyTo + "” is not an email address");
        }
        return new MessageRecipients(addresses, answers, people, replyTo);
    }

    private static DispatchPassage passage(ReadObject p) {
        DispatchPassage passage = new DispatchPassage(p.code("code"),
                p.list("wordings", w -> new DispatchPassage.PassageWording(w.text("when"), w.text("text"))));
        if (passage.wordings().isEmpty() || passage.wordings().size() > DispatchPassage.MOST_WORDINGS) {
            p.fault("wordings", "a passage takes 1 to " + DispatchPassage.MOST_WORDINGS + " wordings");
        }
        return passage;
    }
}
