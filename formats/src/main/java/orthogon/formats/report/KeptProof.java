package orthogon.formats.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A proof report read back, as it was written with a release.
 *
 * @param asOf what today was; empty where the report does not say
 * @param answerPaths as decimal digits; empty where they were not counted
 * @param verdicts how many blocking claims of each verdict
 * @param advisory advisory claims that are not proved
 * @param open claims that are not proved, in the order of the report
 */
public record KeptProof(String asOf, String holdsUntil, String answerPaths, String routes, Map<String, Long> verdicts, long advisory,
        List<KeptClaim> open) {

    /** One claim. */
    public record KeptClaim(String claim, String place, String verdict, boolean blocking, String because) {}

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    /** A report that {@link ProofReport#json} wrote, or an empty object. */
    public static KeptProof read(String json) {
        JsonNode report = MAPPER.readTree(json);
        Map<String, Long> verdicts = new LinkedHashMap<>();
        List<KeptClaim> open = new ArrayList<>();
        long advisory = 0;
        for (JsonNode claim : report.path("claims")) {
            KeptClaim line = new KeptClaim(text(claim, "claim"), text(claim, "place"), text(claim, "verdict"),
                    text(claim, "weight").equals("blocking"),
                    text(claim, "because"));
            boolean proved = line.verdict().equals("proved");
            if (line.blocking()) {
                verdicts.merge(line.verdict(), 1L, Long::sum);
            }
            advisory += !proved && !line.blocking() ? 1 : 0;
            if (!proved) {
                open.add(line);
            }
        }
        return new KeptProof(text(report, "asOf"), text(report, "holdsUntil"), text(report, "answerPaths"), text(report, "routes"),
                verdicts,
                advisory, open);
    }

    private static String text(JsonNode node, String member) {
        JsonNode value = node.path(member);
        return value.isMissingNode() || value.isNull() ? "" : value.asString();
    }
}
