package orthogon.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What people note about responses. */
@Component
public class ResponseNoteStore {

    private static final String OF = "select author, text, made_at from response_note where response = :response order by id";
    private static final String INSERT = """
            insert into response_note (response, author, text, made_at) values (:response, :author, :text, :at)
            """;

    /** @param author account */
    public record ResponseNote(String author, String text, OffsetDateTime at) {}

    private final JdbcClient jdbc;

    public ResponseNoteStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param response number of the response */
    public void add(long response, String author, String text, OffsetDateTime at) {
        jdbc.sql(INSERT).param("response", response).param("author", author).param("text", text).param("at", at).update();
    }

    /** Oldest first. */
    public List<ResponseNote> of(long response) {
        return jdbc.sql(OF).param("response", response)
                .query((row, n) -> new ResponseNote(row.getString("author"), row.getString("text"), Times.at(row, "made_at"))).list();
    }
}
