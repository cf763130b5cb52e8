package orthogon.app.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;
import java.util.Set;
import orthogon.core.proof.Bombs;
import orthogon.formats.document.DocumentWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class CommandsTest {

    private static final String INTAKE = "src/main/resources/demo/found_animal.orthogon.json";
    private static final String FOSTER = "src/main/resources/demo/foster_home.orthogon.json";
    private static final String[] OPENED = {"--with", "src/main/resources/demo/transport_handover.orthogon.json", "--with",
            "src/main/resources/demo/nest_check.orthogon.json", "--with", "src/main/resources/demo/roost_recount.orthogon.json"};
    private static final String BATS = "src/main/resources/demo/bat_count.orthogon.json";

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();
    private final Commands commands = new Commands(new PrintStream(out), new PrintStream(err));

    @TempDir
    Path folder;

    private String out() {
        return out.toString(StandardCharsets.UTF_8);
    }

    private String err() {
        return err.toString(StandardCharsets.UTF_8);
    }

    @Test
    void severalFilesGiveOneLineOfJsonEach() {
        assertEquals(1, commands.run("prove", INTAKE, BATS, "--json", "--as-of", "2026-11-23"));
        assertEquals(2, out().lines().count());
        assertTrue(out().lines().findFirst().orElseThrow()
                .startsWith("{\"orthogon\":1,\"questionnaire\":\"found_animal\",\"asOf\":\"2026-11-23\""));
        assertEquals(List.of(), err().lines().filter(l -> !l.matches("after \\d+ s: .*")).toList(), "nothing but how far a long proof is");
    }

    private static String[] with(String... args) {
        return Stream.concat(Stream.of(args), Stream.of(OPENED)).toArray(String[]::new);
    }

    @Test
    void theIntakeIsProvedWholeAndTheBatCountShowsEachSeededFault() {
        assertEquals(1, commands.run("prove", INTAKE), out());
        assertTrue(out().contains("undecided  follow-up-known handover"), "without what it opens: " + out());
        out.reset();
        assertEquals(0, commands.run(with("prove", INTAKE)), out());
        assertTrue(out().contains("0 refuted, 0 undecided; 7 advisory"), out());
        assertTrue(out().contains("ways through a whole case: "), out());
        assertTrue(out().contains("refuted (advisory)  answers-kept"), out());
        String told = out();
        out.reset();
        assertEquals(0, commands.run(with("prove", INTAKE, "--json")));
        long blocking = 0;
        for (JsonNode claim : JsonMapper.builder().build().readTree(out()).get("claims")) {
            blocking += claim.get("weight").stringValue().equals("blocking") ? 1 : 0;
        }
        assertTrue(told.contains("claims: " + blocking + " proved, 0 refuted"), "what is told as proved is what a release waits for");
        out.reset();
        assertEquals(1, commands.run(with("prove", BATS)));
        for (String fault : new String[]{"reach-question pups", "page-passable waking", "condition-varies licence.askWhen",
                "one-outcome bat_count",
                "reach-row outcomeTable/1", "looks-ahead weather.askWhen", "own cold_is_checked", "answer-accepted sheet",
                "answer-accepted register", "text-whole alarm.closing", "recipient-filled to_warden", "message-complete to_register",
                "carry-fits recount/carry/0"}) {
            assertTrue(out().contains("refuted  " + fault), fault + "\n" + out());
        }
    }

    @Test
    void drillsAcrossCasesAreToldWithWhatFollowUpsOpen() {
        assertEquals(1, commands.run("drills", INTAKE, "--with", OPENED[1]), err());
        assertTrue(err().contains("has no drills: "), err());
        assertEquals(0, commands.run(with("drills", INTAKE, "--as-of", "2026-11-23")), err());
        List<String> rows = out().lines().toList();
        assertEquals("drill,follow-up,do,answers,expected", rows.getFirst());
        assertTrue(rows.stream().anyMatch(r -> r.contains(",handover,decide: lost,,decided")), out());
        assertTrue(rows.stream().anyMatch(r -> r.contains(",nest_look,let it expire,,expired")), out());
        out.reset();
        assertEquals(0, commands.run(with("drills", INTAKE, "--json", "--as-of", "2026-11-23")), err());
        JsonNode json = JsonMapper.builder().build().readTree(out());
        assertEquals(rows.getLast().split(",")[0], String.valueOf(json.get("drills").size()));
        assertEquals("handover", json.get("drills").get(0).get("followUps").get(0).get("followUp").stringValue());
        assertEquals(2, commands.run(with("drills", INTAKE, "--script")));
        assertTrue(err().contains("leave out --script or --with"), err());
    }

    @Test
    void aFileThatCannotBeUsedIsNamedWithItsPointers() throws IOException {
        Path file = folder.resolve("bad.orthogon.json");
        Files.writeString(file, "{\"orthogon\": 1, \"code\": \"Bad\", \"title\": \"Bad\", \"pages\": [{\"code\": \"p\", \"itens\": []}]}");
        assertEquals(2, commands.run("prove", file.toString(), "--json"));
        assertEquals("", out());
        assertEquals(2, err().lines().count(), err());
        assertTrue(err().contains("bad.orthogon.json /code: \"Bad\" is not a valid code"), err());
        assertTrue(err().contains("/pages/0/itens: this member is not known here"), err());
        assertEquals(2, commands.run("prove", folder.resolve("none.json").toString()));
        assertEquals(2, commands.run("prove"));
        assertEquals(2, commands.run("prove", INTAKE, "--jsn"));
    }

    @Test
    void oneInterviewIsWalked() throws IOException {
        Path answers = folder.resolve("answers.json");
        Files.writeString(answers,
                "{\"when_found\": \"2026-11-20\", \"where_found\": \"Mill lane\", \"indoors\": false, \"group\": \"bird\", "
                        + "\"alive\": false}");
        assertEquals(0, commands.run("answer", INTAKE, answers.toString(), "--as-of", "2026-11-23"), err());
        assertTrue(out().contains("\"outcome\":\"closed\""), out());
    }

    @Test
    void drillsOfTheIntakeAreFewAndComeInThreeForms() {
        assertEquals(0, commands.run("drills", INTAKE, "--json", "--as-of", "2026-11-23"), err());
        JsonNode report = JsonMapper.builder().build().readTree(out());
        int drills = report.get("drills").size();
        assertTrue(drills >= report.get("atLeast").intValue() && drills < report.get("greedy").intValue() / 2, out());
        Set<String> covered = new HashSet<>();
        report.get("drills").forEach(d -> {
            d.get("covers").forEach(c -> covered.add(c.stringValue()));
            d.get("pages").forEach(p -> p.get("refused").forEach(r -> covered.add(r.get("covers").stringValue())));
        });
        assertEquals(report.get("goals").intValue(), covered.size());
        for (String goal : new String[]{"now is reached", "closed is reached", "group.bat is chosen", "skin is not asked",
                "count/accept/0#0 decides by not holding", "count is tried with more than it allows", "animal/finish/0 is taken",
                "weight is asked"}) {
            assertTrue(covered.contains(goal), goal);
        }
        out.reset();
        assertEquals(0, commands.run("drills", INTAKE, "--csv", "--as-of", "2026-11-23"));
        assertEquals("drill,page,do,answers,expected", out().lines().findFirst().orElseThrow());
        assertEquals(drills, out().lines().filter(l -> l.contains(",send,")).count());
        out.reset();
        assertEquals(0, commands.run("drills", INTAKE, "--script", "--as-of", "2026-11-23"));
        assertEquals(drills, out().split("<span>Signature</span>", -1).length - 1);
        assertTrue(out().contains("Which kind of animal is it? <b>Bat</b>"), "options are told by their labels");
        assertEquals(1, commands.run("drills", BATS));
        assertTrue(err().contains("weather.askWhen has a fault; fix that first"), err());
    }

    @Test
    void limitsEndClaimsUndecidedAndAreNamed() {
        assertEquals(1, commands.run("prove", INTAKE, "--memory", "1"), out());
        assertTrue(out().contains("diagram nodes would be needed"), out());
        assertEquals(2, commands.run("prove", INTAKE, "--seconds", "soon"));
        assertTrue(err().contains("'--seconds'") && err().contains("it needs a whole number of at least 1, not \"soon\""), err());
    }

    @Test
    void tellsWhoIsAffectedByANewerRevision(@TempDir Path directory) throws Exception {
        Path newer = directory.resolve("newer.orthogon.json");
        String before = Files.readString(Path.of(FOSTER));
        assertEquals(1, commands.run("change", BATS, BATS), out());
        assertTrue(out().contains("undecided: the earlier revision has a fault: looks-ahead weather.askWhen"), out());
        out.reset();
        assertEquals(0, commands.run("change", FOSTER, FOSTER), out());
        assertTrue(out().contains("every respondent gets the same questions, refusals, outcome and messages as before"), out());
        out.reset();
        ObjectNode changed = (ObjectNode) JsonMapper.builder().build().readTree(before);
        ObjectNode question = (ObjectNode) changed.at("/pages/0/items/2");
        question.remove("requireWhen");
        Files.writeString(newer, changed.toString());
        assertEquals(1, commands.run("change", FOSTER, newer.toString(), "--json"), out());
        JsonNode told = JsonMapper.builder().build().readTree(out());
        assertEquals("null", told.get("undecided").toString());
        JsonNode first = told.get("differences").get(0);
        assertTrue(first.get("kind").stringValue().matches("accepted-now|refused-now"), told.toString());
        assertTrue(new java.math.BigInteger(first.get("answerPaths").stringValue()).signum() > 0);
        out.reset();
        assertEquals(2, commands.run("change", FOSTER, directory.resolve("missing.json").toString()));
    }

    @Test
    void timeAndMemoryAreKeptWhateverAFileHolds() throws IOException {
        for (String name : List.of("a sum of forty numbers", "pattern that needs two million states", "a knot of comparisons",
                "lengths of texts in a sum")) {
            Path bomb = folder.resolve(name + ".json");
            Files.writeString(bomb, DocumentWriter.write(Bombs.all().get(name)));
            out.reset();
            assertEquals(1, commands.run("prove", bomb.toString(), "--seconds", "1", "--memory", "10"), name);
            assertTrue(out().contains("undecided"), name + out());
            assertTrue(commands.run("drills", bomb.toString(), "--seconds", "1", "--memory", "10") <= 1, name);
            out.reset();
            commands.run("change", bomb.toString(), bomb.toString(), "--seconds", "1", "--memory", "10");
            assertTrue(!out().isBlank(), name);
        }
    }

    @Test
    void everyCommandSaysHowItIsCalled() {
        assertEquals(0, commands.run("help"));
        List<String> all = out().lines().map(l -> l.strip().split(" ")[0]).toList();
        for (String command : List.of("prove", "drills", "change", "answer", "serve", "backup", "restore", "check", "identity")) {
            assertTrue(all.contains(command), command + " is listed");
            out.reset();
            assertEquals(0, commands.run(command, "--help"));
            assertTrue(out().startsWith("Usage: orthogon " + command), out());
        }
        assertEquals("", err());
    }

    @Test
    void aCallThatCannotBeUsedSaysWhy() {
        for (List<String> call : List.of(List.of("prov", INTAKE), List.of("drills", INTAKE, "--json", "--csv"), List.of("drills"),
                List.of("change", INTAKE), List.of("prove", INTAKE, "--as-of", "tomorrow"), List.of("identity", "--port", "x"),
                List.<String>of())) {
            err.reset();
            assertEquals(2, commands.run(call.toArray(String[]::new)), call::toString);
            assertTrue(err().contains("Usage: orthogon") || err().contains("Did you mean: orthogon prove"), err());
        }
        assertEquals("", out());
    }
}
