package orthogon.core.answer.lookup;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.stream.Stream;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;

/**
 * A record: a response of another questionnaire, with those of its answers that are shown. A value holds the receipt of the record as the
 * part {@link Domain.OneRecord#RECEIPT}, and the shown answers by their codes.
 *
 * @param questionnaire code of the other questionnaire
 * @param release number of its release from which the shown answers were taken over; 0 before any was
 * @param shows what is shown of each record, and nothing else of it; none until some are ticked
 * @param everyRecord a condition over {@code record} that holds for whatever the respondents of that release can give; records for which it
 *            does not hold are not on offer; {@code true} where they can give anything of those types; empty where nothing is known of that
 * @param offerWhen a condition over {@code record} and the answers before; empty where every record is on offer
 * @param order code of the shown answer that records are listed by; empty for the newest first
 * @param mayAdd whether a respondent may add a record
 */
public record LookupAnswer(String questionnaire, int release, List<RecordAnswer> shows, String everyRecord, String offerWhen, String order,
        boolean mayAdd) implements Answer {

    public static final int MOST_RELEASE = 100_000;
    /** Most answers that are shown of a record. */
    public static final int MOST_SHOWN = 20;
    private static final String LABEL = ".label";
    private static final String GIVEN = "given";
    private static final String FAMILY = "family";

    public LookupAnswer {
        shows = List.copyOf(shows);
        AnswerFault.unlessBetween(release, 0, MOST_RELEASE, "release", "releases go");
        AnswerFault.unlessBetween(shows.size(), 0, MOST_SHOWN, "shows", "the number of shown answers goes");
        Set<String> codes = new HashSet<>();
        for (RecordAnswer shown : shows) {
            if (!codes.add(shown.code())) {
                throw new AnswerFault("shows", "\"" + shown.code() + "\" is shown twice");
            }
        }
        if (!order.isEmpty() && !codes.contains(order)) {
            throw new AnswerFault("order", "\"" + order + "\" is not among the answers that are shown");
        }
    }

    /** A lookup of which nothing is settled but where it looks. */
    public static LookupAnswer in(String questionnaire) {
        return new LookupAnswer(questionnaire, 0, List.of(), "", "", "", false);
    }

    public LookupAnswer withShows(int release, List<RecordAnswer> shows, String everyRecord) {
        return new LookupAnswer(questionnaire, release, shows, everyRecord, offerWhen,
                shows.stream().anyMatch(s -> s.code().equals(order)) ? order : "", mayAdd);
    }

    /**
     * Under which names the values stand by which records are listed: parts of a person's name as {@code name.family}, which comes first.
     * None where the newest record comes first.
     */
    public List<String> listedBy() {
        return shown(order).map(shown -> shown.answer().domain() instanceof Domain.TextParts parts
                ? Stream.concat(Stream.of(FAMILY).filter(parts.parts()::contains), parts.parts().stream()).distinct()
                        .map(p -> shown.code() + "." + p).toList()
                : List.of(shown.code())).orElse(List.of());
    }

    public Optional<RecordAnswer> shown(String code) {
        return shows.stream().filter(s -> s.code().equals(code)).findFirst();
    }

    /**
     * The answers with which somebody begins who adds a record that was looked for in vain: the first shown answer that is a text, or a
     * person's name, whose last parts become the family name. Nothing where no shown answer takes these words.
     *
     * @param typed what was looked for
     */
    public Map<String, Object> begunWith(String typed) {
        List<String> words = Arrays.stream(typed.strip().split("\\s+")).filter(w -> !w.isEmpty()).toList();
        return words.isEmpty()
                ? Map.of()
                : shows.stream().<Map<String, Object>>map(s -> begunWith(s, words)).filter(m -> !m.isEmpty()).findFirst().orElse(Map.of());
    }

    private static Map<String, Object> begunWith(RecordAnswer shown, List<String> words) {
        return switch (shown.answer().domain()) {
            case Domain.FreeTexts t -> Map.of(shown.code(), String.join(" ", words));
            case Domain.TextParts p when p.parts().containsAll(List.of(GIVEN, FAMILY)) -> Map.of(shown.code(), words.size() == 1
                    ? Map.of(GIVEN, words.getFirst())
                    : Map.of(GIVEN, words.getFirst(), FAMILY, String.join(" ", words.subList(1, words.size()))));
            default -> Map.of();
        };
    }

    /**
     * A response to the other questionnaire as a record: what is shown of it, and nothing else. Empty where an answer of it is none that
     * the shown answers can be, as of a release with other options.
     *
     * @param answers of the response, as they were sent
     */
    public Optional<Map<String, Object>> recordOf(String receipt, Map<String, Object> answers) {
        Map<String, Object> given = new LinkedHashMap<>();
        given.put(Domain.OneRecord.RECEIPT, receipt);
        for (RecordAnswer shown : shows) {
            Object value = answers.get(shown.code());
            if (value != null) {
                Object counts = shown.answer().counting(value, new OnOffer(shown.answer().options(), List.of()));
                if (!value.equals(counts)) {
                    return Optional.empty();
                }
                given.put(shown.code(), value);
            }
        }
        return Optional.of(given);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.LOOKUP;
    }

    @Override
    public Domain domain() {
        Map<String, Domain> domains = new LinkedHashMap<>();
        shows.forEach(s -> domains.put(s.code(), s.answer().domain()));
        return new Domain.OneRecord(domains);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new LookupAnswer(questionnaire, release, shows.stream().map(s -> withTexts(s, change)).toList(), everyRecord, offerWhen,
                order, mayAdd);
    }

    private static RecordAnswer withTexts(RecordAnswer shown, BinaryOperator<String> change) {
        Answer own = shown.answer().withTexts((name, text) -> change.apply(shown.code() + "." + name, text));
        List<Option> options = own.hasOwnOptions() ? own.options() : List.of();
        Answer answer = options.isEmpty()
                ? own
                : own.withOptions(options.stream()
                        .map(o -> o.withLabel(change.apply(shown.code() + "." + o.code() + LABEL, o.label()))).toList());
        return new RecordAnswer(shown.code(), change.apply(shown.code() + LABEL, shown.label()), answer);
    }

    @Override
    public Answer withExpressions(BinaryOperator<String> change) {
        return new LookupAnswer(questionnaire, release, shows, change.apply("everyRecord", everyRecord),
                change.apply("offerWhen", offerWhen), order, mayAdd);
    }

    @Override
    public boolean isLike(Answer other) {
        return other instanceof LookupAnswer l && l.questionnaire.equals(questionnaire);
    }

    /** The record as far as what is shown of it is of the types that are shown. */
    @Override
    public Object counting(Object raw, OnOffer offer) {
        if (!(raw instanceof Map<?, ?> given && given.get(Domain.OneRecord.RECEIPT) instanceof String receipt)) {
            return null;
        }
        Map<String, Object> known = new LinkedHashMap<>();
        known.put(Domain.OneRecord.RECEIPT, receipt);
        for (RecordAnswer shown : shows) {
            Object value = shown.answer().counting(given.get(shown.code()), new OnOffer(shown.answer().options(), List.of()));
            if (value != null) {
                known.put(shown.code(), value);
            }
        }
        return Collections.unmodifiableMap(known);
    }

    /** A record of which something lies outside the limits that the shown answers have here is refused. */
    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof Map<?, ?> given)) {
            return AnswerRefusal.of("choose");
        }
        boolean fits = shows.stream()
                .noneMatch(s -> given.get(s.code()) != null && s.answer().refusal(given.get(s.code()), today).isPresent());
        return fits ? Optional.empty() : AnswerRefusal.of("choose");
    }
}
