package orthogon.formats.responses;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.responses.RandomResponses;
import orthogon.formats.dictionary.ResponseSchema;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.stored.StoredAnswers;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DateUtil;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Responses as files. */
class ResponseFilesTest {

    private static final OffsetDateTime SENT = OffsetDateTime.parse("2026-11-23T10:00:00Z");
    private static final Questionnaire FEN = Questionnaire.blank("fen", "Fen")
            .withLinkParameters(List.of(new Questionnaire.LinkParameter("ward", List.of())))
            .withPages(List.of(Page.empty("p", "P").withItems(List.of(
                    Question.of("remark", "Remark", new TextAnswer(true, null, null)),
                    Question.of("seen", "Seen",
                            new ManyChoices(List.of(Option.of("a", "Blood, fresh"), Option.of("b", "Limps")), null, null)),
                    Question.of("day", "Day", new DateAnswer(null, null)), Question.of("at", "At", new TimeAnswer(null, null)),
                    Question.of("count", "Count", new NumberAnswer(null, null, 1, "")), new Derived("twice", "2 * count"),
                    new Roster("birds", "Birds", "", "", 0, 2, List.of(Question.of("young", "Young?", new YesNoAnswer()),
                            new Derived("points", "if young then 1 else 2")))))));
    private static final Map<String, Object> FULL = Map.of("ward", "east", "remark", "=1+1, \"quoted\"\nsecond line", "seen",
            List.of("a", "b"), "day", LocalDate.of(2026, 11, 2), "at", LocalTime.of(14, 30), "count", new BigDecimal("-3.5"), "twice",
            new BigDecimal("-7.0"), "birds", List.of(Map.of("young", true, "points", BigDecimal.ONE), Map.of("points", BigDecimal.TWO)));

    private static ResponseLine line(String receipt, Map<String, Object> answers) {
        return new ResponseLine(receipt, 1, SENT, "sent", "en", "new", "", answers);
    }

    private static byte[] csv(ExportForm form, boolean mark, ResponseLine... lines) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ResponsesCsv.write(ResponseTables.of(FEN, form), List.of(lines), lines.length, mark, out, ProgressListener.NONE);
        return out.toByteArray();
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    @Test
    void oneTableHasARowForEachResponseAndNoCellThatASpreadsheetWouldRun() throws IOException {
        assertEquals("receipt,release,sent,outcome,language,state,in_charge,ward,remark,seen,day,at,count,twice,"
                + "birds.1.young,birds.1.points,birds.2.young,birds.2.points\r\n"
                + "ABC,1,2026-11-23T10:00:00Z,sent,en,new,,east,\"'=1+1, \"\"quoted\"\"\nsecond line\",a;b,2026-11-02,14:30,-3.5,-7.0,"
                + "yes,1,,2\r\nDEF,1,2026-11-23T10:00:00Z,sent,en,new,,,,,,,,,,,,\r\n",
                text(csv(ExportForm.ONE_TABLE, false, line("ABC", FULL), line("DEF", Map.of()))));
    }

    @Test
    void labelsSeveralColumnsAndAMarkOnRequest() throws IOException {
        String several = text(csv(new ExportForm(true, true, false), true, line("ABC", Map.of("seen", List.of("b"))), line("D", Map.of())));
        assertTrue(several.startsWith("\uFEFFreceipt,"));
        assertTrue(several.contains("seen.a,seen.b,"));
        assertTrue(several.contains("ABC,1,2026-11-23T10:00:00Z,Sent,en,new,,,,no,yes,"), several);
        assertTrue(several.contains("D,1,2026-11-23T10:00:00Z,Sent,en,new,,,,,,"), several);
        assertTrue(text(csv(new ExportForm(true, false, false), false, line("ABC", FULL))).contains("\"Blood, fresh;Limps\""));
    }

    @Test
    void rostersAreFilesOfTheirOwnLinkedByReceipt() throws IOException {
        Map<String, String> files = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(
                new ByteArrayInputStream(csv(new ExportForm(false, false, true), false, line("ABC", FULL), line("D", Map.of()))))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), text(zip.readAllBytes()));
            }
        }
        assertEquals(List.of("responses.csv", "birds.csv"), List.copyOf(files.keySet()));
        assertEquals("receipt,entry,young,points\r\nABC,1,yes,1\r\nABC,2,,2\r\n", files.get("birds.csv"));
        assertTrue(files.get("responses.csv").lines().anyMatch(l -> l.startsWith("second line") && l.endsWith(",-7.0,2")));
    }

    @Test
    void aWorkbookHasTypedCellsASheetForEachRosterAndADictionary() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ResponsesXlsx.write(FEN, ResponseTables.of(FEN, new ExportForm(true, false, true)), List.of(line("ABC", FULL), line("D", Map.of())),
                2,
                out, ProgressListener.NONE);
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray()))) {
            Sheet main = book.getSheet("responses");
            List<String> heads = new ArrayList<>();
            main.getRow(0).forEach(c -> heads.add(c.getStringCellValue()));
            Row row = main.getRow(1);
            assertEquals(-3.5, row.getCell(heads.indexOf("count")).getNumericCellValue());
            assertTrue(DateUtil.isCellDateFormatted(row.getCell(heads.indexOf("day"))));
            assertEquals(LocalDate.of(2026, 11, 2), row.getCell(heads.indexOf("day")).getLocalDateTimeCellValue().toLocalDate());
            assertEquals(LocalTime.of(14, 30), row.getCell(heads.indexOf("at")).getLocalDateTimeCellValue().toLocalTime());
            assertEquals(SENT.toLocalDateTime(), row.getCell(heads.indexOf("sent")).getLocalDateTimeCellValue());
            assertEquals("=1+1, \"quoted\"\nsecond line", row.getCell(heads.indexOf("remark")).getStringCellValue());
            assertEquals(CellType.STRING, row.getCell(heads.indexOf("remark")).getCellType(), "never a formula");
            assertEquals("Blood, fresh;Limps", row.getCell(heads.indexOf("seen")).getStringCellValue());
            assertEquals(2, main.getLastRowNum());
            Sheet birds = book.getSheet("birds");
            assertTrue(birds.getRow(1).getCell(2).getBooleanCellValue());
            assertEquals(null, birds.getRow(2).getCell(2), "a blank answer is an empty cell");
            assertEquals(2, birds.getRow(2).getCell(1).getNumericCellValue());
            assertEquals("variable", book.getSheet("dictionary").getRow(0).getCell(0).getStringCellValue());
        }
    }

    @Test
    void eachRowIsToldAndTheWorkCanBeEnded() {
        List<ResponseLine> rows = Collections.nCopies(5, line("ABC", Map.of()));
        List<String> told = new ArrayList<>();
        assertThrows(CancellationException.class, () -> ResponsesCsv.write(ResponseTables.of(FEN, ExportForm.ONE_TABLE), rows, 5, false,
                new ByteArrayOutputStream(), (part, done, of) -> {
                    told.add(part + " " + done + " " + of);
                    if (done == 2) {
                        throw new CancellationException();
                    }
                }));
        assertEquals(List.of("Writing the table “responses” 0 5", "Writing the table “responses” 1 5", "Writing the table “responses” 2 5"),
                told);
    }

    @Test
    void theLinkAndDerivedValuesComeBackFromTheStore() {
        Map<String, Object> read = StoredAnswers.read(FEN, StoredAnswers.write(FULL));
        assertEquals(FULL, read);
    }

    /** Answers in the JSON file satisfy the schema that the release gives, whatever the types. */
    @Test
    void theAnswersOfTheJsonFileSatisfyTheSchema() throws IOException {
        for (int seed = 0; seed < 20; seed++) {
            Questionnaire document = seed == 0 ? EveryType.document() : seed == 1 ? FEN : RandomDocument.of(700 + seed);
            RandomResponses responses = new RandomResponses(document, new Random(seed));
            List<ResponseLine> lines = new ArrayList<>();
            for (int i = 0; i < 10; i++) {
                lines.add(line("R" + i, responses.answers(document)));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ResponsesJson.write(document, lines, lines.size(), out, ProgressListener.NONE);
            JsonNode all = JsonMapper.builder().build().readTree(out.toByteArray());
            assertEquals(10, all.size());
            Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(ResponseSchema.of(document),
                    InputFormat.JSON);
            for (JsonNode each : all) {
                assertEquals(List.of(), schema.validate(each.get("answers")), () -> document.code() + " " + each);
            }
        }
    }
}
