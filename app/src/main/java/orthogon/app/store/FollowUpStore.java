package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.dispatch.OpenedWith;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.StoredAnswers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Follow-ups that were opened for responses. */
@Component
public class FollowUpStore {

    private static final String LOCKED = "!";
    private static final String INSERT = """
            insert into follow_up (interview_id, code, entry, release_id, token, state, carried, carried_to, opened_at, open_since, due_at, expires)
            values (:interview, :code, :entry, :release, :token, 'open', :carried, :carriedTo, :at, :at, :due, :expires)
            """;
    private static final String UNDONE = """
            select f.id, f.interview_id, f.code, f.entry, f.release_id, f.token, f.state, f.decision, f.note, f.decided_by, f.child,
                f.opened_at, f.open_since, f.due_at, f.expires, f.sent_at, f.ended_at, p.release_id as opener, p.receipt
            from follow_up f join response p on p.interview_id = f.interview_id
            where f.state in ('open', 'returned', 'sent') order by f.opened_at, f.id fetch first\s""";
    private static final String SELECT = """
            select id, interview_id, code, entry, release_id, token, state, decision, note, decided_by, child, opened_at, open_since, due_at,
                expires, sent_at, ended_at from follow_up
            """;

    /**
     * One of them.
     *
     * @param interviewId of the interview that opened it
     * @param entry number of the entry that it was opened for, from 1; 0 where it is opened once
     * @param releaseId of what it opens
     * @param decision code of the choice; empty where nothing is decided
     * @param note of whoever decided or took it back; may be empty
     * @param child interview of whoever answers it; empty where nobody began
     * @param openSince when it was opened, or returned last
     */
    public record KeptFollowUp(long id, String interviewId, String code, int entry, long releaseId, String token, FollowUpProgress progress,
            String decision, String note, String decidedBy, Optional<String> child, OffsetDateTime openedAt, OffsetDateTime openSince,
            Optional<OffsetDateTime> dueAt, boolean expires, Optional<OffsetDateTime> sentAt, Optional<OffsetDateTime> endedAt) {

        static KeptFollowUp of(ResultSet row, int n) throws SQLException {
            return new KeptFollowUp(row.getLong("id"), row.getString("interview_id"), row.getString("code"), row.getInt("entry"),
                    row.getLong("release_id"), row.getString("token"), FollowUpProgress.of(row.getString("state")),
                    row.getString("decision"),
                    row.getString("note"), row.getString("decided_by"), Optional.ofNullable(row.getString("child")),
                    Times.at(row, "opened_at"), Times.at(row, "open_since"), Optional.ofNullable(Times.at(row, "due_at")),
                    row.getBoolean("expires"),
                    Optional.ofNullable(Times.at(row, "sent_at")),
                    Optional.ofNullable(Times.at(row, "ended_at")));
        }
    }

    private final JdbcClient jdbc;

    public FollowUpStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps others from changing the follow-ups of an interview until the transaction ends. */
    public void lock(String interviewId) {
        jdbc.sql("select id from interview where id = :id for update").param("id", interviewId).query(String.class).single();
    }

    /**
     * Opens one, once.
     *
     * @param due until when it is to be sent; empty for no time
     * @return its token
     * @throws org.springframework.dao.DuplicateKeyException where it was opened already
     */
    public String open(String interviewId, DueFollowUp followUp, long releaseId, OffsetDateTime at, Optional<OffsetDateTime> due) {
        String token = RandomNames.hex(16);
        OpenedWith with = OpenedWith.of(followUp);
        jdbc.sql(INSERT).param("interview", interviewId).param("code", followUp.followUp().code()).param("entry", followUp.entry())
                .param("release", releaseId).param("token", token).param("carried", StoredAnswers.write(with.values()))
                .param("carriedTo", StoredAnswers.writeTexts(with.targets().entrySet().stream()
                        .map(t -> t.getKey() + (t.getValue() ? LOCKED : "")).toList()))
                .param("at", at).param("due", due.orElse(null)).param("expires", followUp.followUp().due().expires()).update();
        return token;
    }

    /** What one was opened with. */
    public OpenedWith with(long id, Questionnaire document) {
        return jdbc.sql("select carried, carried_to from follow_up where id = :id").param("id", id)
                .query((row, n) -> with(document, row.getString("carried"), row.getString("carried_to"))).single();
    }

    static OpenedWith with(Questionnaire document, String carried, String carriedTo) {
        Map<String, Boolean> targets = new LinkedHashMap<>();
        StoredAnswers.readTexts(carriedTo).forEach(t -> targets.put(t.endsWith(LOCKED) ? t.substring(0, t.length() - 1) : t,
                t.endsWith(LOCKED)));
        return new OpenedWith(targets, StoredAnswers.read(document, carried));
    }

    /** Those of an interview, in the order in which they were opened. */
    public List<KeptFollowUp> of(String interviewId) {
        return jdbc.sql(SELECT + " where interview_id = :id order by id").param("id", interviewId).query(KeptFollowUp::of).list();
    }

    public Optional<KeptFollowUp> find(long id) {
        return jdbc.sql(SELECT + " where id = :id").param("id", id).query(KeptFollowUp::of).optional();
    }

    public Optional<KeptFollowUp> withToken(String token) {
        return jdbc.sql(SELECT + " where token = :token").param("token", token).query(KeptFollowUp::of).optional();
    }

    /** The follow-up that an interview answers. */
    public Optional<KeptFollowUp> answeredBy(String child) {
        return jdbc.sql(SELECT + " where child = :child").param("child", child).query(KeptFollowUp::of).optional();
    }

    /** Those in one of these states, the oldest first. */
    public List<KeptFollowUp> in(Collection<FollowUpProgress> states, int most) {
        return jdbc.sql(SELECT + " where state in (:states) order by opened_at, id fetch first " + most + " rows only")
                .param("states", words(states)).query(KeptFollowUp::of).list();
    }

    /**
     * One that is not over, with what opened it.
     *
     * @param opener id of the release whose response opened it
     * @param receipt of that response
     */
    public record UndoneFollowUp(KeptFollowUp kept, long opener, String receipt) {}

    /** Those that can be answered or decided, the oldest first. */
    public List<UndoneFollowUp> undone(int most) {
        return jdbc.sql(UNDONE + most + " rows only").query((row, n) -> new UndoneFollowUp(KeptFollowUp.of(row, n), row.getLong("opener"),
                row.getString("receipt"))).list();
    }

    /**
     * Numbers of the responses to a questionnaire that opened any, the newest first.
     *
     * @param open whether only those count that are not over
     */
    public List<Long> cases(long questionnaireId, boolean open, int from, int most) {
        String still = open ? " and f.state in ('open', 'returned', 'sent')" : "";
        return jdbc.sql("select p.number from response p where p.questionnaire_id = :id and exists (select 1 from follow_up f "
                + "where f.interview_id = p.interview_id" + still + ") order by p.sent_at desc, p.number desc offset " + from
                + " rows fetch next " + most + " rows only").param("id", questionnaireId).query(Long.class).list();
    }

    /** Says when it is next told that one is still open; empty for never again. */
    public void tellNext(long id, Optional<OffsetDateTime> at) {
        jdbc.sql("update follow_up set told_next = :at where id = :id").param("at", at.orElse(null)).param("id", id).update();
    }

    /** Open ones of which it is to be told now. */
    public List<ToTell> toTell(OffsetDateTime now, int most) {
        return jdbc
                .sql("select id, told_next from follow_up where state in ('open', 'returned') and told_next <= :now order by told_next, id "
                        + "fetch first " + most + " rows only")
                .param("now", now)
                .query((row, n) -> new ToTell(row.getLong("id"), Times.at(row, "told_next"))).list();
    }

    /**
     * A follow-up of which it is to be told.
     *
     * @param since when; what was to be told before was told
     */
    public record ToTell(long id, OffsetDateTime since) {}

    /** Open ones that cannot be sent any more, since their time is over. */
    public List<KeptFollowUp> overdue(OffsetDateTime now) {
        return jdbc.sql(SELECT + " where state in ('open', 'returned') and expires = true and due_at <= :now order by id")
                .param("now", now).query(KeptFollowUp::of).list();
    }

    private static List<String> words(Collection<FollowUpProgress> states) {
        return states.stream().map(FollowUpProgress::word).toList();
    }

    /** Lets an interview answer one. */
    public void answer(long id, String child) {
        jdbc.sql("update follow_up set child = :child where id = :id").param("child", child).param("id", id).update();
    }

    /** Notes that one was sent; whether it could be answered. */
    public boolean sent(long id, OffsetDateTime at) {
        return jdbc.sql("update follow_up set state = 'sent', sent_at = :at where id = :id and state in ('open', 'returned')")
                .param("at", at).param("id", id).update() == 1;
    }

    /** Decides one that was sent; whether it was still to be decided. */
    public boolean decided(long id, String decision, String note, String who, OffsetDateTime at) {
        return jdbc.sql("""
                update follow_up set state = 'decided', decision = :decision, note = :note, decided_by = :who, ended_at = :at
                where id = :id and state = 'sent'
                """).param("decision", decision).param("note", note).param("who", who).param("at", at).param("id", id).update() == 1;
    }

    /**
     * Gives one that was sent back to be corrected by another interview.
     *
     * @param due until when; empty for no time
     * @return whether it was still to be decided
     */
    public boolean returned(long id, String note, String who, String child, Optional<OffsetDateTime> due, OffsetDateTime at) {
        return jdbc.sql("""
                update follow_up set state = 'returned', note = :note, decided_by = :who, child = :child, sent_at = null,
                    open_since = :at, due_at = :due
                where id = :id and state = 'sent'
                """).param("due", due.orElse(null)).param("note", note).param("who", who).param("child", child).param("at", at)
                .param("id", id).update() == 1;
    }

    /** Ends one that can be answered, without an answer; whether it could be answered. */
    public boolean ended(long id, FollowUpProgress how, String note, String who, OffsetDateTime at) {
        return jdbc.sql("""
                update follow_up set state = :state, note = :note, decided_by = :who, ended_at = :at
                where id = :id and state in ('open', 'returned')
                """).param("state", how.word()).param("note", note).param("who", who).param("at", at).param("id", id).update() == 1;
    }
}
