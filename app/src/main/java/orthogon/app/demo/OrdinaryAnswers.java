package orthogon.app.demo;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import orthogon.core.interview.Course;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;

/** Plausible made-up answers, chosen by chance. Names are invented, numbers and addresses are from the ranges reserved for examples. */
final class OrdinaryAnswers {

    private static final List<String> GIVEN = List.of("Wenna", "Orrin", "Maud", "Pelham", "Ida", "Tobin", "Sorrel", "Anwen");
    private static final List<String> FAMILY = List.of("Tregle", "Salt", "Haskell", "Rook", "Fenwright", "Marl", "Alder", "Brook");
    private static final List<String> STREETS = List.of("3 Mill Lane", "12 Heron Row", "The Weir House", "7 Alder Close", "Old Harbour 2");
    private static final Map<String, List<String>> TEXTS = Map.of("where_found", List.of("Mill lane, by the weir", "Alder wood car park",
            "Quillmere harbour wall", "Under the old viaduct", "Garden, Heron Row 4"), "map_reference",
            List.of("QM4417", "QM2208", "QM7754"));

    private OrdinaryAnswers() {}

    /** An answer to what is shown; null for blank. */
    static Object to(Course.Shown shown, Random random, LocalDate today) {
        Question q = shown.question().orElseThrow();
        List<Answer.Option> offered = shown.offered();
        return switch (q.answer()) {
            case Answer.YesNo y -> random.nextInt(100) < (q.code().equals("alive") ? 90 : q.code().startsWith("home_") ? 85 : 40);
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
            case Answer.Text t -> text(q.code(), t, random);
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

    private static Object text(String code, Answer.Text t, Random random) {
        List<String> known = TEXTS.get(code);
        String text = known != null ? pick(known, random) : random.nextInt(3) == 0 ? "It sat very still." : null;
        return text != null && t.most() != null && text.length() > t.most() ? text.substring(0, t.most()) : text;
    }
}
