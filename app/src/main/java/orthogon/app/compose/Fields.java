package orthogon.app.compose;

import orthogon.app.answer.Setting;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.answer.Option;
import orthogon.core.edit.Edit;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/**
 * The fields of the inspector as a row fills them. An edit sends only the group of fields that changed; the others are taken from the
 * newest revision, so that two people can work on one row.
 */
final class Fields {

    /** What the names of the fields of a table begin with, and the group that they are sent in. */
    private static final Map<String, String> TABLES = Map.of("option", "options", "grid", "rows", "accept", "accepts", "reword", "rewords",
            "finish", "finishes", "skip", "skips", "link", "links", "outcome", "outcomes", "row", "table", "claim", "claims");
    private static final Set<String> OWN = Set.of("ownColour", "colour");
    private static final Set<String> GROUND = Set.of("ownBackground", "background");

    private final MultiValueMap<String, String> values = new LinkedMultiValueMap<>();

    private Fields() {}

    /** The group that a field is sent in: its own name, or that of its table. */
    static String group(String name) {
        if (name.startsWith("limits")) {
            return "limits";
        }
        if (OWN.contains(name)) {
            return "colours";
        }
        if (GROUND.contains(name)) {
            return "backgrounds";
        }
        if (name.equals("required") || name.equals("requiredShown")) {
            return "requireWhen";
        }
        if (name.equals("locked") || name.equals("lockedShown")) {
            return "lockWhen";
        }
        if (name.equals("requiredParts")) {
            return "parts";
        }
        return TABLES.entrySet().stream().filter(t -> name.matches(t.getKey() + "[A-Z].*")).map(Map.Entry::getValue).findFirst()
                .orElse(name);
    }

    /** The fields of a row; none where the document has no such row. */
    static MultiValueMap<String, String> of(Questionnaire document, String at) {
        Fields fields = new Fields();
        if (at.equals(Edit.ENDING)) {
            fields.ending(document);
        } else if (at.equals(Edit.PRESENTATION)) {
            fields.presentation(document);
        } else if (document.page(at).isPresent()) {
            fields.page(document.page(at).get());
        } else {
            document.item(at).ifPresent(fields::item);
        }
        return fields.values;
    }

    /** The fields of some groups. */
    static MultiValueMap<String, String> only(MultiValueMap<String, String> fields, Set<String> groups) {
        return fields.entrySet().stream().filter(e -> groups.contains(group(e.getKey())))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedMultiValueMap::new));
    }

    /** The fields with those of some groups as they were sent. */
    static MultiValueMap<String, String> merged(MultiValueMap<String, String> now, MultiValueMap<String, String> sent, Set<String> groups) {
        MultiValueMap<String, String> merged = new LinkedMultiValueMap<>();
        now.forEach((name, values) -> {
            if (!groups.contains(group(name))) {
                merged.put(name, values);
            }
        });
        sent.forEach((name, values) -> {
            if (groups.contains(group(name))) {
                merged.put(name, values);
            }
        });
        return merged;
    }

    private void set(String name, Object value) {
        values.add(name, switch (value) {
            case null -> "";
            case BigDecimal d -> d.toPlainString();
            default -> value.toString();
        });
    }

    private void tick(String name, boolean ticked) {
        if (ticked) {
            values.add(name, "true");
        }
    }

    private void item(Item item) {
        switch (item) {
            case Note n -> {
                set("wording", n.wording());
                set("askWhen", n.askWhen());
                rewords(n.reword());
            }
            case Derived d -> set("derive", d.derive());
            case Section s -> {
                set("wording", s.title());
                set("askWhen", s.askWhen());
            }
            case Roster r -> {
                set("wording", r.title());
                set("entryTitle", r.entryTitle());
                set("askWhen", r.askWhen());
                set("least", r.least());
                set("most", r.most());
                r.count().each(this::set);
            }
            case Question q -> question(q);
        }
    }

    private void question(Question q) {
        set("wording", q.wording());
        set("help", q.help());
        set("type", q.answer().type());
        set("askWhen", q.askWhen());
        set("requireWhen", q.requireWhen());
        set("lockWhen", q.lockWhen());
        set("startWith", q.startWith());
        tick("keepWhenHidden", q.keepWhenHidden());
        tick("personal", q.personal());
        q.accept().forEach(a -> {
            set("acceptWhen", a.when());
            set("acceptMessage", a.message());
        });
        rewords(q.reword());
        AnswerControls.of(q.answer()).settings(q.answer()).forEach(this::setting);
        q.answer().rows().forEach(r -> {
            set("gridCode", r.code());
            set("gridLabel", r.label());
            set("gridAskWhen", r.askWhen());
        });
        if (q.answer().hasOwnOptions()) {
            options(q.answer().options());
        }
    }

    private void setting(Setting setting) {
        switch (setting.kind()) {
            case "pair" -> {
                set(setting.name(), setting.value());
                set(setting.second(), setting.secondValue());
            }
            case "tick" -> tick(setting.name(), !setting.value().isEmpty());
            case "ticks" -> values.put(setting.name(), setting.chosen());
            default -> set(setting.name(), setting.value());
        }
    }

    private void options(List<Option> options) {
        for (int i = 0; i < options.size(); i++) {
            Option option = options.get(i);
            set("optionCode", option.code());
            set("optionLabel", option.label());
            set("optionScore", option.score());
            set("optionOfferWhen", option.offerWhen());
            set("optionPicture", option.picture());
            if (option.exclusive()) {
                set("optionExclusive", i);
            }
            if (option.other()) {
                set("optionOther", i);
            }
        }
    }

    private void rewords(List<Reword> rewords) {
        rewords.forEach(r -> {
            set("rewordWhen", r.when());
            set("rewordWording", r.wording());
            set("rewordHelp", r.help());
            set("rewordLabels", r.labels().entrySet().stream().map(l -> l.getKey() + " = " + l.getValue())
                    .collect(Collectors.joining("\n")));
        });
    }

    private void page(Page page) {
        set("title", page.title());
        set("introduction", page.introduction());
        set("openWhen", page.openWhen());
        page.finish().forEach(f -> {
            set("finishWhen", f.when());
            set("finishOutcome", f.outcome());
        });
        page.skip().forEach(s -> {
            set("skipWhen", s.when());
            set("skipTo", s.to());
        });
    }

    private void presentation(Questionnaire document) {
        Presentation p = document.presentation();
        set("title", document.title());
        set("welcomeHeading", p.welcome().heading());
        set("welcomeText", p.welcome().text());
        set("welcomePicture", p.welcome().picture());
        set("buttonNext", p.buttons().next());
        set("buttonBack", p.buttons().back());
        set("buttonSend", p.buttons().send());
        tick("ownColour", !p.theme().colour().isEmpty());
        set("colour", p.theme().colour());
        tick("ownBackground", !p.theme().background().isEmpty());
        set("background", p.theme().background());
        set("logo", p.theme().logo());
        set("typeSize", p.theme().typeSize());
        set("progress", p.theme().progress().word());
        tick("oneAtATime", p.theme().oneAtATime());
        set("steps", p.navigation().steps().word());
        set("check", p.navigation().check().word());
        tick("reviewLeftOut", p.navigation().reviewLeftOut());
        tick("redirectAtOnce", p.navigation().redirectAtOnce());
        p.messages().forEach((kind, text) -> set("message_" + kind, text));
        document.linkParameters().forEach(l -> {
            set("linkCode", l.code());
            set("linkAllowed", String.join(" ", l.allowed()));
        });
    }

    /** As it is typed: {@code kind=group, station=via}. */
    public static String carried(Questionnaire.Outcome outcome) {
        return outcome.carries().entrySet().stream().map(e -> e.getKey() + "=" + e.getValue()).collect(Collectors.joining(", "));
    }

    private void ending(Questionnaire document) {
        document.outcomes().forEach(o -> {
            set("outcomeCode", o.code());
            set("outcomeLabel", o.label());
            set("outcomeClosing", o.closing());
            set("outcomeRedirect", o.redirect());
            set("outcomeCarries", carried(o));
            set("outcomeTakeAlong", o.takeAlong());
        });
        document.outcomeTable().forEach(r -> {
            set("rowWhen", r.when());
            set("rowOutcome", r.outcome());
        });
        document.claims().forEach(c -> {
            set("claimCode", c.code());
            set("claimSays", c.says().word());
            set("claimThat", c.that());
        });
    }
}
