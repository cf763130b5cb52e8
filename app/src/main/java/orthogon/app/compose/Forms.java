package orthogon.app.compose;

import orthogon.app.answer.SettingsForm;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.edit.Retyped;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EntryCount;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Reword;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntFunction;
import org.springframework.util.MultiValueMap;

/** Reads the inspector's form back into the item, page or ending that it shows. A row of a list left empty is taken out. */
final class Forms implements SettingsForm {

    private final MultiValueMap<String, String> form;

    Forms(MultiValueMap<String, String> form) {
        this.form = form;
    }

    @Override
    public String text(String name) {
        return Optional.ofNullable(form.getFirst(name)).orElse("").strip().replace("\r\n", "\n");
    }

    private String at(String name, int row) {
        List<String> values = form.getOrDefault(name, List.of());
        return row < values.size() && values.get(row) != null ? values.get(row).strip() : "";
    }

    Item item(Item item) throws Refused {
        return switch (item) {
            case Note n -> new Note(n.code(), text("wording"), text("askWhen"), rewordings());
            case Derived d -> new Derived(d.code(), text("derive"));
            case Section s -> new Section(s.code(), text("wording"), text("askWhen"), s.items());
            case Roster r -> new Roster(r.code(), text("wording"), text("entryTitle"), text("askWhen"),
                    whole("least") == null ? 0 : whole("least"), whole("most") == null ? r.most() : whole("most"),
                    EntryCount.FREE.with((family, none) -> text(family)), r.items());
            case Question q -> question(q);
        };
    }

    private Question question(Question q) throws Refused {
        List<Question.Accept> accept = entries("acceptWhen",
                i -> "The message “" + at("acceptMessage", i) + "” has no condition. Write what is accepted.",
                i -> new Question.Accept(at("acceptWhen", i), at("acceptMessage", i)), "acceptMessage");
        if (!text("limitsWhen").isEmpty()) {
            accept.add(otherLimits(q.code()));
        }
        Answer answer = text("type").equals(q.answer().type()) ? answer(q.answer()) : Retyped.to(q.answer(), text("type")).answer();
        return new Question(q.code(), text("wording"), text("help"), answer, text("askWhen"), ticked("required", "requireWhen"),
                ticked("locked", "lockWhen"),
                text("startWith"), accept, rewordings(), !text("keepWhenHidden").isEmpty(), !text("personal").isEmpty());
    }

    /** A condition with a tick before it: ticked without a condition it always holds. */
    private String ticked(String tick, String condition) {
        boolean shown = form.containsKey(tick + "Shown");
        return !shown || !text(condition).isEmpty() && form.containsKey(tick)
                ? text(condition)
                : form.containsKey(tick) ? "true" : "";
    }

    /** Other limits while a condition holds are an accept condition: whoever it does not concern passes. */
    private Question.Accept otherLimits(String code) throws Refused {
        List<String> limits = new ArrayList<>();
        if (!text("limitsLeast").isEmpty()) {
            limits.add(code + " >= " + text("limitsLeast"));
        }
        if (!text("limitsMost").isEmpty()) {
            limits.add(code + " <= " + text("limitsMost"));
        }
        if (limits.isEmpty()) {
            throw new Refused("Write the least or the most that is accepted while the condition holds.");
        }
        return new Question.Accept("if " + text("limitsWhen") + " then " + String.join(" and ", limits) + " else true", "");
    }

    /** Reads one entry of a list. */
    private interface FormEntry<T> {
        T at(int index) throws Refused;
    }

    /**
     * The entries of a list; one whose fields are all empty is left out.
     *
     * @param needed the field that makes an entry one
     * @param otherwise what is said of an entry in which it is empty and another field is not
     * @param others the fields that are lost without it
     */
    private <T> List<T> entries(String needed, IntFunction<String> otherwise, FormEntry<T> read, String... others) throws Refused {
        List<T> all = new ArrayList<>();
        for (int i = 0; i < form.getOrDefault(needed, List.of()).size(); i++) {
            int index = i;
            if (!at(needed, i).isEmpty()) {
                all.add(read.at(i));
            } else if (Arrays.stream(others).anyMatch(o -> !at(o, index).isEmpty())) {
                throw new Refused(otherwise.apply(i));
            }
        }
        return all;
    }

    /** The code in the field, or one made up from the label that no entry of the list has. */
    private String code(String field, int index, String label, String fallback, List<String> taken) {
        String code = at(field, index).isEmpty() ? Codes.from(at(label, index), fallback, taken::contains) : at(field, index);
        taken.add(code);
        return code;
    }

    private List<Reword> rewordings() throws Refused {
        return entries("rewordWhen", i -> "The other wording has no condition. Write when it is shown.", i -> {
            Map<String, String> labels = new LinkedHashMap<>();
            for (String line : at("rewordLabels", i).split("\n")) {
                int equals = line.indexOf('=');
                if (equals > 0 && !line.substring(equals + 1).isBlank()) {
                    labels.put(line.substring(0, equals).strip(), line.substring(equals + 1).strip());
                }
            }
            return new Reword(at("rewordWhen", i), at("rewordWording", i), at("rewordHelp", i), labels);
        }, "rewordWording", "rewordHelp", "rewordLabels");
    }

    private Answer answer(Answer now) throws Refused {
        try {
            return AnswerControls.of(now).set(now, this);
        } catch (AnswerFault e) {
            throw new Refused(e.sentence());
        }
    }

    @Override
    public boolean ticked(String name) {
        return !text(name).isEmpty();
    }

    @Override
    public List<String> all(String name) {
        return form.getOrDefault(name, List.of());
    }

    /** The value whose word was chosen; the first of all where none was. */
    @Override
    public <T> T chosen(String name, T[] values, Function<T, String> word) {
        return Arrays.stream(values).filter(v -> word.apply(v).equals(text(name))).findFirst().orElse(values[0]);
    }

    /** Words between blanks or commas. */
    @Override
    public List<String> words(String name) {
        return split(text(name));
    }

    private static List<String> split(String text) {
        return Arrays.stream(text.split("[\\s,;]+")).filter(w -> !w.isEmpty()).distinct().toList();
    }

    @Override
    public List<GridRow> gridRows() throws Refused {
        List<String> taken = new ArrayList<>(form.getOrDefault("gridCode", List.of()));
        return entries("gridLabel", i -> "The row " + at("gridCode", i) + " needs a text. Use Remove to take the row out.",
                i -> new GridRow(code("gridCode", i, "gridLabel", "row", taken), at("gridLabel", i), at("gridAskWhen", i)),
                "gridCode", "gridAskWhen");
    }

    /** A code that was changed in place, from and to; empty where none was. */
    Optional<String[]> renamedOption(Answer answer) {
        List<String> now = form.getOrDefault("optionCode", List.of());
        List<String> before = answer.options().stream().map(Option::code).toList();
        for (int i = 0; answer.hasOwnOptions() && i < before.size() && i < now.size(); i++) {
            boolean labelStays = at("optionLabel", i).equals(answer.options().get(i).label());
            if (!now.get(i).isBlank() && !now.get(i).strip().equals(before.get(i)) && labelStays) {
                return Optional.of(new String[]{before.get(i), now.get(i).strip()});
            }
        }
        return Optional.empty();
    }

    Presentation presentation() throws Refused {
        Map<String, String> messages = new LinkedHashMap<>();
        Presentation.MESSAGES.stream().filter(kind -> !text("message_" + kind).isEmpty())
                .forEach(kind -> messages.put(kind, text("message_" + kind)));
        return new Presentation(new Presentation.Welcome(text("welcomeHeading"), text("welcomeText"), text("welcomePicture")),
                new Presentation.Buttons(text("buttonNext"), text("buttonBack"), text("buttonSend")), messages,
                new Presentation.Theme(text("ownColour").isEmpty() ? "" : text("colour"),
                        text("ownBackground").isEmpty() ? "" : text("background"), text("logo"),
                        whole("typeSize") == null ? 100 : whole("typeSize"),
                        chosen("progress", Presentation.ProgressStyle.values(), Presentation.ProgressStyle::word),
                        !text("oneAtATime").isEmpty()),
                new Presentation.Navigation(chosen("steps", Presentation.StepLabel.values(), Presentation.StepLabel::word),
                        chosen("check", Presentation.Check.values(), Presentation.Check::word), !text("reviewLeftOut").isEmpty(),
                        !text("redirectAtOnce").isEmpty()));
    }

    List<Questionnaire.LinkParameter> linkParameters() throws Refused {
        return entries("linkCode", i -> "The allowed values “" + at("linkAllowed", i) + "” need a code.",
                i -> new Questionnaire.LinkParameter(at("linkCode", i), split(at("linkAllowed", i))), "linkAllowed");
    }

    @Override
    public List<Option> options() throws Refused {
        List<String> taken = new ArrayList<>(form.getOrDefault("optionCode", List.of()));
        List<String> exclusive = form.getOrDefault("optionExclusive", List.of());
        List<String> other = form.getOrDefault("optionOther", List.of());
        return entries("optionLabel", i -> "The option " + at("optionCode", i) + " needs a label. Use Remove to take the option out.",
                i -> new Option(code("optionCode", i, "optionLabel", "option", taken), at("optionLabel", i),
                        decimal(at("optionScore", i), "The score of " + at("optionLabel", i)), exclusive.contains(String.valueOf(i)),
                        at("optionOfferWhen", i), other.contains(String.valueOf(i)), at("optionPicture", i)),
                "optionCode", "optionScore", "optionOfferWhen");
    }

    @Override
    public Integer whole(String name) throws Refused {
        String value = text(name);
        try {
            return value.isEmpty() ? null : Integer.valueOf(value);
        } catch (NumberFormatException e) {
            throw new Refused("“" + value + "” is not a whole number.");
        }
    }

    @Override
    public BigDecimal decimal(String name) throws Refused {
        return decimal(text(name), "The limit");
    }

    private static BigDecimal decimal(String value, String what) throws Refused {
        try {
            return value.isEmpty() ? null : new BigDecimal(value);
        } catch (NumberFormatException e) {
            throw new Refused(what + ", “" + value + "”, is not a number.");
        }
    }

    Page page(Page page) throws Refused {
        List<Page.Finish> finish = entries("finishOutcome",
                i -> "Choose the outcome that the interview ends with when " + at("finishWhen", i) + ".",
                i -> new Page.Finish(at("finishWhen", i), at("finishOutcome", i)), "finishWhen");
        List<Page.Skip> skip = entries("skipTo", i -> "Choose the page to go to when " + at("skipWhen", i) + ".",
                i -> new Page.Skip(at("skipWhen", i), at("skipTo", i)), "skipWhen");
        return new Page(page.code(), text("title"), text("introduction"), text("openWhen"), page.items(), finish, skip);
    }

    List<Questionnaire.Outcome> outcomes() throws Refused {
        List<String> taken = new ArrayList<>(form.getOrDefault("outcomeCode", List.of()));
        return entries("outcomeLabel", i -> "The outcome " + at("outcomeCode", i) + " needs a name. Use Remove to take it out.",
                i -> new Questionnaire.Outcome(code("outcomeCode", i, "outcomeLabel", "outcome", taken), at("outcomeLabel", i),
                        at("outcomeClosing", i), at("outcomeRedirect", i), carried(at("outcomeCarries", i)), at("outcomeTakeAlong", i)),
                "outcomeCode", "outcomeClosing", "outcomeRedirect", "outcomeCarries", "outcomeTakeAlong");
    }

    private static Map<String, String> carried(String typed) throws Refused {
        Map<String, String> carried = new LinkedHashMap<>();
        for (String each : typed.replaceAll("\\s*=\\s*", "=").split("[,\\s]+")) {
            int equals = each.indexOf('=');
            if (!each.isEmpty() && (equals < 1 || equals == each.length() - 1)) {
                throw new Refused("“" + each + "” is no answer for an address; write it like kind=group, which adds kind= and the answer "
                        + "to group.");
            }
            if (!each.isEmpty() && carried.put(each.substring(0, equals), each.substring(equals + 1)) != null) {
                throw new Refused("The address takes " + each.substring(0, equals) + " twice; give one of them another name.");
            }
        }
        return carried;
    }

    List<Questionnaire.OutcomeRow> table() throws Refused {
        return entries("rowOutcome", i -> "Choose the outcome of the row “" + at("rowWhen", i) + "”.",
                i -> new Questionnaire.OutcomeRow(at("rowWhen", i), at("rowOutcome", i)), "rowWhen");
    }

    List<Questionnaire.OwnClaim> claims() throws Refused {
        return entries("claimThat", i -> "The claim " + at("claimCode", i) + " is empty. Write what must hold.", i -> {
            String code = at("claimCode", i).isEmpty() ? "claim_" + (i + 1) : at("claimCode", i);
            if (!Codes.isValid(code)) {
                throw new Refused("“" + code + "” is not a valid code for a claim: use small letters, digits and _ only.");
            }
            return new Questionnaire.OwnClaim(code,
                    at("claimSays", i).equals("never") ? Questionnaire.Says.NEVER : Questionnaire.Says.ALWAYS, at("claimThat", i));
        }, "claimCode");
    }

    /** What the history says was changed: the first member that differs. */
    static String difference(Item before, Item after) {
        if (before instanceof Question a && after instanceof Question b) {
            Map<String, Boolean> same = new LinkedHashMap<>();
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
