package orthogon.core.interview;

/** Something typed that is no value of its question's type; kept as typed, counts as blank, and holds the page back. */
public record Unreadable(String typed) {}
