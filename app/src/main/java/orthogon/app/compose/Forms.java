package orthogon.app.compose;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.edit.Refused;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.DateLimit;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import org.springframework.util.MultiValueMap;

/** Reads the inspector's form back into the item, page or ending that it shows. A row of a list left empty is taken out. */
final class Forms {

    private final MultiValueMap<String, String> form;

    Forms(MultiValueMap<String, String> form) {
        this.form = form;
    }

    private String text(String name) {
        return Optional.ofNullable(form.getFirst(name)).orElse("").strip().replace("\r\n", "\n");
    }

    private String at(String name, int row) {
        List<String> values = form.getOrDefault(name, List.of());
        return row < values.size() && values.get(row) != null ? values.get(row).strip() : "";
    }

    private int rows(String name) {
        return form.getOrDefault(name, List.of()).size();
    }

    Item item(Item item) throws Refused {
        return switch (item) {
            case Note n -> new Note(n.code(), text("wording"), text("askWhen"));
            case Derived d -> new Derived(d.code(), text("derive"));
            case Section s -> new Section(s.code(), text("wording"), text("askWhen"), s.items());
            case Question q -> question(q);
        };
    }

    private Question question(Question q) throws Refused {
        List<Question.Accept> accept = new ArrayList<>();
        for (int i = 0; i < rows("acceptWhen"); i++) {
            if (!at("acceptWhen", i).isEmpty()) {
                accept.add(new Question.Accept(at("acceptWhen", i), at("acceptMessage", i)));
            }
        }
        List<orthogon.core.questionnaire.Reword> reword = new ArrayList<>();
        for (int i = 0; i < rows("rewordWhen"); i++) {
            if (!at("rewordWhen", i).isEmpty()) {
                reword.add(new orthogon.core.questionnaire.Reword(at("rewordWhen", i), at("rewordWording", i), at("rewordHelp", i)));
            }
        }
        return new Question(q.code(), text("wording"), text("help"), answer(q.answer()), text("askWhen"), text("requireWhen"),
                text("lockWhen"), text("startWith"), accept, reword, q.keepWhenHidden());
    }

    private Answer answer(Answer now) throws Refused {
        String type = text("type");
        if (!type.equals(now.type())) {
            return ofType(type, now);
        }
        return switch (now) {
            case Answer.Text t -> new Answer.Text(t.isLong(), whole("least"), whole("most"));
            case Answer.Numeric n -> new Answer.Numeric(decimal("least"), decimal("most"), whole("decimals"), text("unit"));
            case Answer.YesNo y -> y;
            case Answer.OneChoice c -> new Answer.OneChoice(options(), text("shownAs").equals("dropDown"));
            case Answer.ManyChoices c -> new Answer.ManyChoices(options(), whole("least"), whole("most"));
            case Answer.DateAnswer d -> new Answer.DateAnswer(day("earliest"), day("latest"));
        };
    }

    /** Another type keeps the options where both have some. */
    private static Answer ofType(String type, Answer now) throws Refused {
        List<Answer.Option> options = now.options().isEmpty()
                ? List.of(Answer.Option.of("first", "First"), Answer.Option.of("second", "Second"))
                : now.options();
        return switch (type) {
            case "shortText" -> new Answer.Text(false, null, null);
            case "longText" -> new Answer.Text(true, null, null);
            case "number" -> new Answer.Numeric(null, null, 0, "");
            case "yesNo" -> new Answer.YesNo();
            case "oneChoice" -> new Answer.OneChoice(options.stream()
                    .map(o -> new Answer.Option(o.code(), o.label(), o.score(), false, o.offerWhen())).toList(), false);
            case "manyChoices" -> new Answer.ManyChoices(options, null, null);
            case "date" -> new Answer.DateAnswer(null, null);
            default -> throw new Refused("There is no answer type " + type + ".");
        };
    }

    private List<Answer.Option> options() throws Refused {
        List<Answer.Option> options = new ArrayList<>();
        List<String> taken = new ArrayList<>(form.getOrDefault("optionCode", List.of()));
        List<String> exclusive = form.getOrDefault("optionExclusive", List.of());
        for (int i = 0; i < rows("optionLabel"); i++) {
            String label = at("optionLabel", i);
            if (label.isEmpty()) {
                continue;
            }
            String code = at("optionCode", i);
            if (code.isEmpty()) {
                code = Codes.from(label, "option", taken::contains);
                taken.add(code);
            }
            options.add(new Answer.Option(code, label, decimal(at("optionScore", i), "The score of " + label),
                    exclusive.contains(String.valueOf(i)), at("optionOfferWhen", i)));
        }
        return options;
    }

    private Integer whole(String name) throws Refused {
        String value = text(name);
        try {
            return value.isEmpty() ? null : Integer.valueOf(value);
        } catch (NumberFormatException e) {
            throw new Refused("“" + value + "” is no whole number.");
        }
    }

    private BigDecimal decimal(String name) throws Refused {
        return decimal(text(name), "The limit");
    }

    private static BigDecimal decimal(String value, String what) throws Refused {
        try {
            return value.isEmpty() ? null : new BigDecimal(value);
        } catch (NumberFormatException e) {
            throw new Refused(what + ", “" + value + "”, is no number.");
        }
    }

    private DateLimit day(String name) throws Refused {
        try {
            return text(name).isEmpty() ? null : DateLimit.parse(text(name));
        } catch (IllegalArgumentException e) {
            throw new Refused(e.getMessage() + ".");
        }
    }

    Page page(Page page) {
        List<Page.Finish> finish = new ArrayList<>();
        for (int i = 0; i < rows("finishOutcome"); i++) {
            if (!at("finishOutcome", i).isEmpty()) {
                finish.add(new Page.Finish(at("finishWhen", i), at("finishOutcome", i)));
            }
        }
        List<Page.Skip> skip = new ArrayList<>();
        for (int i = 0; i < rows("skipTo"); i++) {
            if (!at("skipTo", i).isEmpty()) {
                skip.add(new Page.Skip(at("skipWhen", i), at("skipTo", i)));
            }
        }
        return new Page(page.code(), text("title"), text("introduction"), text("openWhen"), page.items(), finish, skip);
    }

    List<Questionnaire.Outcome> outcomes() {
        List<Questionnaire.Outcome> outcomes = new ArrayList<>();
        List<String> taken = new ArrayList<>(form.getOrDefault("outcomeCode", List.of()));
        for (int i = 0; i < rows("outcomeLabel"); i++) {
            if (!at("outcomeLabel", i).isEmpty()) {
                String code = at("outcomeCode", i).isEmpty()
                        ? Codes.from(at("outcomeLabel", i), "outcome", taken::contains)
                        : at("outcomeCode", i);
                taken.add(code);
                outcomes.add(new Questionnaire.Outcome(code, at("outcomeLabel", i), at("outcomeClosing", i)));
            }
        }
        return outcomes;
    }

    List<Questionnaire.OutcomeRow> table() {
        List<Questionnaire.OutcomeRow> table = new ArrayList<>();
        for (int i = 0; i < rows("rowOutcome"); i++) {
            if (!at("rowOutcome", i).isEmpty()) {
                table.add(new Questionnaire.OutcomeRow(at("rowWhen", i), at("rowOutcome", i)));
            }
        }
        return table;
    }

    List<Questionnaire.OwnClaim> claims() throws Refused {
        List<Questionnaire.OwnClaim> claims = new ArrayList<>();
        for (int i = 0; i < rows("claimThat"); i++) {
            if (!at("claimThat", i).isEmpty()) {
                String code = at("claimCode", i).isEmpty() ? "claim_" + (i + 1) : at("claimCode", i);
                if (!Codes.isValid(code)) {
                    throw new Refused("“" + code + "” is no code for a claim: use small letters, digits and _ only.");
                }
                claims.add(new Questionnaire.OwnClaim(code,
                        at("claimSays", i).equals("never") ? Questionnaire.Says.NEVER : Questionnaire.Says.ALWAYS, at("claimThat", i)));
            }
        }
        return claims;
    }

    /** What the history says was changed: the first member that differs. */
    static String difference(Item before, Item after) {
        if (before instanceof Question a && after instanceof Question b) {
            Map<String, Boolean> same = new java.util.LinkedHashMap<>();
            same.put("the wording", a.wording().equals(b.wording()));
            same.put("the help", a.help().equals(b.help()));
            same.put("the answer", a.answer().equals(b.answer()));
            same.put("ask when", a.askWhen().equals(b.askWhen()));
            same.put("require when", a.requireWhen().equals(b.requireWhen()));
            same.put("lock when", a.lockWhen().equals(b.lockWhen()));
            same.put("start with", a.startWith().equals(b.startWith()));
            same.put("accept when", a.accept().equals(b.accept()));
            return same.entrySet().stream().filter(e -> !e.getValue()).map(Map.Entry::getKey).findFirst().orElse("reword when");
        }
        return "the texts";
    }
}
