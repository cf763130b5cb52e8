package orthogon.formats.translation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import javax.xml.XMLConstants;
import javax.xml.transform.Source;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import net.sf.okapi.lib.xliff2.core.Part.GetTarget;
import net.sf.okapi.lib.xliff2.core.Segment;
import net.sf.okapi.lib.xliff2.core.TargetState;
import net.sf.okapi.lib.xliff2.document.XLIFFDocument;
import net.sf.okapi.lib.xliff2.reader.XLIFFReader;
import orthogon.core.language.Incoming;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.progress.ProgressListener;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class TranslationFilesTest {

    private static Questionnaire intake;

    @BeforeAll
    static void read() throws Exception {
        intake = DocumentReader.read(Files.readAllBytes(Path.of("../app/src/main/resources/demo/found_animal.orthogon.json")));
    }

    @Test
    void everyFileComesBackAsItWent() throws Exception {
        List<TextRow> all = new ArrayList<>();
        for (String language : List.of("fr", "ar", "pl")) {
            List<TextRow> rows = TextRow.of(intake, language);
            assertEquals(rows,
                    XliffFile.read(XliffFile.write("found_animal", "en", language, rows, ProgressListener.NONE), ProgressListener.NONE),
                    language);
            all.addAll(rows);
        }
        assertEquals(all, TextTable.readCsv(TextTable.csv(all)));
        assertEquals(all, TextTable.readXlsx(TextTable.xlsx(all, ProgressListener.NONE), ProgressListener.NONE));
        assertTrue(Incoming.judge(intake, all.stream().map(TextRow::incoming).toList()).stream()
                .allMatch(j -> j.kind() == Incoming.IncomingKind.SAME));
    }

    @Test
    void statesAndOddSignsComeBack() throws Exception {
        List<TextRow> odd = List.of(new TextRow("fr", "a.wording", "page “A”", "=1+1 <b> & \"q\"", "", "missing", "'note", "x"),
                new TextRow("fr", "b.wording", "", "Line\nbreak {name} [us](https://example.org)",
                        "'=Ligne\nrompue {name} [nous](https://example.org)",
                        "stale", "", "y"),
                new TextRow("fr", "c.wording", "", "{a} and {a} and {b}", "{b} et {a} et {a}", "draft", "", "z"));
        String xml = XliffFile.write("odd", "en", "fr", odd, ProgressListener.NONE);
        assertTrue(xml.contains("<ph ") && xml.contains("<data id=\"d1\">{"), xml);
        List<TextRow> back = XliffFile.read(xml, ProgressListener.NONE);
        assertEquals(odd.stream().map(TextRow::text).toList(), back.stream().map(TextRow::text).toList());
        assertEquals(odd.stream().map(TextRow::source).toList(), back.stream().map(TextRow::source).toList());
        assertEquals(List.of("missing", "draft", "draft"), back.stream().map(TextRow::state).toList(), "a stale one is nobody's review");
        assertEquals(odd, TextTable.readCsv(TextTable.csv(odd)));
        assertTrue(TextTable.csv(odd).contains("'=1+1"), "no spreadsheet takes it for a formula");
        assertEquals(odd, TextTable.readXlsx(TextTable.xlsx(odd, ProgressListener.NONE), ProgressListener.NONE));
    }

    @Test
    void xliffValidatesAgainstTheStandardsSchema() throws Exception {
        String xml = XliffFile.write("found_animal", "en", "ar", TextRow.of(intake, "ar"), ProgressListener.NONE);
        SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
        String at = "/net/sf/okapi/lib/xliff2/";
        Schema schema = factory.newSchema(new Source[]{
                new StreamSource(XLIFFReader.class.getResourceAsStream(at + "informativeCopiesOf3rdPartySchemas/w3c/xml.xsd")),
                new StreamSource(XLIFFReader.class.getResourceAsStream(at + "xliff_core_2.0.xsd"))});
        schema.newValidator().validate(new StreamSource(new StringReader(xml)));
        assertTrue(xml.contains("version=\"2.1\"") && xml.contains("trgLang=\"ar\""),
                xml.substring(0, 400));
        assertThrows(org.xml.sax.SAXException.class,
                () -> schema.newValidator().validate(new StreamSource(new StringReader(xml.replace("<segment", "<segments")))));
    }

    @Test
    void aTranslationToolsWorkComesBackAndDamageIsNamed() throws Exception {
        Questionnaire document = intake.withTranslations(java.util.Map.of());
        Path file = Files.createTempFile("texts", ".xlf");
        Files.writeString(file, XliffFile.write("found_animal", "en", "pl", TextRow.of(document, "pl"), ProgressListener.NONE));
        XLIFFDocument tool = new XLIFFDocument();
        tool.load(file.toFile(), XLIFFReader.VALIDATION_MAXIMAL);
        for (var unit : tool.getUnits()) {
            Segment segment = unit.getSegment(0);
            if (unit.getName().equals("group.wording")) {
                segment.getTarget(GetTarget.CREATE_EMPTY).append("Jakie to zwierzę?");
                segment.setState(TargetState.REVIEWED);
            } else if (unit.getName().equals("each.introduction")) {
                segment.getTarget(GetTarget.CREATE_EMPTY).append("Opisz zwierzęta.");
                segment.setState(TargetState.TRANSLATED);
            }
        }
        StringWriter edited = new StringWriter();
        tool.save(edited);
        List<Incoming.Judged> judged = Incoming.judge(document,
                XliffFile.read(edited.toString(), ProgressListener.NONE).stream().map(TextRow::incoming).toList());
        Incoming.Judged group = judged.stream().filter(j -> j.incoming().unit().equals("group.wording")).findFirst().orElseThrow();
        assertEquals(Incoming.IncomingKind.ADDED, group.kind());
        assertEquals("reviewed", group.incoming().state());
        Incoming.Judged each = judged.stream().filter(j -> j.incoming().unit().equals("each.introduction")).findFirst().orElseThrow();
        assertEquals(Incoming.IncomingKind.DAMAGED, each.kind());
        assertEquals("{count, plural} is missing; ** is missing", each.because());
        assertEquals(judged.size() - 2, judged.stream().filter(j -> j.kind() == Incoming.IncomingKind.EMPTY).count());
    }

    @Test
    void whatIsNoSuchFileIsSaidSo() {
        assertThrows(UnreadableTexts.class, () -> XliffFile.read("<xliff", ProgressListener.NONE));
        assertThrows(UnreadableTexts.class,
                () -> XliffFile.read("<!DOCTYPE xliff [<!ENTITY a 'b'>]><xliff>&a;</xliff>", ProgressListener.NONE));
        String old = "<xliff version=\"1.2\" xmlns=\"urn:oasis:names:tc:xliff:document:1.2\"/>";
        assertThrows(UnreadableTexts.class, () -> XliffFile.read(old, ProgressListener.NONE));
        assertEquals("The first row names no column “unit”; it must be there.",
                assertThrows(UnreadableTexts.class, () -> TextTable.readCsv("language,text\r\nfr,x")).getMessage());
        assertThrows(UnreadableTexts.class, () -> TextTable.readXlsx(new byte[]{1, 2, 3}, ProgressListener.NONE));
        assertThrows(UnreadableTexts.class, () -> TextTable.readCsv(""));
    }

    /** A piece of work with a file that tells how far it is. */
    private interface Watched {
        void run(ProgressListener progress) throws UnreadableTexts;
    }

    @Test
    void everyFileCanBeCalledOffAfterEachOfItsTexts() {
        List<TextRow> rows = TextRow.of(intake, "fr");
        byte[] workbook = TextTable.xlsx(rows, ProgressListener.NONE);
        String xliff = XliffFile.write("found_animal", "en", "fr", rows, ProgressListener.NONE);
        List<Watched> all = List.of(progress -> TextTable.xlsx(rows, progress), progress -> TextTable.readXlsx(workbook, progress),
                progress -> XliffFile.write("found_animal", "en", "fr", rows, progress), progress -> XliffFile.read(xliff, progress));
        for (Watched each : all) {
            List<Integer> told = new ArrayList<>();
            assertThrows(CancellationException.class, () -> each.run((part, done, of) -> {
                told.add(done);
                if (told.size() == 3) {
                    throw new CancellationException();
                }
            }));
            assertEquals(List.of(1, 2, 3), told);
        }
    }

    @Test
    void aWorkbookWithEmptyCellsAndNumbersIsReadAsItLooks() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            Sheet sheet = book.createSheet();
            List<String> names = List.of("language", "unit", "state", "text");
            Row first = sheet.createRow(0);
            names.forEach(n -> first.createCell(names.indexOf(n)).setCellValue(n));
            Row second = sheet.createRow(4);
            second.createCell(0).setCellValue("fr");
            second.createCell(1).setCellValue("many.unit");
            second.createCell(3).setCellValue(12);
            book.write(bytes);
        }
        assertEquals(List.of(new TextRow("fr", "many.unit", "", "", "12", "", "", "")),
                TextTable.readXlsx(bytes.toByteArray(), ProgressListener.NONE));
    }
}
