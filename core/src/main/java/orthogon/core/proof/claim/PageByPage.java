package orthogon.core.proof.claim;

import java.util.List;
import java.util.function.Supplier;
import orthogon.core.expression.Wiring.Wire;

/**
 * The claims of one family. Those on a page speak of that page and of who comes to it, passes it and leaves it, so that they stand as
 * long as these are what they were.
 */
interface PageByPage {

    List<Claim> on(int page);

    /** The claims about the document as a whole, which come last. */
    default List<Claim> atEnd() {
        return List.of();
    }

    /**
     * Whether claims that were decided on a page before an edit still stand, the page being unchanged.
     *
     * @param decided by the same family in the document before the edit
     */
    default boolean stand(int page, PageByPage before, List<Claim> decided) {
        return true;
    }

    /** A family that speaks of conditions, wherever they are tried. */
    interface OfConditions extends PageByPage {

        Evaluations evaluations();

        List<Claim> about(List<Wire> conditions);

        @Override
        default List<Claim> on(int page) {
            return about(evaluations().conditions(page));
        }

        @Override
        default List<Claim> atEnd() {
            return about(evaluations().outcomeRows());
        }
    }

    /** A family that speaks of documents as a whole only. */
    static PageByPage whole(Supplier<List<Claim>> claims) {
        return new PageByPage() {
            @Override
            public List<Claim> on(int page) {
                return List.of();
            }

            @Override
            public List<Claim> atEnd() {
                return claims.get();
            }
        };
    }
}
