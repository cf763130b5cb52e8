package orthogon.core.responses;

/**
 * How many took a route.
 *
 * @param release number under which the release is kept
 */
public record CountedRoute(long release, TakenRoute route, int count) {}
