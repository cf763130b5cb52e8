package orthogon.formats.translation;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import net.sf.okapi.lib.xliff2.XLIFFException;
import net.sf.okapi.lib.xliff2.core.CTag;
import net.sf.okapi.lib.xliff2.core.Fragment;
import net.sf.okapi.lib.xliff2.core.Note;
import net.sf.okapi.lib.xliff2.core.Part;
import net.sf.okapi.lib.xliff2.core.Segment;
import net.sf.okapi.lib.xliff2.core.StartFileData;
import net.sf.okapi.lib.xliff2.core.StartXliffData;
import net.sf.okapi.lib.xliff2.core.TagType;
import net.sf.okapi.lib.xliff2.core.TargetState;
import net.sf.okapi.lib.xliff2.core.Unit;
import net.sf.okapi.lib.xliff2.reader.Event;
import net.sf.okapi.lib.xliff2.reader.XLIFFReader;
import net.sf.okapi.lib.xliff2.writer.XLIFFWriter;
import orthogon.core.language.Marks;
import orthogon.formats.progress.ProgressListener;

/**
 * XLIFF 2.1, one file for each language. A unit is a text; places of answers and addresses of links are {@code <ph>}, with the original
 * in {@code <data>}; notes carry the place, what translators should know, and by which text it is known later whether another one has
 * been written meanwhile.
 */
public final class XliffFile {

    private static final String VERSION = "2.1";
    private static final String STALE = "orthogon:stale";
    private static final String PLACE = "place";
    private static final String WAS = "was";

    private XliffFile() {}

    /**
     * The file of one language.
     *
     * @param rows texts of that language
     * @param progress is told of each text that is written, and may end the work
     */
    public static String write(String name, String sourceLanguage, String language, List<TextRow> rows, ProgressListener progress) {
        StringWriter text = new StringWriter();
        try (XLIFFWriter writer = new XLIFFWriter()) {
            writer.setLineBreak("\n");
            writer.setUseIndentation(true);
            writer.create(text, sourceLanguage, language);
            StartXliffData start = new StartXliffData(VERSION);
            start.setSourceLanguage(sourceLanguage);
            start.setTargetLanguage(language);
            writer.writeStartDocument(start, null);
            StartFileData file = new StartFileData("f1");
            file.setOriginal(name + ".orthogon.json");
            writer.writeStartFile(file);
            int number = 0;
            for (TextRow row : rows) {
                writer.writeUnit(unit("u" + ++number, row));
                progress.at("Writing the texts", number, rows.size());
            }
            writer.writeEndFile();
            writer.writeEndDocument();
        }
        return text.toString();
    }

    private static Unit unit(String id, TextRow row) {
        Unit unit = new Unit(id);
        unit.setName(row.unit());
        unit.setPreserveWS(true);
        note(unit, PLACE, row.place());
        if (!row.note().isEmpty()) {
            note(unit, "instruction", row.note());
        }
        note(unit, WAS, row.was());
        Segment segment = unit.appendSegment();
        Map<String, String> ids = new HashMap<>();
        fill(segment.getSource(), row.source(), ids);
        if (!row.text().isEmpty()) {
            fill(segment.getTarget(net.sf.okapi.lib.xliff2.core.Part.GetTarget.CREATE_EMPTY), row.text(), ids);
        }
        switch (row.state()) {
            case "draft" -> segment.setState(TargetState.TRANSLATED);
            case "reviewed" -> segment.setState(TargetState.REVIEWED);
            case "stale" -> {
                segment.setState(TargetState.INITIAL);
                segment.setSubState(STALE);
            }
            default -> segment.setState(TargetState.INITIAL);
        }
        return unit;
    }

    private static void note(Unit unit, String category, String text) {
        Note note = new Note(text);
        note.setCategory(category);
        unit.addNote(note);
    }

    /** The same thing has the same number in source and target. */
    private static void fill(Fragment into, String text, Map<String, String> ids) {
        Map<String, Integer> met = new HashMap<>();
        for (Marks.Piece piece : Marks.pieces(text)) {
            if (!piece.fixed()) {
                into.append(piece.text());
                continue;
            }
            int times = met.merge(piece.text(), 1, Integer::sum);
            String id = ids.computeIfAbsent(piece.text() + " " + times, k -> "p" + (ids.size() + 1));
            CTag tag = new CTag(TagType.STANDALONE, id, piece.text());
            tag.setEquiv(piece.text());
            tag.setDisp(piece.text());
            into.append(tag);
        }
    }

    /**
     * The texts of a file that a translator sent back.
     *
     * @param progress is told of each text that is read, and may end the work
     * @throws UnreadableTexts for a file that is no XLIFF of this version
     */
    public static List<TextRow> read(String xml, ProgressListener progress) throws UnreadableTexts {
        List<TextRow> rows = new ArrayList<>();
        String language = "";
        if (xml.contains("<!DOCTYPE") || xml.contains("<!ENTITY")) {
            throw new UnreadableTexts("The file has a document type declaration, which XLIFF does not use; remove it.");
        }
        try (XLIFFReader reader = new XLIFFReader(XLIFFReader.VALIDATION_MAXIMAL)) {
            reader.open(xml);
            while (reader.hasNext()) {
                Event event = reader.next();
                if (event.isStartXliff()) {
                    StartXliffData start = event.getStartXliffData();
                    if (!VERSION.equals(start.getVersion()) && !"2.0".equals(start.getVersion())) {
                        throw new UnreadableTexts("The file is XLIFF " + start.getVersion() + "; version 2.1 is read.");
                    }
                    if (start.getTargetLanguage() == null) {
                        throw new UnreadableTexts("The file names no target language (trgLang).");
                    }
                    language = start.getTargetLanguage();
                } else if (event.isUnit()) {
                    rows.add(row(language, event.getUnit()));
                    progress.at("Reading the texts", rows.size(), 0);
                }
            }
        } catch (CancellationException e) {
            throw e;
        } catch (XLIFFException e) {
            throw new UnreadableTexts("The file is not valid XLIFF 2.1: " + String.valueOf(e.getMessage()).strip());
        } catch (RuntimeException e) {
            throw new UnreadableTexts("The file cannot be read as XLIFF: " + String.valueOf(e.getMessage()).strip());
        }
        return rows;
    }

    private static TextRow row(String language, Unit unit) {
        StringBuilder source = new StringBuilder();
        StringBuilder target = new StringBuilder();
        boolean reviewed = unit.getSegmentCount() > 0;
        boolean translated = false;
        for (Part part : unit) {
            source.append(original(part.getSource()));
            boolean there = part.hasTarget();
            translated |= there && !part.getTarget().isEmpty();
            target.append(there ? original(part.getTarget()) : part instanceof Segment ? "" : original(part.getSource()));
            if (part instanceof Segment segment) {
                reviewed &= segment.getState() == TargetState.REVIEWED || segment.getState() == TargetState.FINAL;
            }
        }
        Map<String, String> notes = new HashMap<>();
        for (Note note : unit.getNotes()) {
            notes.put(String.valueOf(note.getCategory()), note.getText());
        }
        String name = unit.getName() == null ? unit.getId() : unit.getName();
        return new TextRow(language, name, notes.getOrDefault(PLACE, ""), source.toString(), translated ? target.toString() : "",
                !translated ? "missing" : reviewed ? "reviewed" : "draft", notes.getOrDefault("instruction", ""),
                notes.getOrDefault(WAS, ""));
    }

    /** The text with what its placeholders stand for; one without original data is a mark that the text then lacks. */
    private static String original(Fragment fragment) {
        StringBuilder text = new StringBuilder();
        for (Object each : fragment) {
            if (each instanceof CTag tag) {
                text.append(tag.hasData() ? tag.getData() : String.valueOf(tag.getEquiv() == null ? "" : tag.getEquiv()));
            } else if (each instanceof String words) {
                text.append(words);
            }
        }
        return text.toString();
    }
}
