package orthogon.app.store;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Stretch;
import orthogon.core.language.Translated;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Releases: numbered, immutable, each with the link that respondents use. */
@Component
public class ReleaseStore {

    private static final String SELECT = """
            select id, questionnaire_id, number, revision, document, notes, author, made_at, token, languages, waived, signed_by from release
            """;
    private static final String INSERT = """
            insert into release (questionnaire_id, number, revision, document, proof, notes, author, made_at, token, languages, waived,
                signed_by, digest)
            values (:questionnaire, :number, :revision, :document, :proof, :notes, :author, :at, :token, :languages, :waived, :signed,
                :digest)
            """;

    /**
     * @param languages that it is given out in, the source language first
     * @param waived waivers that it was released with, each in a sentence
     * @param signedBy user who signed; empty where nobody had to
     * @param readings the document in each language, made when it is first read
     */
    public record Release(long id, long questionnaireId, int number, int revision, Wiring wiring, String notes, String author,
            OffsetDateTime at, String token, List<String> languages, List<String> waived, String signedBy,
            ConcurrentHashMap<String, Wiring> readings) {

        public Questionnaire document() {
            return wiring.document();
        }

        /** The document as it reads in a language; in the source language where it is not given out in that one. */
        public Wiring wiring(String language) {
            boolean given = languages.contains(language) || language.equals(Stretch.TAG);
            return !given || language.equals(document().sourceLanguage())
                    ? wiring
                    : readings.computeIfAbsent(language, l -> Wiring.of(Translated.into(document(), l)));
        }

        /** The language to begin in: the one that the browser wants most among those given out. */
        public String best(List<Locale.LanguageRange> wanted) {
            String found = wanted.isEmpty() ? null : Locale.lookupTag(wanted, languages);
            return found == null ? document().sourceLanguage() : found;
        }
    }

    /** What is said of a release when it is made. */
    public record Made(String proof, String notes, String author, List<String> languages, List<String> waived, String signedBy,
            OffsetDateTime at) {}

    private final JdbcClient jdbc;
    private final SecureRandom random = new SecureRandom();

    public ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private static Release release(ResultSet row, int n) throws SQLException {
        Wiring wiring = Wiring.of(Packed.unpack(row.getBytes("document")));
        List<String> languages = new ArrayList<>(List.of(wiring.document().sourceLanguage()));
        lines(row.getString("languages"), ",").stream().filter(l -> !languages.contains(l)).forEach(languages::add);
        return new Release(row.getLong("id"), row.getLong("questionnaire_id"), row.getInt("number"), row.getInt("revision"),
                wiring, row.getString("notes"), row.getString("author"),
                Times.at(row, "made_at"), row.getString("token"), List.copyOf(languages),
                lines(row.getString("waived"), "\n"), row.getString("signed_by"), new ConcurrentHashMap<>());
    }

    private static List<String> lines(String text, String by) {
        return text.isEmpty() ? List.of() : List.of(text.split(by));
    }

    /** The releases of a questionnaire, the newest first. */
    List<Long> ids(long questionnaireId) {
        return jdbc.sql("select id from release where questionnaire_id = :id order by number desc").param("id", questionnaireId)
                .query(Long.class).list();
    }

    /** The release that a link belongs to. */
    Optional<Long> idOf(String token) {
        return jdbc.sql("select id from release where token = :token").param("token", token).query(Long.class).optional();
    }

    Release get(long id) {
        return jdbc.sql(SELECT + " where id = :id").param("id", id).query(ReleaseStore::release).single();
    }

    /** Whether a release takes respondents. */
    public enum ReleaseState {
        OPEN, CLOSED, WITHDRAWN;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param message for respondents; may be empty */
    public record Availability(ReleaseState state, String message) {}

    /** How a release stands now; all else about it never changes. */
    public Availability standing(long id) {
        return jdbc.sql("select state, message from release where id = :id").param("id", id).query((row, n) -> new Availability(
                ReleaseState.valueOf(row.getString("state").toUpperCase(Locale.ROOT)), row.getString("message"))).single();
    }

    public void stand(long id, ReleaseState state, String message) {
        jdbc.sql("update release set state = :state, message = :message where id = :id").param("state", state.word())
                .param("message", message).param("id", id).update();
    }

    /** The proof report that opened the gate, as JSON. */
    public String proof(long id) {
        return jdbc.sql("select proof from release where id = :id").param("id", id).query(String.class).single();
    }

    /** The digest of what a release is. */
    static String digest(byte[] packed, String proof) {
        return Digests.of(packed, proof.getBytes(StandardCharsets.UTF_8));
    }

    @Transactional
    public Release create(DraftStore.Draft draft, Made made) {
        byte[] packed = Packed.pack(draft.document());
        int number = 1 + jdbc.sql("select coalesce(max(number), 0) from release where questionnaire_id = :id").param("id", draft.id())
                .query(Integer.class).single();
        jdbc.sql(INSERT).param("questionnaire", draft.id()).param("number", number).param("revision", draft.revision())
                .param("document", packed).param("digest", digest(packed, made.proof())).param("proof", made.proof())
                .param("notes", made.notes())
                .param("author", made.author()).param("languages", String.join(",", made.languages()))
                .param("waived", String.join("\n", made.waived())).param("signed", made.signedBy())
                .param("at", made.at()).param("token", token(draft.code())).update();
        return get(ids(draft.id()).getFirst());
    }

    /** Readable words of the questionnaire's code, and enough chance that nobody guesses it. */
    private String token(String code) {
        return code.replace('_', '-') + "-" + Long.toString(random.nextLong(1L << 40, 1L << 41), 36);
    }
}
