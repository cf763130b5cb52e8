package orthogon.app.command;

import java.time.Duration;
import java.time.LocalDate;
import orthogon.core.proof.diagram.Limits;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

/** What every command that proves something can be told. */
final class ProofOptions {

    @Mixin
    private DayOption day;

    @Option(names = "--seconds", paramLabel = "N", converter = AtLeastOne.class, description = "The most that a proof may take, in seconds. What that ends stays undecided.")
    private int seconds = (int) Limits.USUAL.time().toSeconds();

    @Option(names = "--memory", paramLabel = "MB", converter = AtLeastOne.class, description = "The most that a proof may use, in megabytes. What that ends stays undecided.")
    private Integer memory;

    LocalDate asOf() {
        return day.asOf();
    }

    Limits limits() {
        Duration time = Duration.ofSeconds(seconds);
        return memory == null ? new Limits(Limits.USUAL.nodes(), time) : Limits.of(memory, time);
    }

    /** Reads a whole number from 1 to 999,999. */
    static final class AtLeastOne implements ITypeConverter<Integer> {
        @Override
        public Integer convert(String typed) {
            if (!typed.matches("[1-9]\\d{0,5}")) {
                throw new TypeConversionException("it needs a whole number of at least 1, not \"" + typed + "\"");
            }
            return Integer.valueOf(typed);
        }
    }
}
