package orthogon.formats.document;

import static orthogon.formats.json.WrittenObject.put;

import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;

/** Messages, passages and follow-ups as a questionnaire file has them. */
final class DispatchWriter {

    private DispatchWriter() {}

    static Map<String, Object> message(DispatchMessage m) {
        Map<String, Object> message = DocumentWriter.object("code", m.code());
        put(message, "title", m.title());
        put(message, "on", m.on() == MessageMoment.SENT ? "" : m.on().word());
        put(message, "followUp", m.occasion().followUp());
        number(message, "afterDays", m.afterDays());
        put(message, "sendWhen", m.sendWhen());
        put(message, "addresses", m.to().addresses());
        put(message, "answers", m.to().answers());
        put(message, "people", m.to().people());
        put(message, "replyTo", m.to().replyTo());
        message.put("subject", m.subject());
        put(message, "body", m.body());
        put(message, "tells", m.with().tells() == ToldAnswers.EVERYTHING ? "" : m.with().tells().word());
        put(message, "told", m.with().told());
        flag(message, "nothingLeftOut", m.with().nothingLeftOut());
        flag(message, "attachResponse", m.with().paper());
        flag(message, "attachFiles", m.with().files());
        return message;
    }

    private static void flag(Map<String, Object> json, String member, boolean set) {
        if (set) {
            json.put(member, true);
        }
    }

    static Map<String, Object> passage(DispatchPassage p) {
        Map<String, Object> passage = DocumentWriter.object("code", p.code());
        passage.put("wordings", p.wordings().stream().map(w -> {
            Map<String, Object> wording = new LinkedHashMap<>();
            put(wording, "when", w.when());
            wording.put("text", w.text());
            return wording;
        }).toList());
        return passage;
    }

    static Map<String, Object> followUp(FollowUp f) {
        Map<String, Object> followUp = DocumentWriter.object("code", f.code());
        put(followUp, "title", f.title());
        followUp.put("questionnaire", f.questionnaire());
        put(followUp, "openWhen", f.openWhen());
        put(followUp, "wording", f.wording());
        put(followUp, "for", f.seat().who() == Who.RESPONDENT ? "" : f.seat().who().word());
        put(followUp, "address", f.seat().address());
        put(followUp, "people", f.seat().people());
        put(followUp, "carries", f.carries().stream().map(c -> {
            Map<String, Object> carried = DocumentWriter.object("to", c.to());
            carried.put("value", c.value());
            flag(carried, "locked", c.locked());
            return carried;
        }).toList());
        put(followUp, "brings", f.brings().stream().map(b -> {
            Map<String, Object> brought = DocumentWriter.object("name", b.name());
            brought.put("of", b.of());
            put(brought, "kind", b.kind() == BroughtKind.TEXT ? "" : b.kind().word());
            return brought;
        }).toList());
        put(followUp, "decidedBy", f.decision().by());
        put(followUp, "decision", f.decision().choices().stream().map(c -> {
            Map<String, Object> choice = DocumentWriter.object("code", c.code());
            put(choice, "label", c.label());
            flag(choice, "returns", c.returns());
            return choice;
        }).toList());
        number(followUp, "dueAfterDays", f.due().days());
        flag(followUp, "expires", f.due().expires());
        put(followUp, "eachOf", f.eachOf());
        flag(followUp, "againByHand", f.repeats().byHand());
        return followUp;
    }

    private static void number(Map<String, Object> json, String member, int number) {
        if (number > 0) {
            json.put(member, number);
        }
    }
}
