package orthogon.core.edit;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What a condition means that is not written as the expression language has it: {@code member = yes}, {@code tool is saw}, {@code not x}.
 * It is taken for what it means only where it can mean one thing.
 */
public final class Meant {

    /** Each of these may be what is not as it should be; they are tried in all combinations. */
    private static final List<UnaryOperator<String>> SPELLINGS = List.of(
            s -> s.replace('“', '"').replace('”', '"').replace('\'', '"'),
            s -> s.replaceAll("(?i)\\bis not\\b", "!=").replaceAll("(?i)\\bis\\b", "="),
            s -> s.replace("==", "=").replace("<>", "!=").replace("&&", " and ").replace("||", " or "),
            s -> s.replaceAll("(?i)(=|!=)\\s*\"?yes\"?(?=\\s|\\)|$)", "$1 true").replaceAll("(?i)(=|!=)\\s*\"?no\"?(?=\\s|\\)|$)",
                    "$1 false"),
            s -> s.replaceAll("(?i)\\bnot\\s+([a-z][a-z0-9_]*)\\b(?!\\s*\\()", "not($1)"),
            s -> s.replaceAll("(?i)\\bAND\\b", "and").replaceAll("(?i)\\bOR\\b", "or"));
    /** A text in quotation marks; only {@code "yes"} and {@code "no"} may be meant otherwise. */
    private static final Pattern QUOTED = Pattern.compile("\"(?!(?i:yes|no)\")[^\"]*\"");
    private static final Pattern COMPARED = Pattern
            .compile("\\b([a-z][a-z0-9_]*+)\\s*+(=|!=)\\s*+(?:\"([^\"]+)\"|([A-Za-z][\\w]*(?: [\\w]+)*?)(?=\\s+(?:and|or)\\b|\\)|$))");

    /** Longer text is typed by nobody by mistake, and trying what it may mean would take long. */
    private static final int LONGEST = 400;
    /** How many new conditions of one edit are looked at; an edit with more comes from a file or a program. */
    private static final int MOST = 200;

    private Meant() {}

    /** The text in the expression language; empty where it has no fault, or where it could mean nothing or several things. */
    public static Optional<String> of(Wiring wiring, RuleFamily family, String owner, String text) {
        if (text.isBlank() || text.length() > LONGEST || wiring.checked(family, owner, text).faults().isEmpty()) {
            return Optional.empty();
        }
        Set<String> found = new LinkedHashSet<>();
        for (int some = 1; some < 1 << SPELLINGS.size() + 1; some++) {
            String candidate = text;
            for (int i = 0; i < SPELLINGS.size(); i++) {
                candidate = (some >> i & 1) == 1 ? outside(candidate, SPELLINGS.get(i)) : candidate;
            }
            candidate = some >> SPELLINGS.size() == 1 ? withOptions(wiring, candidate) : candidate;
            if (!candidate.equals(text) && wiring.checked(family, owner, candidate).faults().isEmpty()) {
                found.add(candidate.strip());
            }
        }
        Set<String> meanings = found.stream().map(c -> wiring.checked(family, owner, c).expr().map(Printer::print).orElse(""))
                .collect(Collectors.toSet());
        return meanings.size() == 1 ? Optional.of(found.iterator().next()) : Optional.empty();
    }

    /** The text with a spelling changed, but for what stands in quotation marks. */
    private static String outside(String text, UnaryOperator<String> spelling) {
        StringBuilder changed = new StringBuilder();
        Matcher quoted = QUOTED.matcher(text);
        int from = 0;
        while (quoted.find()) {
            changed.append(spelling.apply(text.substring(from, quoted.start()))).append(quoted.group());
            from = quoted.end();
        }
        return changed.append(spelling.apply(text.substring(from))).toString();
    }

    /** Options by their code or label, in quotation marks. */
    private static String withOptions(Wiring wiring, String text) {
        return COMPARED.matcher(text).replaceAll(m -> Matcher.quoteReplacement(option(wiring, m.group(1),
                m.group(3) == null ? m.group(4) : m.group(3)).map(code -> m.group(1) + " " + m.group(2) + " \"" + code + "\"")
                .orElse(m.group())));
    }

    private static Optional<String> option(Wiring wiring, String name, String said) {
        List<Option> options = wiring.document().question(name).map(Question::answer).filter(Answer::hasOwnOptions)
                .map(Answer::options).orElse(List.of());
        List<String> fitting = options.stream().filter(o -> o.code().equalsIgnoreCase(said) || o.label().equalsIgnoreCase(said))
                .map(Option::code).distinct().toList();
        boolean compared = wiring.type(name).filter(t -> t.kind() == Type.TypeKind.TEXT).isPresent();
        return fitting.size() == 1 && compared ? Optional.of(fitting.getFirst()) : Optional.empty();
    }

    /** The document with every new condition as it is meant. */
    static Questionnaire understood(Questionnaire before, Questionnaire after) {
        Map<String, String> old = Places.all(before);
        Wiring wiring = Wiring.of(after);
        Map<String, String> meant = new LinkedHashMap<>();
        wiring.wires().stream().filter(w -> !w.faults().isEmpty() && !w.text().equals(old.get(w.place()))).limit(MOST)
                .forEach(w -> of(wiring, w.family(), w.owner(), w.text()).ifPresent(text -> meant.put(w.place(), text)));
        return meant.isEmpty() ? after : Places.apply(after, (place, text) -> meant.getOrDefault(place, text));
    }
}
