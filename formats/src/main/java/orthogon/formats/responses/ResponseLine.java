package orthogon.formats.responses;

import java.time.OffsetDateTime;
import java.util.Map;

/**
 * A response as it goes into a file.
 *
 * @param outcome code; empty for none
 * @param language tag
 * @param state code
 * @param inCharge account of the person in charge; empty for nobody
 * @param answers question, derived value, link parameter or roster to value
 */
public record ResponseLine(String receipt, int release, OffsetDateTime sent, String outcome, String language, String state, String inCharge,
        Map<String, Object> answers) {}
