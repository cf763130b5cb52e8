package orthogon.formats.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import orthogon.core.edit.RandomEdits;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;

/** Whatever an analyst does to a document, its file gives it back. */
class EditedFilesTest {

    @Test
    void everyStepOfRandomEditingReadsBackAsItWasWritten() throws Exception {
        int steps = 0;
        for (int run = 0; run < 40; run++) {
            Questionnaire document = run % 2 == 0 ? EveryType.document() : RandomDocument.of(5000 + run);
            RandomEdits edits = new RandomEdits(100 + run);
            for (int step = 0; step < 50; step++) {
                try {
                    document = edits.next(document).apply(document);
                } catch (Refused e) {
                    continue;
                }
                steps++;
                assertEquals(document, DocumentReader.read(DocumentWriter.write(document)));
            }
        }
        assertTrue(steps > 1000, steps + " steps");
    }
}
