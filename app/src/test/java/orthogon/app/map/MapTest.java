package orthogon.app.map;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import orthogon.app.Templates;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ClassPathResource;

class MapTest {

    private static final UnaryOperator<String> CODES = UnaryOperator.identity();

    private static Proof proof(String name) throws Exception {
        Questionnaire document = DocumentReader.read(new ClassPathResource("demo/" + name + ".orthogon.json").getContentAsByteArray());
        return Proof.of(document, LocalDate.of(2026, 11, 2));
    }

    @Test
    void conditionsStandOnTheWaysInWords() throws Exception {
        Branches branches = Branches.of(proof("bat_count"), Branches.Level.ALL, CODES);
        List<String> ways = branches.ways().stream().map(w -> w.from() + " " + w.kind() + " " + w.to() + ": " + w.words()).toList();
        assertTrue(ways.contains("visit next conditions: "), ways.toString());
        assertTrue(ways.contains("bats next waking: total is 1 or more"), ways.toString());
        assertTrue(ways.contains("bats next lone: total is 1"), ways.toString());
        assertTrue(ways.contains("bats next ~table: otherwise"), "past two pages that may be closed: " + ways);
        assertTrue(ways.contains("~table row entered: total is over 0"), ways.toString());
        assertFalse(branches.ways().stream().filter(w -> w.to().equals("lone")).anyMatch(Branches.MapWay::reached));
        Branches.PageFrame bats = branches.frames().get(2);
        assertTrue(bats.boxes().stream().anyMatch(b -> b.reference() && b.code().equals("site")), "what decides from another page");
        assertTrue(bats.lines().stream().anyMatch(l -> l.from().equals("disturbed") && l.to().equals("traces")
                && l.words().equals("disturbed is yes")), bats.lines().toString());
        assertEquals("refuted", branches.frames().get(3).state());
    }

    @Test
    void fewerThingsAreDrawnOnRequestAndNoFaultIsLostByIt() throws Exception {
        Proof proof = proof("bat_count");
        Branches deciding = Branches.of(proof, Branches.Level.DECIDING, CODES);
        List<String> drawn = deciding.frames().stream().flatMap(f -> f.boxes().stream()).map(Branches.MapBox::code).toList();
        assertTrue(drawn.containsAll(Set.of("site", "counters", "temperature", "total", "disturbed")), drawn.toString());
        assertFalse(drawn.contains("pups"));
        assertEquals("refuted", deciding.frames().get(2).state(), "the fault of what is not drawn stands at its page");
        assertTrue(Branches.of(proof, Branches.Level.PAGES, CODES).frames().stream().allMatch(f -> f.boxes().isEmpty()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"found_animal", "foster_home", "bat_count"})
    void nothingLiesOnSomethingElseAndEveryLineIsRightAngled(String name) throws Exception {
        for (Branches.Level level : Branches.Level.values()) {
            Branches branches = Branches.of(proof(name), level, CODES);
            MapLayout laid = MapLayout.of(branches);
            apart(new ArrayList<>(laid.frames().values()));
            for (Branches.PageFrame frame : branches.frames()) {
                List<MapLayout.Area> inside = frame.boxes().stream().map(b -> laid.boxes().get(b.id())).toList();
                apart(inside);
                MapLayout.Area around = laid.frames().get(frame.code());
                inside.forEach(b -> assertTrue(b.x() >= around.x() && b.x() + b.width() <= around.x() + around.width()
                        && b.y() >= around.y() + MapLayout.TITLE && b.y() + b.height() <= around.y() + around.height(),
                        b + " in " + around));
            }
            assertEquals(branches.ways().size(), laid.ways().size());
            List<MapLayout.DrawnWay> all = new ArrayList<>(laid.ways());
            all.addAll(laid.lines());
            assertEquals(branches.openings().size(), laid.openings().size());
            all.addAll(laid.openings());
            all.forEach(r -> assertTrue(isRightAngled(r.path()), r.path()));
            double foot = branches.frames().stream().mapToDouble(f -> laid.frames().get(f.code()).y()).max().orElseThrow();
            branches.outcomes().forEach(o -> assertTrue(laid.frames().get(o.code()).y() > foot, "outcomes stand at the foot"));
            List<MapLayout.Area> stopsAndLabels = new ArrayList<>(laid.frames().values());
            Stream.concat(laid.ways().stream(), laid.openings().stream()).filter(w -> !w.words().isEmpty())
                    .forEach(w -> stopsAndLabels.add(new MapLayout.Area(w.x(), w.y(), w.width(), MapLayout.LABEL_HEIGHT)));
            apart(stopsAndLabels);
            stopsAndLabels.forEach(p -> assertTrue(p.x() >= 0 && p.y() >= 0 && p.x() + p.width() <= laid.width()
                    && p.y() + p.height() <= laid.height(), p + " lies on the paper"));
        }
    }

    @Test
    void theMainWayRunsStraightDownAndTheIntakeIsLegibleWhole() throws Exception {
        Branches branches = Branches.of(proof("found_animal"), Branches.Level.PAGES, CODES);
        MapLayout laid = MapLayout.of(branches);
        assertTrue(laid.isLegibleWhole(), laid.width() + " by " + laid.height());
        List<Double> middles = branches.frames().stream().map(f -> laid.frames().get(f.code())).map(p -> p.x() + p.width() / 2).distinct()
                .toList();
        assertEquals(1, middles.size(), middles.toString());
        for (int i = 0; i < branches.ways().size(); i++) {
            Branches.MapWay way = branches.ways().get(i);
            boolean main = way.kind().equals("next") && way.words().isEmpty();
            if (main) {
                String x = MapLayout.at(middles.getFirst());
                assertTrue(laid.ways().get(i).path().matches("M" + x + " [\\d.]+L" + x + " [\\d.]+"), laid.ways().get(i).path());
            }
        }
        assertFalse(MapLayout.of(Branches.of(proof("found_animal"), Branches.Level.ALL, CODES)).isLegibleWhole());
    }

    @Test
    void followUpsStandBehindTheOutcomesThatOpenThemStageByStage() throws Exception {
        Questionnaire intake = proof("found_animal").document();
        List<FollowUp> followUps = new ArrayList<>(intake.followUps());
        followUps.add(FollowUp.of("after", "foster_visit", "handover.decision = \"accepted\""));
        Branches branches = Branches.of(Proof.of(intake.withFollowUps(followUps), LocalDate.of(2026, 11, 2)), Branches.Level.PAGES, CODES);
        assertEquals(List.of(new Branches.Opening("now", "handover"), new Branches.Opening("handover", "after")),
                branches.openings().stream().filter(o -> !o.to().equals("nest_look")).toList());
        assertEquals(List.of("now", "today", "watch"),
                branches.openings().stream().filter(o -> o.to().equals("nest_look")).map(Branches.Opening::from)
                        .toList(),
                "whoever finishes early was not asked about a nest");
        MapLayout laid = MapLayout.of(branches);
        double ends = laid.frames().get("now").y();
        assertTrue(laid.frames().get("handover").y() > ends && laid.frames().get("after").y() > laid.frames().get("handover").y());
        assertEquals(laid.frames().get("handover").y(), laid.frames().get("nest_look").y());
        apart(new ArrayList<>(laid.frames().values()));
        for (int i = 0; i < branches.openings().size(); i++) {
            MapLayout.Area to = laid.frames().get(branches.openings().get(i).to());
            assertTrue(laid.openings().get(i).path().endsWith(MapLayout.at(to.x() + to.width() / 2) + " " + MapLayout.at(to.y())));
        }
    }

    @Test
    void aWideRowOfFollowUpsMovesWhatStandsAbove() throws Exception {
        Questionnaire intake = proof("found_animal").document();
        List<FollowUp> many = IntStream.range(0, 20).mapToObj(i -> FollowUp.of("f" + i, "foster_visit", "outcome = \"now\"")).toList();
        Questionnaire wide = intake.withClaims(List.of()).withMessages(List.of()).withFollowUps(many);
        MapLayout laid = MapLayout.of(Branches.of(Proof.of(wide, LocalDate.of(2026, 11, 2)), Branches.Level.PAGES, CODES));
        apart(new ArrayList<>(laid.frames().values()));
        laid.frames().values().forEach(f -> assertTrue(f.x() >= 0 && f.x() + f.width() <= laid.width()));
        assertEquals(20, laid.openings().stream().map(MapLayout.DrawnWay::path).distinct().count());
    }

    private static void apart(List<MapLayout.Area> places) {
        for (int i = 0; i < places.size(); i++) {
            for (int j = 0; j < i; j++) {
                MapLayout.Area a = places.get(i);
                MapLayout.Area b = places.get(j);
                assertTrue(a.x() + a.width() <= b.x() || b.x() + b.width() <= a.x() || a.y() + a.height() <= b.y()
                        || b.y() + b.height() <= a.y(), a + " and " + b);
            }
        }
    }

    private static boolean isRightAngled(String path) {
        Matcher points = Pattern.compile("([\\d.-]+) ([\\d.-]+)").matcher(path);
        double x = Double.NaN;
        double y = Double.NaN;
        while (points.find()) {
            double nextX = Double.parseDouble(points.group(1));
            double nextY = Double.parseDouble(points.group(2));
            if (!Double.isNaN(x) && Math.abs(nextX - x) > 0.6 && Math.abs(nextY - y) > 0.6) {
                return false;
            }
            x = nextX;
            y = nextY;
        }
        return !path.isEmpty();
    }

    @Test
    void textsAreEscapedAndWhoIsFollowedStandsOut() throws Exception {
        Proof proof = proof("foster_home");
        Questionnaire document = proof.document();
        Branches branches = Branches.of(Proof.of(document.withTitle("A <b> & c"), LocalDate.of(2026, 11, 2)), Branches.Level.PAGES, CODES);
        String first = document.pages().getFirst().code();
        Drawing drawing = Drawing.of(branches, MapLayout.of(branches), new Drawing.Followed(Set.of(first), "eligible"), true, "A <b> & c");
        String svg = Templates.fragment("map/drawing", "drawing", Map.of("drawing", drawing));
        assertTrue(svg.contains("<title>A &lt;b&gt; &amp; c</title>"), svg.substring(0, 400));
        assertTrue(svg.contains("class=\"frame\" data-code=\"" + first + "\""), svg);
        assertTrue(svg.contains("class=\"frame off\""), svg);
    }
}
