package orthogon.formats.document;

import static orthogon.formats.json.WrittenObject.put;

import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchMessage.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;

/** Messages and passages as a questionnaire file has them. */
final class DispatchWriter {

    private DispatchWriter() {}

    static Map<String, Object> message(DispatchMessage m) {
        Map<String, Object> message = DocumentWriter.object("code", m.code());
        put(message, "title", m.title());
        put(message, "on", m.on() == MessageMoment.SENT ? "" : m.on().word());
        if (m.afterDays() > 0) {
            message.put("afterDays", m.afterDays());
        }
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
}
