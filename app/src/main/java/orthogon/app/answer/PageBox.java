package orthogon.app.answer;

import java.util.List;

/** One box of an answer with several: a part of a name, a place of a ranking. */
public record PageBox(String name, String label, String value, String autocomplete, List<OfferedChoice> choices) {}
