package orthogon.core.responses;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * All routes that a group of responses took.
 *
 * @param routes the commonest first
 */
public record TakenRoutes(List<CountedRoute> routes) {

    public TakenRoutes {
        routes = List.copyOf(routes);
    }

    /** Those of one release. */
    public TakenRoutes of(long release) {
        return new TakenRoutes(routes.stream().filter(r -> r.release() == release).toList());
    }

    /** How many responses took any of them. */
    public int responses() {
        return routes.stream().mapToInt(CountedRoute::count).sum();
    }

    /** Code of each question, and of each roster, to how many responses were asked it; without those that nobody was asked. */
    public Map<String, Integer> asked() {
        Map<String, Integer> asked = new HashMap<>();
        routes.forEach(r -> r.route().asked().forEach(code -> asked.merge(code, r.count(), Integer::sum)));
        return asked;
    }

    /** The least number of routes that half of the responses took; 0 where there is no response. */
    public int half() {
        int all = responses();
        int covered = 0;
        int least = 0;
        for (CountedRoute route : routes) {
            if (2 * covered >= all) {
                break;
            }
            covered += route.count();
            least++;
        }
        return least;
    }
}
