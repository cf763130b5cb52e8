package orthogon.core.proof.space;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.questionnaire.Question;

/** Finds the cell in which a value lies: the one whose stand-in gives every expression about the answer alone the same value. */
record CellSearch(Bits bits, Features features, Diagrams diagrams, LocalDate today) {

    /** The states of the cell; none where the question's limits do not allow the value. A blank value has a cell of its own. */
    int of(Axis axis, Object value) {
        Question question = axis.question();
        boolean each = axis.isMany() || question == null && !bits.allowed(axis.code()).isEmpty()
                || question != null && Domains.isEachAClass(question.answer().domain());
        if (value == null || each) {
            return axis.value(value instanceof List<?> l && l.isEmpty() ? null : value);
        }
        if (question != null && !Domains.isWithinLimits(question.answer().domain(), value, today)) {
            return Diagrams.NONE;
        }
        List<Object> signature = signature(axis, value);
        for (int c = 1; c < axis.cells().size(); c++) {
            diagrams.goOn();
            if (signature(axis, axis.cells().get(c)).equals(signature)) {
                return axis.cell(c);
            }
        }
        return Diagrams.NONE;
    }

    private List<Object> signature(Axis axis, Object value) {
        List<Object> signature = new ArrayList<>();
        for (Expr feature : features.of(axis.code())) {
            if (!features.isInexact(feature)) {
                signature.add(Guarded.key(Evaluator.value(feature, new Alone(axis.code(), value, axis.question(), today))));
            }
        }
        return signature;
    }
}
