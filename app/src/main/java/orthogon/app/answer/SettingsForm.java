package orthogon.app.answer;

import java.math.BigDecimal;
import java.util.List;
import java.util.function.Function;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Refused;

/** The settings of an answer, as the inspector sends them. */
public interface SettingsForm {

    /** Empty where it is not there. */
    String text(String name);

    boolean ticked(String name);

    /** All values of a field. */
    List<String> all(String name);

    /** Words between blanks or commas. */
    List<String> words(String name);

    /** Null for none. */
    Integer whole(String name) throws Refused;

    /** Null for none. */
    BigDecimal decimal(String name) throws Refused;

    /** The value whose word was chosen; the first of all where none was. */
    <T> T chosen(String name, T[] values, Function<T, String> word);

    List<Option> options() throws Refused;

    List<GridRow> gridRows() throws Refused;
}
