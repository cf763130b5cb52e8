package orthogon.app.command;

import java.time.DateTimeException;
import java.time.LocalDate;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

/** The day that a command takes for the current one. */
final class DayOption {

    @Option(names = "--as-of", paramLabel = "DATE", converter = Day.class, description = "What today() means, as 2026-11-30. The current day if it is left out.")
    private LocalDate asOf = LocalDate.now();

    LocalDate asOf() {
        return asOf;
    }

    /** Reads a day of ISO 8601. */
    private static final class Day implements ITypeConverter<LocalDate> {
        @Override
        public LocalDate convert(String typed) {
            try {
                return LocalDate.parse(typed);
            } catch (DateTimeException e) {
                throw new TypeConversionException("\"" + typed + "\" is not a date; write it like 2026-11-30");
            }
        }
    }
}
