package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.answer.file.Attachment;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.proof.message.Message;
import java.util.ArrayList;
import java.util.List;

/** Answers of which only little is brought into the proof: whether they are there, and how many. */
final class OpaqueDomains {

    private OpaqueDomains() {}

    /** One value stands for all; anything said about more than whether there is one is not exact. */
    static List<Object> only(Object value, String what, List<Expr> features) throws Inexact {
        if (!features.stream().allMatch(TextPartition::isBlankness)) {
            throw new Inexact(Message.of("inexact.opaque").text("what", what));
        }
        return List.of(value);
    }

    /** As many files as there can be. */
    static List<Object> files(Domain.Files answer, List<Expr> features) throws Inexact {
        for (Expr feature : features) {
            if (!isAboutCount(feature)) {
                throw new Inexact(Message.of("inexact.in-file"));
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
