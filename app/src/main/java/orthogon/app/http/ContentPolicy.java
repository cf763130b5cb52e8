package orthogon.app.http;

/** What pages may load, send to and be part of. */
public final class ContentPolicy {

    private static final String POLICY = "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; "
            + "form-action 'self'; base-uri 'self'; object-src 'none'; frame-ancestors ";

    /** Only pages of this server show them in a frame. */
    public static final String OWN = POLICY + "'self'";
    /** Any page may show them in a frame. */
    public static final String EMBEDDED = POLICY + "*";

    private ContentPolicy() {}
}
