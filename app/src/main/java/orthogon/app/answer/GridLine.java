package orthogon.app.answer;

import java.util.List;

/** One row of a grid. */
public record GridLine(String name, String label, List<OfferedChoice> choices) {}
