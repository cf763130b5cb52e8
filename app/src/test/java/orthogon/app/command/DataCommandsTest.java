package orthogon.app.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipInputStream;
import orthogon.app.store.DraftStore;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WorkspaceStore.CheckResult;
import orthogon.core.questionnaire.EveryType;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** Backup, restore and check, also of a workspace that an earlier version wrote; and what keeps a server from starting. */
class DataCommandsTest {

    @TempDir
    Path folder;

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String... args) {
        out.reset();
        err.reset();
        return new Commands(new PrintStream(out), new PrintStream(err)).run(args);
    }

    private String out() {
        return out.toString(StandardCharsets.UTF_8);
    }

    private String err() {
        return err.toString(StandardCharsets.UTF_8);
    }

    /** The demo data with a release, 40 responses and an interview that is not finished, as the version before there were people wrote it. */
    private Path earlier() throws IOException {
        Path data = Files.createDirectories(folder.resolve("earlier"));
        try (InputStream file = getClass().getResourceAsStream("/orthogon/app/upgrade/before_people.zip");
                ZipInputStream zip = new ZipInputStream(file)) {
            zip.getNextEntry();
            Files.copy(zip, data.resolve("orthogon.mv.db"));
        }
        return data;
    }

    private static JdbcClient database(Path data) {
        JdbcDataSource database = new JdbcDataSource();
        database.setUrl(new DataFolder(data).url());
        database.setUser("sa");
        return JdbcClient.create(database);
    }

    private static void sql(Path data, String sql) throws DataFolder.Unusable {
        new DataFolder(data).open().close();
        database(data).sql(sql).update();
    }

    @Test
    void aWorkspaceOfAnEarlierVersionIsBroughtToThisOne() throws Exception {
        Path data = earlier();
        assertEquals(0, run("check", "--data", data.toString()), out() + err());
        assertTrue(out().startsWith("Read 3 revisions, 1 releases, 40 responses"), out());
        JdbcClient jdbc = database(data);
        assertEquals(1, jdbc.sql("select count(*) from interview i left join response p on p.interview_id = i.id "
                + "where p.receipt is null and i.updated_at = (select max(updated_at) from interview)").query(Integer.class).single());
        assertEquals(0, jdbc.sql("select count(*) from person").query(Integer.class).single(), "nobody has a password that is known");
    }

    @Test
    void aDatabaseThatDoesNotStandInTheFolderIsCheckedAtItsAddress() throws Exception {
        Path data = Files.createDirectories(folder.resolve("apart"));
        String address = TestDatabase.POSTGRESQL.address();
        String user = TestDatabase.POSTGRESQL.user();
        String[] check = {"check", "--data", data.toString(), "--database", address, "--database-user", user};
        assertEquals(0, run(check), this::err);
        assertTrue(out().startsWith("Read 0 revisions"), this::out);
        new DraftStore(JdbcClient.create(new DriverManagerDataSource(address, user, ""))).create(EveryType.document(), "ines", "began");
        assertEquals(0, run(check), this::err);
        JdbcClient.create(new DriverManagerDataSource(address, user, "")).sql("update revision set digest = 'another'").update();
        assertEquals(1, run(check));
        assertTrue(err().contains("Revision 1"), this::err);
        assertEquals(2, run("check", "--data", data.toString(), "--database", "jdbc:postgresql://localhost:1/none"));
        assertTrue(err().contains("cannot be opened. Look whether it runs"), this::err);
    }

    @Test
    void aBackupIsBroughtBackAsItWas() throws Exception {
        Path data = earlier();
        assertEquals(0, run("check", "--data", data.toString()), err());
        Path file = folder.resolve("kept").resolve("monday.zip");
        assertEquals(0, run("backup", file.toString(), "--data", data.toString()), err());
        assertEquals(2, run("backup", file.toString(), "--data", data.toString()), "no file is written over");
        Path back = folder.resolve("back");
        assertEquals(0, run("restore", file.toString(), "--data", back.toString()), err());
        assertTrue(out().contains("40 responses") && out().contains("all is as it was written"), out());
        assertEquals(Files.readString(data.resolve(TrailKey.FILE)), Files.readString(back.resolve(TrailKey.FILE)));
        assertEquals(2, run("restore", file.toString(), "--data", back.toString()));
        assertTrue(err().contains("is not empty"), err());
        assertEquals(0, run("check", "--data", back.toString()), err());
    }

    @Test
    void theKeyOfTheTrailMayStandOutsideOfTheFolder() throws Exception {
        Path data = earlier();
        sql(data, "update revision set number = number");
        Path key = Files.move(data.resolve(TrailKey.FILE), folder.resolve("elsewhere.key"));
        String file = folder.resolve("kept.zip").toString();
        assertEquals(0, run("backup", file, "--data", data.toString(), "--trail-key", key.toString()), this::err);
        assertFalse(Files.exists(data.resolve(TrailKey.FILE)), "no other key is made");
        Path back = folder.resolve("back");
        assertEquals(0, run("restore", file, "--data", back.toString()), this::err);
        assertEquals(Files.readString(key), Files.readString(back.resolve(TrailKey.FILE)));
        assertEquals(0, run("check", "--data", data.toString(), "--trail-key", key.toString()), this::err);
    }

    @Test
    void whatIsNoBackupOrDamagedIsSaidInOneSentence() throws IOException {
        Path none = Files.writeString(folder.resolve("none.zip"), "no zip at all");
        assertEquals(2, run("restore", none.toString(), "--data", folder.resolve("a").toString()));
        assertEquals(1, err().lines().count(), err());
        assertEquals(2, run("restore", folder.resolve("missing.zip").toString(), "--data", folder.resolve("b").toString()));
        assertEquals(1, err().lines().count(), err());
        assertEquals(2, run("check", "--data", folder.resolve("nowhere").toString()));
        assertTrue(err().contains("There is no workspace in"), err());
    }

    @Test
    void whatWasChangedBehindOrthogonsBackIsFound() throws Exception {
        Path data = earlier();
        sql(data, "update revision set digest = 'another' where number = 1 and questionnaire_id = 1");
        sql(data, "update audit set did = 'nothing' where id = 1");
        sql(data, "update response set digest = 'another' where receipt = (select max(receipt) from response)");
        assertEquals(1, run("check", "--data", data.toString()));
        assertTrue(err().contains("Revision 1 of bat_count is not as it was written."), err());
        assertTrue(err().contains("Line 1 of the trail"), err());
        assertTrue(err().contains("is not as it was sent."), err());
        assertEquals(3, err().lines().count(), err());
    }

    @Test
    void aBackupOfDamagedDataIsNotMade() throws Exception {
        Path data = earlier();
        sql(data, "update release set digest = 'another'");
        Path file = folder.resolve("damaged.zip");
        assertEquals(2, run("backup", file.toString(), "--data", data.toString()));
        assertTrue(err().contains("Release 1 of found_animal is not as it was written."), err());
        assertFalse(Files.exists(file));
    }

    @Test
    void whatKeepsAServerFromStartingIsSaidInOneSentence() throws IOException {
        PrintStream to = new PrintStream(err);
        assertFalse(Serve.isPossible(new String[]{"--orthogon.data=" + folder.resolve("c"), "--orthogon.port=seven"}, to));
        assertEquals(1, err().lines().count(), err());
        try (ServerSocket taken = new ServerSocket(0)) {
            err.reset();
            assertFalse(Serve.isPossible(
                    new String[]{"--orthogon.data=" + folder.resolve("d"), "--orthogon.port=" + taken.getLocalPort()}, to));
            assertTrue(err().contains("Port " + taken.getLocalPort() + " is taken"), err());
        }
        Path file = Files.writeString(folder.resolve("a_file"), "");
        err.reset();
        assertFalse(Serve.isPossible(new String[]{"--orthogon.data=" + file}, to));
        assertEquals(1, err().lines().count(), err());
        err.reset();
        assertFalse(Serve.isPossible(new String[]{"--orthogon.data=" + folder.resolve("e"), "--orthogon.port=0",
                "--orthogon.database=jdbc:postgresql://localhost:1/none"}, to));
        assertEquals(1, err().lines().count(), err());
        assertTrue(err().contains("jdbc:postgresql://localhost:1/none cannot be opened"), err());
        assertTrue(Serve.isPossible(new String[]{"--orthogon.data=" + folder.resolve("f"), "--orthogon.port=0",
                "--orthogon.database=" + TestDatabase.POSTGRESQL.address(),
                "--orthogon.database-user=" + TestDatabase.POSTGRESQL.user()}, to));
    }

    /** In a program of its own, since a lock is held by a program as a whole. */
    private Process another(String... args) throws IOException {
        List<String> call = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-cp",
                System.getProperty("java.class.path"), "orthogon.app.Orthogon"));
        call.addAll(List.of(args));
        return new ProcessBuilder(call).redirectErrorStream(true).start();
    }

    @Test
    void aFolderStaysTakenHoweverLongTheProgramRuns() throws Exception {
        Path data = folder.resolve("taken");
        new DataFolder(data).take();
        for (int n = 0; n < 5; n++) {
            System.gc();
            Thread.sleep(20);
        }
        Process other = another("serve", "--orthogon.data=" + data, "--orthogon.port=0");
        String said = new String(other.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertEquals(1, other.waitFor(), said);
        assertEquals("Another Orthogon uses the folder " + data + ". Stop it, or choose another folder with --orthogon.data.",
                said.strip());
    }

    @Test
    void aDatabaseThatAnotherProgramHasIsSaidInOneSentence() throws Exception {
        Path data = earlier();
        try (Connection open = DriverManager.getConnection(new DataFolder(data).url(), "sa", "")) {
            Process other = another("check", "--data", data.toString());
            String said = new String(other.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertEquals(2, other.waitFor(), said);
            assertEquals("The database in " + data + " cannot be opened. It is damaged, or another program uses it.", said.strip());
            assertFalse(open.isClosed());
        }
    }

    @Test
    void foundSaysHowMuchIsWrong() {
        assertEquals("Read 2 files: 1 thing is wrong.", new CheckResult(java.util.Map.of("files", 2L), java.util.List.of("x")).summary());
    }

    @Test
    void aFolderMayBeNamedFromWhereOneStands() {
        assertEquals(List.of("--orthogon.data=" + Path.of("there").toAbsolutePath(), "--orthogon.demo=true", "--orthogon.port=1"),
                List.of(Serve.settings(new String[]{"serve", "--orthogon.demo=true", "--orthogon.data=./there", "--orthogon.port=1"})));
    }
}
