package orthogon.app.store;

import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.file.Attachment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Files that respondents give, each in one interview. */
@Component
public class AttachmentStore {

    private static final String INSERT = """
            insert into attachment (file_key, name, bytes, media_type, content, given_at, interview_id)
            values (:key, :name, :bytes, :type, :content, :at, :interview)
            """;
    private static final String HELD = "select count(*) as files, coalesce(sum(bytes), 0) as bytes from attachment where interview_id = :id";
    private static final String UNFINISHED = """
            select distinct a.interview_id from attachment a left join response p on p.interview_id = a.interview_id
            where a.interview_id is not null and p.receipt is null and a.given_at < :before
            """;

    /** How much an interview holds. */
    public record HeldFiles(int files, long bytes) {}

    private final JdbcClient jdbc;

    public AttachmentStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void keep(String interview, Attachment file, byte[] content) {
        jdbc.sql(INSERT).param("key", file.key()).param("name", file.name()).param("bytes", file.bytes()).param("type", file.mediaType())
                .param("content", content).param("at", OffsetDateTime.now()).param("interview", interview).update();
    }

    public HeldFiles held(String interview) {
        return jdbc.sql(HELD).param("id", interview).query((row, n) -> new HeldFiles(row.getInt("files"), row.getLong("bytes"))).single();
    }

    /** Removes all files of an interview but those with these keys. */
    public void keepOnly(String interview, Collection<String> keys) {
        if (keys.isEmpty()) {
            jdbc.sql("delete from attachment where interview_id = :id").param("id", interview).update();
        } else {
            jdbc.sql("delete from attachment where interview_id = :id and file_key not in (:keys)").param("id", interview)
                    .param("keys", keys).update();
        }
    }

    /** Interviews that were not sent and hold files from before a moment. */
    public List<String> unfinished(OffsetDateTime before) {
        return jdbc.sql(UNFINISHED).param("before", before).query(String.class).list();
    }

    /** The keys of an interview's files from before a moment. */
    public List<String> before(String interview, OffsetDateTime moment) {
        return jdbc.sql("select file_key from attachment where interview_id = :id and given_at < :before").param("id", interview)
                .param("before", moment).query(String.class).list();
    }

    public Optional<byte[]> content(String key) {
        return jdbc.sql("select content from attachment where file_key = :key").param("key", key).query(byte[].class).optional();
    }
}
