package orthogon.app.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.apache.tika.Tika;
import orthogon.core.questionnaire.Attachment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

/** Files that respondents give. What kind a file is of is told by its content, whatever its name says. */
@Component
public class AttachmentStore {

    private static final String INSERT = """
            insert into attachment (file_key, name, bytes, media_type, content, given_at) values (:key, :name, :bytes, :type, :content, :at)
            """;

    private final JdbcClient jdbc;
    private final Tika tika = new Tika();

    public AttachmentStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Attachment keep(MultipartFile file) {
        try {
            byte[] content = file.getBytes();
            String given = Optional.ofNullable(file.getOriginalFilename()).orElse("").replaceAll("[\\p{Cntrl}/\\\\]", "");
            String name = given.isBlank() ? "file" : given.length() > 200 ? given.substring(given.length() - 200) : given;
            Attachment kept = new Attachment(RandomNames.hex(16), name, content.length, tika.detect(content));
            jdbc.sql(INSERT).param("key", kept.key()).param("name", kept.name()).param("bytes", kept.bytes())
                    .param("type", kept.mediaType()).param("content", content).param("at", OffsetDateTime.now()).update();
            return kept;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Optional<byte[]> content(String key) {
        return jdbc.sql("select content from attachment where file_key = :key").param("key", key).query(byte[].class).optional();
    }
}
