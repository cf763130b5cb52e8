package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** Walks an interview from its first page as far as its passed pages carry it. */
final class Walk implements Situation {

    private final Interview interview;
    private final Wiring wiring;
    private final Questionnaire document;
    private final Map<String, Object> effective = new LinkedHashMap<>();
    private final Set<String> asked = new LinkedHashSet<>();
    private final Map<String, Question> questions = new HashMap<>();
    private final Set<String> deriving = new LinkedHashSet<>();
    /** Known once the interview is complete; only own claims ask for it. */
    private String outcome;

    Walk(Interview interview) {
        this.interview = interview;
        this.wiring = interview.wiring();
        this.document = wiring.document();
        document.questions().forEach(q -> questions.putIfAbsent(q.code(), q));
    }

    @Override
    public Object value(String name) {
        if (questions.containsKey(name)) {
            return effective.get(name);
        }
        if (name.equals("outcome")) {
            return outcome;
        }
        if (interview.link().containsKey(name)) {
            return interview.link().get(name);
        }
        Optional<Expr> derive = wiring.at(name + ".derive").flatMap(Wiring.Wire::expr);
        if (derive.isEmpty() || !deriving.add(name)) {
            return null;
        }
        Object value = Evaluator.value(derive.get(), this);
        deriving.remove(name);
        return value;
    }

    @Override
    public BigDecimal score(String question) {
        return questions.get(question).answer().score(effective.get(question));
    }

    @Override
    public LocalDate today() {
        return interview.today();
    }

    @Override
    public boolean asked(String item) {
        return asked.contains(item);
    }

    private boolean holds(String place, boolean usual) {
        return wiring.expr(place, usual).map(e -> Evaluator.holds(e, this)).orElse(false);
    }

    Object startValue(Question question) {
        return wiring.at(question.code() + ".startWith").flatMap(Wiring.Wire::expr).map(e -> Evaluator.value(e, this)).orElse(null);
    }

    Course walk() {
        Course course = pages();
        outcome = course.outcome().orElse(null);
        return course;
    }

    private Course pages() {
        List<Course.PageView> views = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        int next = 0;
        int passed = 0;
        while (next < document.pages().size()) {
            Page page = document.pages().get(next);
            Optional<Course.PageView> visited = visit(page);
            next++;
            if (visited.isEmpty()) {
                continue;
            }
            views.add(visited.get());
            boolean leftBehind = passed < interview.passed().size() && interview.passed().get(passed).equals(page.code());
            if (!leftBehind || !visited.get().problems().isEmpty()) {
                return new Course(views, false, Optional.empty(), Optional.empty(), taken, effective, asked);
            }
            passed++;
            for (int i = 0; i < page.finish().size(); i++) {
                String place = page.code() + "/finish/" + i;
                if (holds(place, true)) {
                    taken.add(place);
                    String end = page.finish().get(i).outcome();
                    return new Course(views, true, document.outcome(end).map(o -> end), Optional.of(place), taken, effective,
                            asked);
                }
            }
            for (int i = 0; i < page.skip().size(); i++) {
                String place = page.code() + "/skip/" + i;
                int target = pageIndex(page.skip().get(i).to());
                if (target >= next && holds(place, true)) {
                    taken.add(place);
                    next = target;
                    break;
                }
            }
        }
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            String place = "outcomeTable/" + i;
            if (holds(place, true)) {
                String end = document.outcomeTable().get(i).outcome();
                return new Course(views, true, document.outcome(end).map(o -> end), Optional.of(place), taken, effective, asked);
            }
        }
        return new Course(views, true, Optional.empty(), Optional.empty(), taken, effective, asked);
    }

    private int pageIndex(String code) {
        for (int i = 0; i < document.pages().size(); i++) {
            if (document.pages().get(i).code().equals(code)) {
                return i;
            }
        }
        return -1;
    }

    /** The page as it stands; empty when it is not visited. */
    private Optional<Course.PageView> visit(Page page) {
        if (!holds(page.code() + ".openWhen", true)) {
            return Optional.empty();
        }
        List<Course.Shown> shown = new ArrayList<>();
        show(page.items(), shown);
        boolean anything = shown.stream().anyMatch(s -> !(s.item() instanceof Section));
        if (!anything) {
            shown.forEach(s -> asked.remove(s.item().code()));
            return Optional.empty();
        }
        List<Problem> problems = new ArrayList<>();
        for (Course.Shown item : shown) {
            item.question().ifPresent(q -> check(q, item, problems));
        }
        return Optional.of(new Course.PageView(page, List.copyOf(shown), List.copyOf(problems)));
    }

    private void show(List<Item> items, List<Course.Shown> shown) {
        for (Item item : items) {
            if (item instanceof Derived || !holds(item.code() + ".askWhen", true)) {
                continue;
            }
            asked.add(item.code());
            if (item instanceof Question question) {
                shown.add(ask(question));
            } else {
                shown.add(new Course.Shown(item, item.wording(), "", false, false, List.of(), null));
            }
            if (item instanceof Section section) {
                show(section.items(), shown);
            }
        }
    }

    private Course.Shown ask(Question question) {
        List<Answer.Option> offered = question.answer().options().stream()
                .filter(o -> holds(question.code() + "." + o.code() + ".offerWhen", true)).toList();
        boolean required = holds(question.code() + ".requireWhen", false);
        boolean locked = holds(question.code() + ".lockWhen", false);
        String wording = question.wording();
        String help = question.help();
        for (int i = 0; i < question.reword().size(); i++) {
            if (holds(question.code() + "/reword/" + i, true)) {
                Question.Reword reword = question.reword().get(i);
                wording = reword.wording().isEmpty() ? wording : reword.wording();
                help = reword.help().isEmpty() ? help : reword.help();
                break;
            }
        }
        boolean follows = locked && wiring.at(question.code() + ".startWith").isPresent();
        Object raw = follows ? startValue(question) : interview.raw().get(question.code());
        boolean counts = raw != null && !(raw instanceof Unreadable) && isOffered(raw, question, offered);
        if (counts && !(follows && Limits.refusal(question.answer(), raw, interview.today()).isPresent())) {
            effective.put(question.code(), raw);
        }
        return new Course.Shown(question, wording, help, required, locked, offered, raw);
    }

    /** Values of the wrong kind and unknown options count as not offered, so that nothing downstream meets them. */
    private static boolean isOffered(Object raw, Question question, List<Answer.Option> offered) {
        return switch (question.answer()) {
            case Answer.OneChoice c -> raw instanceof String code && offered.stream().anyMatch(o -> o.code().equals(code));
            case Answer.ManyChoices c -> raw instanceof List<?> codes
                    && codes.stream().allMatch(code -> offered.stream().anyMatch(o -> o.code().equals(code)));
            case Answer.Text t -> raw instanceof String;
            case Answer.Numeric n -> raw instanceof BigDecimal;
            case Answer.YesNo y -> raw instanceof Boolean;
            case Answer.DateAnswer d -> raw instanceof LocalDate;
        };
    }

    private void check(Question question, Course.Shown shown, List<Problem> problems) {
        Object value = effective.get(question.code());
        if (value == null) {
            Optional<String> locked = shown.locked() && shown.value() != null && !(shown.value() instanceof Unreadable)
                    && isOffered(shown.value(), question, shown.offered())
                            ? Limits.refusal(question.answer(), shown.value(), interview.today())
                            : Optional.empty();
            if (locked.isPresent()) {
                // Nobody can change it, so the page cannot be left: better a dead end that is seen than a wrong answer sent.
                problems.add(new Problem(question.code(), Problem.Kind.LIMIT, locked.get()));
            } else if (shown.value() instanceof Unreadable u) {
                problems.add(new Problem(question.code(), Problem.Kind.UNREADABLE, unreadable(question, u)));
            } else if (shown.required()) {
                problems.add(new Problem(question.code(), Problem.Kind.REQUIRED, "Please answer this question."));
            }
            return;
        }
        Optional<String> limit = Limits.refusal(question.answer(), value, interview.today());
        if (limit.isPresent()) {
            problems.add(new Problem(question.code(), Problem.Kind.LIMIT, limit.get()));
            return;
        }
        for (int i = 0; i < question.accept().size(); i++) {
            Optional<Expr> accept = wiring.expr(question.code() + "/accept/" + i, true);
            if (accept.isPresent() && Boolean.FALSE.equals(Evaluator.value(accept.get(), this))) {
                String message = question.accept().get(i).message();
                problems.add(
                        new Problem(question.code(), Problem.Kind.ACCEPT, message.isEmpty() ? "This answer is not accepted." : message));
            }
        }
    }

    private static String unreadable(Question question, Unreadable u) {
        return switch (question.answer()) {
            case Answer.Numeric n -> "Write a number, in digits. \"" + u.typed() + "\" is none.";
            case Answer.DateAnswer d -> "Give a date, as day, month and year.";
            case Answer.OneChoice c -> "Choose one of the options shown.";
            case Answer.ManyChoices c -> "Choose from the options shown.";
            default -> "This answer cannot be read.";
        };
    }
}
