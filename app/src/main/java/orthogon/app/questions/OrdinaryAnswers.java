package orthogon.app.questions;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;

/** Plausible made-up answers, chosen by chance. Names are invented, numbers and addresses are from the ranges reserved for examples. */
public final class OrdinaryAnswers {

    private static final List<String> GIVEN = List.of("Wenna", "Orrin", "Maud", "Pelham", "Ida", "Tobin", "Sorrel", "Anwen");
    private static final List<String> FAMILY = List.of("Tregle", "Salt", "Haskell", "Rook", "Fenwright", "Marl", "Alder", "Brook");
    private static final List<String> STREETS = List.of("3 Mill Lane", "12 Heron Row", "The Weir House", "7 Alder Close", "Old Harbour 2");

    private static final int MOST_TRIES = 300;

    private final Map<String, List<String>> texts;
    private final Map<String, Integer> oftenYes;

    /**
     * @param texts question code to texts to choose from
     * @param oftenYes question code to how many in a hundred say yes to it
     */
    public OrdinaryAnswers(Map<String, List<String>> texts, Map<String, Integer> oftenYes) {
        this.texts = texts;
        this.oftenYes = oftenYes;
    }

    /** Answers to everything that the current page asks, one after the other, since an answer may decide what comes next. */
    public Map<String, Object> page(Interview interview, Random random) {
        Course.PageView page = interview.course().current().orElseThrow();
        Map<String, Object> given = new LinkedHashMap<>();
        page.shown().stream().filter(s -> s.item() instanceof Roster).forEach(s -> given.put(s.slot(), entries((Roster) s.item(), random)));
        while (true) {
            Optional<Course.ShownItem> next = interview.keep(given).course().current().orElseThrow().shown().stream()
                    .filter(s -> s.question().isPresent() && !given.containsKey(s.slot())).findFirst();
            if (next.isEmpty()) {
                return given;
            }
            given.put(next.get().slot(), to(next.get(), random, interview.today()));
        }
    }

    /**
     * Leaves the current page: what is blank or wrong is answered by chance until the page accepts it, what was answered stays.
     *
     * @return empty where chance finds no answers that the page accepts
     */
    public Optional<Interview> leave(Interview interview, Random random) {
        Interview.LeaveResult asIs = interview.leave(Map.of());
        if (asIs instanceof Interview.LeaveResult.Passed passed && interview.course().current().orElseThrow().shown().stream()
                .noneMatch(s -> s.question().isPresent() && s.value() == null)) {
            return Optional.of(passed.interview());
        }
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Course.PageView view = interview.course().current().orElseThrow();
            Map<String, Object> given = page(interview, random);
            view.shown().stream().filter(s -> s.value() != null && view.problems().stream().noneMatch(p -> p.slot().equals(s.slot())))
                    .forEach(s -> given.put(s.slot(), s.value()));
            if (interview.leave(given) instanceof Interview.LeaveResult.Passed passed) {
                return Optional.of(passed.interview());
            }
        }
        return Optional.empty();
    }

    private static List<String> entries(Roster roster, Random random) {
        int count = Math.clamp(roster.least() + (random.nextInt(4) == 0 ? 1 + random.nextInt(2) : 0), roster.least(), roster.most());
        return IntStream.rangeClosed(1, count).mapToObj(String::valueOf).toList();
    }

    /** An answer to what is shown; null for blank. */
    public Object to(Course.ShownItem shown, Random random, LocalDate today) {
        Question q = shown.question().orElseThrow();
        List<Answer.Option> offered = shown.offered();
        return switch (q.answer()) {
            case Answer.YesNo y -> random.nextInt(100) < oftenYes.getOrDefault(q.code(), 40);
            case Answer.Agreement a -> true;
            case Answer.OneChoice c -> one(offered, random);
            case Answer.IsoCode c -> one(offered, random);
            case Answer.ManyChoices c -> several(offered, c, random);
            case Answer.Grid g -> {
                Map<String, Object> rows = new LinkedHashMap<>();
                shown.rows().forEach(row -> rows.put(row, g.many() ? List.of(one(offered, random)) : one(offered, random)));
                yield rows;
            }
            case Answer.Ranking r -> {
                List<String> codes = new ArrayList<>(r.options().stream().map(Answer.Option::code).toList());
                Collections.shuffle(codes, random);
                yield List.copyOf(codes.subList(0, r.ranked()));
            }
            case Answer.Numeric n -> number(n, random);
            case Answer.Scale s -> BigDecimal.valueOf(s.first() + random.nextInt(s.last() - s.first() + 1));
            case Answer.DateAnswer d -> day(d, today, random);
            case Answer.TimeAnswer t -> LocalTime.of(7 + random.nextInt(12), random.nextInt(4) * 15);
            case Answer.Parts p -> {
                Map<String, Object> parts = new LinkedHashMap<>();
                p.parts().forEach(part -> parts.put(part, part(part, random)));
                yield parts;
            }
            case Answer.Contact c -> switch (c.kind()) {
                case EMAIL -> pick(GIVEN, random).toLowerCase(java.util.Locale.ROOT) + random.nextInt(90) + "@example.org";
                case PHONE -> "+441632960" + (100 + random.nextInt(900));
                case WEB -> "https://example.org/" + random.nextInt(90);
            };
            // Made-up respondents have no pictures to show.
            case Answer.FileAnswer f -> null;
            case Answer.Signature s -> Map.of("name", pick(GIVEN, random) + " " + pick(FAMILY, random));
            case Answer.TextAnswer t -> text(q.code(), t, shown.required(), random);
            case Answer.Lookup l -> null;
            case Answer.Hidden h -> null;
        };
    }

    private static <T> T pick(List<T> of, Random random) {
        return of.get(random.nextInt(of.size()));
    }

    private static Object one(List<Answer.Option> offered, Random random) {
        return offered.isEmpty() ? null : pick(offered, random).code();
    }

    private static Object several(List<Answer.Option> offered, Answer.ManyChoices answer, Random random) {
        List<Answer.Option> alone = offered.stream().filter(Answer.Option::exclusive).toList();
        List<String> chosen = new ArrayList<>();
        offered.stream().filter(o -> !o.exclusive() && random.nextInt(3) == 0).forEach(o -> chosen.add(o.code()));
        if (chosen.isEmpty()) {
            return alone.isEmpty() ? offered.isEmpty() ? null : List.of(offered.getFirst().code()) : List.of(alone.getFirst().code());
        }
        return List.copyOf(chosen.subList(0, Math.min(chosen.size(), answer.most() == null ? 3 : answer.most())));
    }

    private static Object number(Answer.Numeric n, Random random) {
        BigDecimal least = n.least() == null ? BigDecimal.ZERO : n.least();
        BigDecimal most = n.most() == null ? least.add(BigDecimal.TEN) : n.most();
        BigDecimal part = most.subtract(least).multiply(BigDecimal.valueOf(random.nextDouble() * random.nextDouble()));
        return least.add(part).setScale(n.decimals() == null ? 1 : n.decimals(), RoundingMode.FLOOR).max(least);
    }

    private static Object day(Answer.DateAnswer d, LocalDate today, Random random) {
        LocalDate from = d.earliest() == null ? today.minusDays(3) : d.earliest().on(today);
        LocalDate to = d.latest() == null ? from.plusDays(20) : d.latest().on(today);
        if (from.plusYears(30).isBefore(to)) {
            // A birthday, most likely.
            return to.minusYears(19 + random.nextInt(10)).minusDays(random.nextInt(365));
        }
        return d.latest() != null && !to.isAfter(today)
                ? to.minusDays(Math.min(random.nextInt(3), Math.max(0, from.until(to).getDays())))
                : from.plusDays(random.nextInt(14));
    }

    private static String part(String part, Random random) {
        return switch (part) {
            case "given", "middle" -> pick(GIVEN, random);
            case "family" -> pick(FAMILY, random);
            case "line_1" -> pick(STREETS, random);
            case "town" -> "Quillmere";
            case "postcode" -> "QM" + (1 + random.nextInt(9)) + " 2AB";
            case "title" -> "Dr";
            default -> "Fenland";
        };
    }

    private String text(String code, Answer.TextAnswer t, boolean required, Random random) {
        List<String> known = texts.get(code);
        if (t.least() != null && t.most() != null && t.least() > t.most()) {
            return null;
        }
        if (known == null && t.content() == Answer.Content.DIGITS) {
            return "7".repeat(Math.max(t.least() == null ? 3 : t.least(), 1));
        }
        String text = known != null
                ? pick(known, random)
                : !t.example().isEmpty() ? t.example() : required || random.nextInt(3) == 0 ? words(t) : null;
        return text != null && t.most() != null && text.length() > t.most() ? text.substring(0, t.most()) : text;
    }

    private static String words(Answer.TextAnswer t) {
        String words = t.content() == Answer.Content.LETTERS ? "Heron" : "It sat very still.";
        return t.least() == null ? words : words.repeat(1 + t.least() / words.length()).strip();
    }
}
