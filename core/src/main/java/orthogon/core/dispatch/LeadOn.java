package orthogon.core.dispatch;

import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Questionnaire.Outcome;

/** Where a respondent is led on to behind the closing page. */
public final class LeadOn {

    private LeadOn() {}

    /**
     * The address of an outcome with the answers that it takes as parameters: options by their codes, yes and no as {@code true} and
     * {@code false}, dates and times as in ISO 8601. A blank answer is left out. Empty where the outcome leads nowhere.
     *
     * @param interview complete
     */
    public static Optional<String> address(Interview interview, Outcome outcome) {
        if (!outcome.leadsOn()) {
            return Optional.empty();
        }
        Map<String, Object> sent = interview.sent();
        String parameters = outcome.carries().entrySet().stream().filter(e -> sent.get(e.getValue()) != null)
                .map(e -> encoded(e.getKey()) + "=" + encoded(said(sent.get(e.getValue())))).collect(Collectors.joining("&"));
        String address = outcome.redirect();
        int fragment = address.indexOf('#');
        String head = fragment < 0 ? address : address.substring(0, fragment);
        String joint = parameters.isEmpty() ? "" : head.indexOf('?') < 0 ? "?" : "&";
        return Optional.of(head + joint + parameters + (fragment < 0 ? "" : address.substring(fragment)));
    }

    private static String said(Object value) {
        return switch (value) {
            case BigDecimal number -> number.stripTrailingZeros().toPlainString();
            case Collection<?> many -> many.stream().map(LeadOn::said).collect(Collectors.joining(","));
            default -> value.toString();
        };
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
