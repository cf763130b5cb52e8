package orthogon.core.proof.diagram;

/**
 * What operations on diagrams came to. Each is known by three numbers: two operands, and the third or the operation. Recent results
 * overwrite one another; those that took many steps last, since a proof after a small change asks for them again.
 */
final class Results {

    private static final int STRIDE = 4;
    private static final int MOST_CACHED = 1 << 17;
    private static final int MANY_STEPS = 24;
    private static final int MOST_LASTING = 1 << 18;

    /** Four numbers a result. */
    private int[] cache = new int[STRIDE << 12];
    /** The same, searched from the slot on; empty where the operands are zero. */
    private int[] lasting = new int[STRIDE << 10];
    private int lastingUsed;
    private long steps;

    /** How many results were worked out so far. */
    long steps() {
        return steps;
    }

    /** Makes room for the results of so many nodes. */
    void grow(int nodes) {
        cache = nodes <= MOST_CACHED ? new int[nodes * STRIDE] : cache;
    }

    /** A result that took many steps; -1 where it is not known. */
    int kept(int f, int g, int h) {
        int mask = (lasting.length >> 2) - 1;
        for (int slot = hash(f, g, h) & mask;; slot = slot + 1 & mask) {
            int at = slot << 2;
            if (lasting[at] == 0 && lasting[at + 1] == 0) {
                return -1;
            }
            if (lasting[at] == f && lasting[at + 1] == g && lasting[at + 2] == h) {
                return lasting[at + 3];
            }
        }
    }

    /** Keeps what took many steps. */
    int keep(int f, int g, int h, int result, long since) {
        if (steps - since >= MANY_STEPS && lastingUsed < MOST_LASTING) {
            if (2 * lastingUsed >= lasting.length >> 2) {
                int[] old = lasting;
                lasting = new int[old.length * 2];
                for (int at = 0; at < old.length; at += STRIDE) {
                    if (old[at] != 0 || old[at + 1] != 0) {
                        put(old[at], old[at + 1], old[at + 2], old[at + 3]);
                    }
                }
            }
            put(f, g, h, result);
            lastingUsed++;
        }
        return result;
    }

    private void put(int f, int g, int h, int result) {
        int mask = (lasting.length >> 2) - 1;
        int slot = hash(f, g, h) & mask;
        while (lasting[slot << 2] != 0 || lasting[(slot << 2) + 1] != 0) {
            slot = slot + 1 & mask;
        }
        lasting[slot << 2] = f;
        lasting[(slot << 2) + 1] = g;
        lasting[(slot << 2) + 2] = h;
        lasting[(slot << 2) + 3] = result;
    }

    /** A recent result; -1 where it is not known. */
    int cached(int f, int g, int h) {
        int at = (hash(f, g, h) & (cache.length >> 2) - 1) << 2;
        return cache[at] == f && cache[at + 1] == g && cache[at + 2] == h ? cache[at + 3] : -1;
    }

    int cache(int f, int g, int h, int result) {
        steps++;
        int at = (hash(f, g, h) & (cache.length >> 2) - 1) << 2;
        cache[at] = f;
        cache[at + 1] = g;
        cache[at + 2] = h;
        cache[at + 3] = result;
        return result;
    }

    /** Three numbers mixed well. */
    static int hash(int a, int b, int c) {
        int h = a * 0x9E3779B1 + b * 0x85EBCA6B + c * 0xC2B2AE35;
        return h ^ h >>> 15;
    }
}
