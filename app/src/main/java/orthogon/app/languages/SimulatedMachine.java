package orthogon.app.languages;

import java.util.stream.Collectors;
import orthogon.core.language.Marks;
import org.springframework.stereotype.Component;

/** Stands in for a translation service: it translates nothing, but marks every run of words as still to be translated. */
@Component
class SimulatedMachine implements Machine {

    @Override
    public String name() {
        return "simulated service, no real translation";
    }

    @Override
    public String draft(String text, String from, String to) {
        return text.indexOf('{') >= 0 || text.isBlank()
                ? text
                : "‹" + to + "?› " + Marks.pieces(text).stream().map(Marks.Piece::text).collect(Collectors.joining());
    }
}
