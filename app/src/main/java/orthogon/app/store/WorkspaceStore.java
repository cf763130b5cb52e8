package orthogon.app.store;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.answer.file.Attachment;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.StoredAnswers;
import java.util.UUID;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.sql.DataSource;
import org.springframework.util.FileSystemUtils;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** A workspace as a whole: read and compared, copied, and opened without the web application. */
@Component
public class WorkspaceStore {

    /**
     * What was found.
     *
     * @param read what was read, with how many of each
     * @param wrong what is not as it was written, one sentence each; empty where all is well
     */
    public record CheckResult(Map<String, Long> read, List<String> wrong) {

        public boolean isWell() {
            return wrong.isEmpty();
        }

        /** In one sentence. */
        public String summary() {
            List<String> counts = read.entrySet().stream().map(e -> e.getValue() + " " + e.getKey()).toList();
            return "Read " + String.join(", ", counts) + (isWell()
                    ? ": all is as it was written."
                    : ": " + wrong.size()
                            + (wrong.size() == 1 ? " thing is wrong." : " things are wrong."));
        }
    }

    private static final int MOST_TOLD = 100;
    private static final String FILE = "copied.mv.db";

    private final JdbcClient jdbc;
    private final AuditStore audit;
    /** Whether the database is a file of this program, and not a server of its own. */
    private final boolean isFile;

    public WorkspaceStore(JdbcClient jdbc, AuditStore audit, DataSource database) {
        this.jdbc = jdbc;
        this.audit = audit;
        this.isFile = Schema.vendor(database).equals("h2");
    }

    /** Opens the database of a folder, and brings one of an older version to this one. */
    public static WorkspaceStore open(String url, Path trailKey) {
        return open(url, "sa", "", trailKey);
    }

    /** Opens a database, and brings one of an older version to this one. */
    public static WorkspaceStore open(String url, String user, String password, Path trailKey) {
        DataSource database = new DriverManagerDataSource(url, user, password);
        Schema.migrate(database);
        JdbcClient jdbc = JdbcClient.create(database);
        return new WorkspaceStore(jdbc, new AuditStore(jdbc, TrailKey.at(trailKey)), database);
    }

    /** Writes the database as it is at this moment into a file, while others use it. */
    public void copyTo(Path zip) {
        if (!isFile) {
            throw new UnsupportedOperationException("The database is on a server of its own. Back it up with the means of that server, and "
                    + "keep a copy of the key of the trail with it.");
        }
        jdbc.sql("backup to '" + zip.toString().replace("'", "''") + "'").update();
        if (isToBeCompacted()) {
            compact(zip);
        }
    }

    /** Writes the database in a copy anew, so that what was erased before does not come with it. */
    private static void compact(Path zip) {
        try {
            Path folder = Files.createTempDirectory(zip.toAbsolutePath().getParent(), "copy-");
            try {
                String name;
                try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
                    name = in.getNextEntry().getName();
                    Files.copy(in, folder.resolve(FILE));
                }
                String address = "jdbc:h2:file:" + folder.resolve(FILE.substring(0, FILE.indexOf('.')));
                JdbcClient.create(new DriverManagerDataSource(address, "sa", "")).sql("shutdown defrag").update();
                try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
                    out.putNextEntry(new ZipEntry(name));
                    Files.copy(folder.resolve(FILE), out);
                    out.closeEntry();
                }
            } finally {
                FileSystemUtils.deleteRecursively(folder);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether something was erased that may still stand in the file of the database, where nothing points to it any more. */
    private boolean isToBeCompacted() {
        return isFile
                && jdbc.sql("select count(*) from setting where name = :name and setting_value = 'yes'").param("name", ErasureStore.ERASED)
                        .query(Integer.class).single() > 0;
    }

    /**
     * Closes the database, and writes its file anew where something was erased, so that it does not stand in the file any more. A database on
     * a server of its own does so by its own means.
     *
     * @return whether the file was written anew
     */
    public boolean closeCompacted() {
        boolean compacted = isToBeCompacted();
        if (compacted) {
            jdbc.sql("update setting set setting_value = 'no' where name = :name").param("name", ErasureStore.ERASED).update();
            jdbc.sql("shutdown defrag").update();
        }
        return compacted;
    }

    /** Whether something can be written and is then kept. */
    public boolean isWritable() {
        try {
            jdbc.sql(SettingStore.MERGE).param("name", "written").param("value", UUID.randomUUID().toString()).update();
            return true;
        } catch (DataAccessException e) {
            return false;
        }
    }

    /**
     * Closes a database that cannot be written to, without writing; the next who asks for a connection opens it as after a loss of power.
     */
    public void reopen() {
        if (!isFile) {
            return;
        }
        try {
            jdbc.sql("shutdown immediately").update();
        } catch (DataAccessException e) {
            // It is closed already.
        }
    }

    /** Ends every connection, so that the file can be moved. */
    public void close() {
        if (!isFile) {
            return;
        }
        jdbc.sql("shutdown").update();
    }

    /** Reads everything and compares every digest. */
    public CheckResult check() {
        Map<String, Long> read = new LinkedHashMap<>();
        List<String> wrong = new ArrayList<>();
        revisions(read, wrong);
        Map<Long, Questionnaire> released = releases(read, wrong);
        Set<String> files = responses(read, wrong, released);
        files(read, wrong, files);
        read.put("lines of the trail", jdbc.sql("select count(*) from audit").query(Long.class).single());
        long broken = audit.firstBroken();
        if (broken > 0) {
            tell(wrong, "Line " + broken + " of the trail is missing or is not as it was written.");
        }
        return new CheckResult(read, wrong);
    }

    private static void tell(List<String> wrong, String sentence) {
        if (wrong.size() < MOST_TOLD) {
            wrong.add(sentence);
        }
    }

    private void revisions(Map<String, Long> read, List<String> wrong) {
        long[] count = new long[1];
        jdbc.sql("select q.code, r.number, r.document, r.digest from revision r join questionnaire q on q.id = r.questionnaire_id")
                .query(row -> {
                    count[0]++;
                    byte[] packed = row.getBytes("document");
                    document("Revision " + row.getInt("number") + " of " + row.getString("code"), packed, row.getString("digest"),
                            Digests.of(packed), wrong);
                });
        read.put("revisions", count[0]);
    }

    private Map<Long, Questionnaire> releases(Map<String, Long> read, List<String> wrong) {
        Map<Long, Questionnaire> released = new HashMap<>();
        long[] count = new long[1];
        jdbc.sql("select q.code, r.id, r.number, r.document, r.proof, r.digest from release r join questionnaire q "
                + "on q.id = r.questionnaire_id").query(row -> {
                    count[0]++;
                    byte[] packed = row.getBytes("document");
                    Questionnaire document = document("Release " + row.getInt("number") + " of " + row.getString("code"), packed,
                            row.getString("digest"), ReleaseStore.digest(packed, row.getString("proof")), wrong);
                    if (document != null) {
                        released.put(row.getLong("id"), document);
                    }
                });
        read.put("releases", count[0]);
        return released;
    }

    /** The document; null where it cannot be read. */
    private static Questionnaire document(String what, byte[] packed, String written, String now, List<String> wrong) {
        if (!written.isEmpty() && !written.equals(now)) {
            tell(wrong, what + " is not as it was written.");
        }
        try {
            return Packed.unpack(packed);
        } catch (RuntimeException e) {
            tell(wrong, what + " cannot be read.");
            return null;
        }
    }

    /** Returns the keys of the files that responses name. */
    private Set<String> responses(Map<String, Long> read, List<String> wrong, Map<Long, Questionnaire> released) {
        Map<String, Map<String, String>> given = new HashMap<>();
        jdbc.sql("select receipt, question, given from answer").query(row -> {
            given.computeIfAbsent(row.getString("receipt"), r -> new HashMap<>()).put(row.getString("question"), row.getString("given"));
        });
        Set<String> files = new HashSet<>();
        long[] count = new long[1];
        jdbc.sql("select receipt, interview_id, release_id, outcome, digest from response").query(row -> {
            count[0]++;
            String receipt = row.getString("receipt");
            Map<String, String> answers = given.getOrDefault(receipt, Map.of());
            String written = row.getString("digest");
            String now = Digests.ofResponse(receipt, row.getString("interview_id"), row.getLong("release_id"), row.getString("outcome"),
                    answers);
            if (!written.isEmpty() && !written.equals(now)) {
                tell(wrong, "Response " + receipt + " is not as it was sent.");
            }
            Questionnaire document = released.get(row.getLong("release_id"));
            try {
                for (String answer : document == null ? List.<String>of() : answers.values()) {
                    StoredAnswers.read(document, answer).values().forEach(value -> {
                        if (value instanceof List<?> all) {
                            all.stream().filter(Attachment.class::isInstance).forEach(f -> files.add(((Attachment) f).key()));
                        }
                    });
                }
            } catch (RuntimeException e) {
                tell(wrong, "Response " + receipt + " cannot be read.");
            }
        });
        read.put("responses", count[0]);
        return files;
    }

    private void files(Map<String, Long> read, List<String> wrong, Set<String> named) {
        Set<String> there = new HashSet<>();
        long[] count = new long[1];
        jdbc.sql("select file_key, bytes, length(content) as held from attachment").query(row -> {
            count[0]++;
            there.add(row.getString("file_key"));
            if (row.getLong("bytes") != row.getLong("held")) {
                tell(wrong, "File " + row.getString("file_key") + " is not as long as when it was given.");
            }
        });
        named.stream().filter(key -> !there.contains(key)).forEach(key -> tell(wrong, "File " + key + " of a response is missing."));
        read.put("files", count[0]);
    }
}
