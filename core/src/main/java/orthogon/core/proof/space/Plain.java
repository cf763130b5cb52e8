package orthogon.core.proof.space;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;

/** Answers of which only little is brought into the proof: whether they are there, and how many. */
final class Plain {

    private Plain() {}

    /** One value stands for all; anything said about more than whether there is one is not exact. */
    static List<Object> only(Object value, String what, List<Expr> features) throws Inexact {
        if (!features.stream().allMatch(TextPartition::isBlankness)) {
            throw new Inexact(what + " is not covered by the proof");
        }
        return List.of(value);
    }

    /** Reserved for examples, all of them. */
    static List<Object> contact(Answer.Contact contact, List<Expr> features) throws Inexact {
        return switch (contact.kind()) {
            case EMAIL -> only("wren@example.org", "the form of email addresses", features);
            case PHONE -> only("+441632960961", "the form of phone numbers", features);
            case WEB -> only("https://example.org/", "the form of web addresses", features);
        };
    }

    /** As many files as there can be. */
    static List<Object> files(Answer.FileAnswer answer, List<Expr> features) throws Inexact {
        for (Expr feature : features) {
            if (!isAboutCount(feature)) {
                throw new Inexact("what is in a file is not covered by the proof");
            }
        }
        List<Object> values = new ArrayList<>();
        List<Attachment> files = new ArrayList<>();
        String type = answer.mediaTypes().isEmpty() ? "image/jpeg" : answer.mediaTypes().getFirst().replace("*", "jpeg");
        for (int n = 1; n <= answer.most(); n++) {
            files.add(new Attachment("example-" + n, "picture-" + n + ".jpg", Math.min(1_000, answer.largest()), type));
            values.add(List.copyOf(files));
        }
        return values;
    }

    private static boolean isAboutCount(Expr expr) {
        return TextPartition.isBlankness(expr)
                || expr instanceof Call c && c.function().equals("count")
                || !(expr instanceof Name) && !(expr instanceof Quantified) && !expr.children().isEmpty()
                        && expr.children().stream().allMatch(c -> c.references().isEmpty() || isAboutCount(c));
    }
}
