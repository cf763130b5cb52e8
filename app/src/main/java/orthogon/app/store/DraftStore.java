package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Drafts and their revisions. A revision is written once and stays. */
@Component
public class DraftStore {

    private static final String HEADS = """
            select q.id, q.code, r.number, r.document, r.command, r.author, r.made_at, r.undo_to, r.redo_to
            from questionnaire q join revision r on r.questionnaire_id = q.id
            where r.number = (select max(number) from revision where questionnaire_id = q.id)
            """;
    private static final String ARCHIVED = "select code from questionnaire where archived";
    /** What hangs on a questionnaire, the last first. */
    private static final List<String> REMOVALS = List.of(
            "delete from follow_up where release_id in (select id from release where questionnaire_id = :id)"
                    + " or interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from message where interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from answer where receipt in (select p.receipt from response p join release r on r.id = p.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from response_note where response in (select number from response where questionnaire_id = :id)",
            "delete from response_words where questionnaire_id = :id",
            "delete from response_open_words where questionnaire_id = :id", "delete from response_tally where questionnaire_id = :id",
            "delete from answer_value where questionnaire_id = :id",
            "delete from record_word where questionnaire_id = :id",
            "delete from record_choice where response in (select number from response where questionnaire_id = :id)",
            "delete from record_adding where interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id) or for_interview in (select i.id from interview i join release r "
                    + "on r.id = i.release_id where r.questionnaire_id = :id)",
            "delete from retention where questionnaire_id = :id", "delete from list_gone where questionnaire_id = :id",
            "delete from list_version where questionnaire_id = :id",
            "delete from response_view where questionnaire_id = :id",
            "delete from answer_refusal where release_id in (select id from release where questionnaire_id = :id)",
            "delete from answer_route where release_id in (select id from release where questionnaire_id = :id)",
            "delete from response where release_id in (select id from release where questionnaire_id = :id)",
            "delete from invitation where questionnaire_id = :id",
            "delete from way_back where interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from page_visit where interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from attachment where interview_id in (select i.id from interview i join release r on r.id = i.release_id "
                    + "where r.questionnaire_id = :id)",
            "delete from interview where release_id in (select id from release where questionnaire_id = :id)",
            "delete from release where questionnaire_id = :id", "delete from drill where questionnaire_id = :id",
            "delete from waiver where questionnaire_id = :id", "delete from offer where questionnaire_id = :id",
            "delete from sign_off where questionnaire_id = :id", "delete from remark where questionnaire_id = :id",
            "delete from person_role where questionnaire_id = :id", "delete from revision where questionnaire_id = :id",
            "delete from questionnaire where id = :id");
    private static final String NEWEST = """
            select q.id, max(r.number) as number from questionnaire q join revision r on r.questionnaire_id = q.id
            where q.code = :code group by q.id
            """;
    private static final String HISTORY = """
            select number, command, author, made_at from revision where questionnaire_id = :id order by number desc limit :most
            """;
    private static final String ONE = """
            select q.id, q.code, r.number, r.document, r.command, r.author, r.made_at, r.undo_to, r.redo_to
            from questionnaire q join revision r on r.questionnaire_id = q.id
            where q.id = :id and r.number = :number
            """;
    private static final String INSERT = """
            insert into revision (questionnaire_id, number, document, command, author, made_at, undo_to, redo_to, digest)
            values (:id, :number, :document, :command, :author, :at, :undo, :redo, :digest)
            """;

    /**
     * A questionnaire at one of its revisions.
     *
     * @param undoTo revision whose document undo brings back; empty where there is nothing to undo
     * @param redoTo revision whose document redo brings back
     */
    public record Draft(long id, String code, int revision, Questionnaire document, String command, String author, OffsetDateTime at,
            Optional<Integer> undoTo, Optional<Integer> redoTo) {}

    /** One line of a draft's history. */
    public record HistoryLine(int revision, String command, String author, OffsetDateTime at) {}

    /** Which revision of which questionnaire. */
    record RevisionKey(long id, int revision) {}

    /** The draft has a newer revision than the one that was edited. */
    public static final class Overtaken extends Exception {}

    private final JdbcClient jdbc;

    public DraftStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private static Draft draft(ResultSet row, int n) throws SQLException {
        return new Draft(row.getLong("id"), row.getString("code"), row.getInt("number"), Packed.unpack(row.getBytes("document")),
                row.getString("command"), row.getString("author"), Times.at(row, "made_at"),
                Optional.ofNullable(row.getObject("undo_to", Integer.class)), Optional.ofNullable(row.getObject("redo_to", Integer.class)));
    }

    /** Every draft at its newest revision, the one edited last first. */
    public List<Draft> all() {
        return jdbc.sql(HEADS + " order by r.made_at desc").query(DraftStore::draft).list();
    }

    /** Codes of the questionnaires that are archived. */
    public Set<String> archived() {
        return Set.copyOf(jdbc.sql(ARCHIVED).query(String.class).list());
    }

    public void archive(String code, boolean archived) {
        jdbc.sql("update questionnaire set archived = :archived where code = :code").param("archived", archived).param("code", code)
                .update();
    }

    /** Removes a questionnaire with its revisions, releases, interviews and responses. Only the trail keeps that it was. */
    @Transactional
    public void remove(long id) {
        REMOVALS.forEach(removal -> jdbc.sql(removal).param("id", id).update());
    }

    /** The code of a questionnaire that there is. */
    public String code(long id) {
        return jdbc.sql("select code from questionnaire where id = :id").param("id", id).query(String.class).single();
    }

    /** The newest revision of a questionnaire; empty where there is no such questionnaire. */
    Optional<RevisionKey> newest(String code) {
        return jdbc.sql(NEWEST).param("code", code).query((row, n) -> new RevisionKey(row.getLong("id"), row.getInt("number"))).optional();
    }

    public Optional<Draft> head(String code) {
        return newest(code).flatMap(newest -> at(newest.id(), newest.revision()));
    }

    public Optional<Draft> at(long id, int revision) {
        return jdbc.sql(ONE).param("id", id).param("number", revision).query(DraftStore::draft).optional();
    }

    /** The newest revisions of a draft, newest first. */
    public List<HistoryLine> history(long id, int most) {
        return jdbc.sql(HISTORY).param("id", id).param("most", most).query((row, n) -> new HistoryLine(row.getInt("number"),
                row.getString("command"), row.getString("author"), Times.at(row, "made_at"))).list();
    }

    public boolean exists(String code) {
        return jdbc.sql("select count(*) from questionnaire where code = :code").param("code", code).query(Integer.class).single() > 0;
    }

    /** @throws DuplicateKeyException where there is a questionnaire with the document's code already */
    @Transactional
    public Draft create(Questionnaire document, String author, String command) {
        jdbc.sql("insert into questionnaire (code, created_at) values (:code, current_timestamp)").param("code", document.code()).update();
        long id = jdbc.sql("select id from questionnaire where code = :code").param("code", document.code()).query(Long.class).single();
        insert(id, 1, document, command, author, OffsetDateTime.now(), Optional.empty(), Optional.empty());
        return head(document.code()).orElseThrow();
    }

    /** @throws Overtaken where the draft is no longer the newest revision */
    public Draft append(Draft head, Questionnaire document, String command, String author) throws Overtaken {
        return append(head, document, command, author, Optional.of(head.revision()), Optional.empty());
    }

    /** The document before the last edit that was not undone, as a new revision; the draft itself where there is none. */
    public Draft undo(Draft head, String author) throws Overtaken {
        if (head.undoTo().isEmpty()) {
            return head;
        }
        Draft before = at(head.id(), head.undoTo().get()).orElseThrow();
        return append(head, before.document(), "undid: " + head.command(), author, before.undoTo(), Optional.of(head.revision()));
    }

    /** The document before the last undo, as a new revision; the draft itself where nothing was undone. */
    public Draft redo(Draft head, String author) throws Overtaken {
        if (head.redoTo().isEmpty()) {
            return head;
        }
        Draft undone = at(head.id(), head.redoTo().get()).orElseThrow();
        return append(head, undone.document(), "made again: " + redone(head), author, undone.undoTo(), undone.redoTo());
    }

    /** What the last undo took back. */
    public String redone(Draft head) {
        return head.redoTo().flatMap(to -> at(head.id(), to)).map(Draft::command).orElse("");
    }

    private Draft append(Draft head, Questionnaire document, String command, String author, Optional<Integer> undoTo,
            Optional<Integer> redoTo) throws Overtaken {
        int number = head.revision() + 1;
        OffsetDateTime at = OffsetDateTime.now().truncatedTo(ChronoUnit.MICROS);
        try {
            insert(head.id(), number, document, command, author, at, undoTo, redoTo);
        } catch (DuplicateKeyException e) {
            throw new Overtaken();
        }
        return new Draft(head.id(), head.code(), number, document, cut(command), author, at, undoTo, redoTo);
    }

    private void insert(long id, int number, Questionnaire document, String command, String author, OffsetDateTime at,
            Optional<Integer> undoTo, Optional<Integer> redoTo) {
        byte[] packed = Packed.pack(document);
        jdbc.sql(INSERT).param("id", id).param("number", number).param("document", packed).param("digest", Digests.of(packed))
                .param("command", cut(command)).param("author", author)
                .param("at", at).param("undo", undoTo.orElse(null)).param("redo", redoTo.orElse(null)).update();
    }

    private static String cut(String command) {
        return command.length() > 400 ? command.substring(0, 400) : command;
    }
}
