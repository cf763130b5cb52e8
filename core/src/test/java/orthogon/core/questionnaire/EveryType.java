package orthogon.core.questionnaire;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.hidden.HiddenAnswer;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.percentage.PercentageAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.scale.StepSign;
import orthogon.core.answer.signature.SignatureAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;

/** A questionnaire with every answer type, every setting, sections, a roster, and its own presentation. */
public final class EveryType {

    private EveryType() {}

    private static final List<Option> OPTIONS = List.of(
            new Option("heron", "Heron", new BigDecimal("1.5"), false, ""),
            new Option("owl", "Owl", null, false, "answered(mail)"),
            new Option("other", "Another", null, false, "", true, "data:image/png;base64,iVBORw0KGgo="));

    public static Questionnaire document() {
        Page first = Page.empty("first", "First").withItems(List.of(
                Question.of("agreed", "Agreed?", new AgreementAnswer("I have read the terms.")).withRequireWhen("true"),
                Question.of("plain", "Plain", new TextAnswer(false, 2, 40, AllowedCharacters.LETTERS, "", "", "", "two words")),
                Question.of("plate", "Ring number", new TextAnswer(false, null, null, AllowedCharacters.ANY, "[A-Z]{2}\\d{4}", "QM1234",
                        "AA9999", "")),
                Question.of("story", "Tell us", new TextAnswer(true, null, 500)),
                Question.of("owner", "Name", new PartsAnswer(false, List.of("title", "given", "family"), List.of("family"))),
                Question.of("home", "Address", PartsAnswer.address()),
                Question.of("mail", "Mail", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")),
                Question.of("call", "Phone", new ContactAnswer(ContactAnswer.Standard.PHONE, "GB")),
                Question.of("site", "Site", new ContactAnswer(ContactAnswer.Standard.WEB, "")),
                Question.of("from_station", "Station", new HiddenAnswer(List.of("north", "south")))));
        Page second = Page.empty("second", "Second").withItems(List.of(
                Question.of("weight", "Weight", new NumberAnswer(BigDecimal.ZERO, new BigDecimal("90"), 1, "kg", true)),
                Question.of("share", "How much of the wing?", new PercentageAnswer(1, true)),
                Question.of("ease", "How easy?", new ScaleAnswer(false, 7, "hard", "easy", StepSign.SQUARES)),
                Question.of("again", "How likely?", new ScaleAnswer(true, 10, "not at all", "surely")),
                Question.of("day", "Day", new DateAnswer(new DateLimit.FromToday(-30), new DateLimit.FromToday(0))),
                Question.of("hour", "Hour", new TimeAnswer(LocalTime.of(8, 0), LocalTime.of(18, 30))),
                Question.of("alive", "Alive?", new YesNoAnswer("It is", "It is not")),
                Question.of("bird", "Which bird?", new OneChoice(OPTIONS, new OptionLayout(OptionLayout.ShownAs.PICTURES, 2, true)))
                        .withReword(List.of(new Reword("alive = true", "Which bird is it?", "Look at the beak.", Map.of("owl", "An owl")))),
                Question.of("seen", "Seen?", new ManyChoices(OPTIONS, 1, 2, new OptionLayout(OptionLayout.ShownAs.RADIO, 3, false))),
                Question.of("signs", "Signs", new GridAnswer(false, List.of(new GridRow("wing", "Wing", ""),
                        new GridRow("leg", "Leg", "alive = true")),
                        List.of(Option.of("fine", "Fine"),
                                Option.of("hurt", "Hurt")))),
                Question.of("order", "Order", new RankingAnswer(List.of(Option.of("a", "A"), Option.of("b", "B"),
                        Option.of("c", "C")), 2)),
                Question.of("photos", "Photos", new FileAnswer(3, 2_000_000, List.of("image/*"))),
                Question.of("land", "Country", new IsoAnswer(false, List.of("FR", "GB", "PL"))),
                Question.of("tongue", "Language", new IsoAnswer(true, List.of())),
                Question.of("driver", "Driver", new LookupAnswer("drivers", 2,
                        List.of(new RecordAnswer("name", "Name", PartsAnswer.name()),
                                new RecordAnswer("area", "Area",
                                        new OneChoice(List.of(Option.of("north", "North"), Option.of("south", "South")), false)),
                                new RecordAnswer("seats", "Seats", new NumberAnswer(BigDecimal.ONE, new BigDecimal(8), 0, ""))),
                        "answered(record.name) and record.seats >= 2", "record.area = \"north\"", "area", true)),
                Question.of("signed", "Sign", new SignatureAnswer())));
        Page third = Page.empty("third", "Third").withItems(List.of(
                new Section("group", "Group", "answered(story)", List.of(
                        new Roster("animals", "Each animal", "Animal", "alive = true", 1, 4,
                                new EntryCount("", "if answered(bird) then 2 else 1", "if answered(bird) then 4 else 3"), List.of(
                                        Question.of("species", "Species?", new OneChoice(OPTIONS, false)),
                                        new Section("wounds", "Wounds", "answered(species)", List.of(
                                                Question.of("bleeding", "Bleeding?", new YesNoAnswer()))),
                                        new Derived("urgency", "score(species)"))))),
                new Note("thanks", "Thank you for {bird, select, blank {it} other {the **{bird}**}}",
                        "some a in animals satisfies a.bleeding = true",
                        List.of(new Reword("count(animals) > 1", "Thank you for all of them", ""))),
                Question.of("last", "Anything else?", new TextAnswer(true, null, null)).withAskWhen(
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
