package orthogon.formats.answer.kinds;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Domain;
import orthogon.core.answer.kinds.AnswerMakers;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.formats.json.ReadObject;
import orthogon.formats.json.UnusableFile.FileFault;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class AnswerFormatsTest {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private static Map<AnswerKind, Answer> everyKind() {
        Map<AnswerKind, Answer> all = new EnumMap<>(AnswerKind.class);
        for (AnswerKind kind : AnswerKind.values()) {
            all.put(kind, AnswerMakers.from(kind, new TextAnswer(false, null, null)));
        }
        AnswerMakers.lines().forEach(line -> all.computeIfPresent(AnswerMakers.typed(line.typed()).orElseThrow().kind(),
                (kind, plain) -> AnswerMakers.typed(line.typed()).orElseThrow()));
        return all;
    }

    private static Answer read(String json, List<FileFault> faults) {
        ReadObject object = new ReadObject(MAPPER.readTree(json), "/answer", faults);
        Answer answer = AnswerFormats.read(object);
        object.close();
        return answer;
    }

    @Test
    void everyKindIsWrittenAndReadBackTheSame() {
        everyKind().forEach((kind, answer) -> {
            List<FileFault> faults = new ArrayList<>();
            assertEquals(answer, read(MAPPER.writeValueAsString(AnswerFormats.write(answer)), faults), kind.type());
            assertEquals(List.of(), faults, kind.type());
        });
    }

    @Test
    void everyKindIsInTheSchemaOfTheDocument() throws Exception {
        try (InputStream in = AnswerFormatsTest.class.getResourceAsStream("/orthogon/formats/document.schema.json")) {
            TreeSet<String> named = new TreeSet<>();
            for (JsonNode one : MAPPER.readTree(in).path("$defs").path("answer").path("oneOf")) {
                JsonNode type = one.path("properties").path("type");
                type.path("enum").forEach(t -> named.add(t.asString()));
                Stream.of(type.path("const")).filter(JsonNode::isString).forEach(t -> named.add(t.asString()));
            }
            assertEquals(Stream.of(AnswerKind.values()).map(AnswerKind::type).collect(Collectors.toCollection(TreeSet::new)), named);
        }
    }

    @Test
    void everyKindCanBeFilledInOnPaperButThoseOfTheLink() {
        everyKind().forEach((kind, answer) -> assertEquals(answer.isFromLink(),
                AnswerFormats.of(answer).paper(answer, OwnWords.ENGLISH).isEmpty(), kind.type()));
    }

    @Test
    void partsWithColumnsOfTheirOwnArePartsOfTheValue() {
        everyKind().forEach((kind, answer) -> assertEquals(
                answer.domain() instanceof Domain.TextParts || answer.domain() instanceof Domain.EachRow
                        || answer.domain() instanceof Domain.OneRecord,
                !AnswerFormats.of(answer).columns(answer).isEmpty(), kind.type()));
    }

    @Test
    void aValueOfAnotherTypeIsUnreadable() {
        JsonNode stranger = MAPPER.readTree("{\"x\": [[]]}");
        JsonNode list = MAPPER.readTree("7");
        everyKind().forEach((kind, answer) -> {
            boolean object = answer.domain() instanceof Domain.TextParts || answer.domain() instanceof Domain.EachRow;
            boolean number = answer.domain() instanceof Domain.Numbers || answer.domain() instanceof Domain.Steps;
            if (!object) {
                assertInstanceOf(Unreadable.class, AnswerFormats.value(answer, stranger), kind.type());
            }
            assertEquals(!number, AnswerFormats.value(answer, list) instanceof Unreadable, kind.type());
        });
    }

    @Test
    void aFaultyLimitNamesItsMemberAndNothingElse() {
        List<FileFault> faults = new ArrayList<>();
        read("{\"type\": \"date\", \"earliest\": \"soon\", \"latest\": \"today\"}", faults);
        assertEquals(List.of("/answer/earliest"), faults.stream().map(FileFault::pointer).toList());
        faults.clear();
        read("{\"type\": \"oneChoice\", \"options\": [{\"code\": \"a\", \"label\": \"A\", \"exclusive\": true}]}", faults);
        assertEquals(List.of("/answer/options/0/exclusive"), faults.stream().map(FileFault::pointer).toList());
        faults.clear();
        assertFalse(read("{\"type\": \"thought\", \"depth\": 3}", faults).hasOwnOptions());
        assertEquals(List.of("/answer/type"), faults.stream().map(FileFault::pointer).toList());
        assertTrue(faults.getFirst().message().contains("thought"), faults.toString());
    }
}
