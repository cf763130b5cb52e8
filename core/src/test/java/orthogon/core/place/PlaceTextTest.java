package orthogon.core.place;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.place.Place.Comparison;
import orthogon.core.place.Place.Part;
import orthogon.core.place.Place.Row;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.Place.Text;
import orthogon.core.place.Place.Whole;
import org.junit.jupiter.api.Test;

class PlaceTextTest {

    @Test
    void everyPlaceIsReadFromItsText() {
        List<Place> places = new ArrayList<>(List.of(new Row("seen"), new Part("group", "bat")));
        for (RuleFamily family : RuleFamily.values()) {
            for (Place owner : family.isOfDocument()
                    ? List.<Place>of(new Whole())
                    : family.isListed() ? List.<Place>of(new Row("seen")) : List.of(new Row("seen"), new Part("group", "bat"))) {
                for (int number = 0; number < (family.isListed() ? 12 : 1); number++) {
                    Rule rule = new Rule(owner, family, number);
                    places.add(rule);
                    places.add(new Comparison(rule, 0));
                    places.add(new Comparison(rule, 10));
                }
            }
        }
        for (Place place : places) {
            assertEquals(Optional.of(place), PlaceText.read(place.text()), place.text());
        }
        assertEquals(places.size(), places.stream().map(Place::text).distinct().count(), "no two places have one text");
    }

    @Test
    void textsAreThoseOfReports() {
        assertEquals("group.bat.offerWhen", Rule.at(new Part("group", "bat"), RuleFamily.OFFER_WHEN).text());
        assertEquals("count/accept/0", Rule.at("count", RuleFamily.ACCEPT, 0).text());
        assertEquals("outcomeTable/3#1", new Comparison(Rule.outcomeRow(3), 1).text());
        assertEquals("claims/2", Rule.ownClaim(2).text());
        assertEquals("group", Rule.at(new Part("group", "bat"), RuleFamily.OFFER_WHEN).row());
        assertEquals("", Rule.outcomeRow(3).row());
    }

    @Test
    void aTextKnowsWhoseItIs() {
        Map<String, Place.Text> units = Map.of("title", new Text(new Whole(), "title"),
                "seen.wording", new Text(new Row("seen"), "wording"),
                "group.bat.label", new Text(new Part("group", "bat"), "label"),
                "seen/reword/2.help", new Text(Rule.at("seen", RuleFamily.REWORD, 2), "help"),
                "seen/reword/2.bat.label", new Text(Rule.at("seen", RuleFamily.REWORD, 2), "bat.label"),
                "count/accept/0.message", new Text(Rule.at("count", RuleFamily.ACCEPT, 0), "message"),
                "own.a.b.c", new Text(new Row("own"), "a.b.c"));
        units.forEach((unit, text) -> {
            assertEquals(text, PlaceText.unit(unit));
            assertEquals(unit, text.text());
            Place.InLanguage translation = new Place.InLanguage("fr", text);
            assertEquals(Optional.of(translation), PlaceText.translation("fr/" + unit));
            assertEquals("fr/" + unit, translation.text());
            assertEquals(text.row(), translation.row());
            Place.Mention mention = new Place.Mention(text, "count");
            assertEquals(Optional.of(mention), PlaceText.mention(unit + "/count"));
            assertEquals(unit + "/count", mention.text());
        });
        assertEquals("count", PlaceText.unit("count/accept/0.message").row());
        assertTrue(PlaceText.unit("count/accept/0.message").isOf(RuleFamily.ACCEPT));
        assertFalse(PlaceText.unit("count.wording").isOf(RuleFamily.ACCEPT));
        assertTrue(new Comparison(Rule.outcomeRow(1), 0).isOf(RuleFamily.OUTCOME_ROW));
    }

    @Test
    void whatIsNoPlaceIsNotRead() {
        for (String text : List.of("", ".", "a.", ".askWhen", "a.b.c", "a/accept", "a/accept/", "a/accept/x", "a/accept/01", "a/accept/-1",
                "a/askWhen/0", "a/b/c/0", "outcomeTable", "outcomeTable/x", "skip/0", "a/outcomeTable/0", "a#0", "a.askWhen#",
                "a.askWhen#x",
                "a/accept/9999999", "a.askWhen#0#1")) {
            boolean row = text.equals("outcomeTable");
            assertEquals(row ? Optional.of(new Row(text)) : Optional.empty(), PlaceText.read(text), text);
        }
    }

    @Test
    void noRuleStandsWhereItsFamilyDoesNot() {
        assertThrows(IllegalArgumentException.class, () -> new Rule(new Whole(), RuleFamily.ASK_WHEN, 0));
        assertThrows(IllegalArgumentException.class, () -> new Rule(new Row("a"), RuleFamily.OUTCOME_ROW, 0));
        assertThrows(IllegalArgumentException.class, () -> new Rule(new Row("a"), RuleFamily.ASK_WHEN, 1));
        assertThrows(IllegalArgumentException.class, () -> new Rule(new Row("a"), RuleFamily.ACCEPT, -1));
    }
}
