package orthogon.core.questionnaire;

import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;

/** A questionnaire with every answer type, every setting, sections, a roster, and its own presentation. */
public final class EveryType {

    private EveryType() {}

    private static final List<Answer.Option> OPTIONS = List.of(
            new Answer.Option("heron", "Heron", new BigDecimal("1.5"), false, ""),
            new Answer.Option("owl", "Owl", null, false, "answered(mail)"),
            new Answer.Option("other", "Another", null, false, "", true, "data:image/png;base64,iVBORw0KGgo="));

    public static Questionnaire document() {
        Page first = Page.empty("first", "First").withItems(List.of(
                Question.of("agreed", "Agreed?", new Answer.Agreement("I have read the terms.")).withRequireWhen("true"),
                Question.of("plain", "Plain", new Answer.TextAnswer(false, 2, 40, Answer.Content.LETTERS, "", "", "", "two words")),
                Question.of("plate", "Ring number", new Answer.TextAnswer(false, null, null, Answer.Content.ANY, "[A-Z]{2}\\d{4}", "QM1234",
                        "AA9999", "")),
                Question.of("story", "Tell us", new Answer.TextAnswer(true, null, 500)),
                Question.of("owner", "Name", new Answer.Parts(false, List.of("title", "given", "family"), List.of("family"))),
                Question.of("home", "Address", Answer.Parts.address()),
                Question.of("mail", "Mail", new Answer.Contact(Answer.Contact.Kind.EMAIL, "")),
                Question.of("call", "Phone", new Answer.Contact(Answer.Contact.Kind.PHONE, "GB")),
                Question.of("site", "Site", new Answer.Contact(Answer.Contact.Kind.WEB, "")),
                Question.of("from_station", "Station", new Answer.Hidden(List.of("north", "south")))));
        Page second = Page.empty("second", "Second").withItems(List.of(
                Question.of("weight", "Weight", new Answer.Numeric(BigDecimal.ZERO, new BigDecimal("90"), 1, "kg", true)),
                Question.of("ease", "How easy?", new Answer.Scale(false, 7, "hard", "easy", Answer.StepSign.SQUARES)),
                Question.of("again", "How likely?", new Answer.Scale(true, 10, "not at all", "surely")),
                Question.of("day", "Day", new Answer.DateAnswer(new DateLimit.FromToday(-30), new DateLimit.FromToday(0))),
                Question.of("hour", "Hour", new Answer.TimeAnswer(LocalTime.of(8, 0), LocalTime.of(18, 30))),
                Question.of("alive", "Alive?", new Answer.YesNo("It is", "It is not")),
                Question.of("bird", "Which bird?", new Answer.OneChoice(OPTIONS, new Answer.Layout(Answer.ShownAs.PICTURES, 2, true)))
                        .withReword(List.of(new Reword("alive = true", "Which bird is it?", "Look at the beak.", Map.of("owl", "An owl")))),
                Question.of("seen", "Seen?", new Answer.ManyChoices(OPTIONS, 1, 2, new Answer.Layout(Answer.ShownAs.RADIO, 3, false))),
                Question.of("signs", "Signs", new Answer.Grid(false, List.of(new Answer.Grid.GridRow("wing", "Wing", ""),
                        new Answer.Grid.GridRow("leg", "Leg", "alive = true")),
                        List.of(Answer.Option.of("fine", "Fine"),
                                Answer.Option.of("hurt", "Hurt")))),
                Question.of("order", "Order", new Answer.Ranking(List.of(Answer.Option.of("a", "A"), Answer.Option.of("b", "B"),
                        Answer.Option.of("c", "C")), 2)),
                Question.of("photos", "Photos", new Answer.FileAnswer(3, 2_000_000, List.of("image/*"))),
                Question.of("land", "Country", new Answer.IsoCode(false, List.of("FR", "GB", "PL"))),
                Question.of("tongue", "Language", new Answer.IsoCode(true, List.of())),
                Question.of("driver", "Driver", new Answer.Lookup("drivers", 2, List.of("name", "area"), true)),
                Question.of("signed", "Sign", new Answer.Signature())));
        Page third = Page.empty("third", "Third").withItems(List.of(
                new Section("group", "Group", "answered(story)", List.of(
                        new Roster("animals", "Each animal", "Animal", "alive = true", 1, 4, List.of(
                                Question.of("species", "Species?", new Answer.OneChoice(OPTIONS, false)),
                                new Section("wounds", "Wounds", "answered(species)", List.of(
                                        Question.of("bleeding", "Bleeding?", new Answer.YesNo()))),
                                new Derived("urgency", "score(species)"))))),
                new Note("thanks", "Thank you for {bird, select, blank {it} other {the **{bird}**}}",
                        "some a in animals satisfies a.bleeding = true",
                        List.of(new Reword("count(animals) > 1", "Thank you for all of them", ""))),
                Question.of("last", "Anything else?", new Answer.TextAnswer(true, null, null)).withAskWhen(
                        "sum(animals.urgency) > 1 and owner.family != \"Alder\" and signs.wing = \"hurt\" and hour >= time(\"12:00\")"
                                + " and from_station = \"north\" and count(photos) > 0")));
        return new Questionnaire("every_type", "Every type", "en", List.of("en"), List.of(), List.of(first, second, third),
                List.of(new Questionnaire.Outcome("sent", "Sent", "Thank you.", "https://example.org/next")),
                List.of(new Questionnaire.OutcomeRow("", "sent")), List.of(), Map.of(),
                new Presentation(new Presentation.Welcome("Welcome", "It takes a minute.", ""),
                        new Presentation.Buttons("On", "Back again", "Send it"), Map.of("required", "This is needed."),
                        new Presentation.Theme("#0e5a68", "#f7f5ef", "", 110, Presentation.ProgressStyle.STEPS, true),
                        new Presentation.Navigation(Presentation.StepLabel.BOTH, Presentation.Check.PAGE, true, true)),
                new Burden(60, 2000, null));
    }
}
