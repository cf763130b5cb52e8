package orthogon.app.outbox;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.outbox.Outbox.Mail.MailAttachment;
import orthogon.app.store.Times;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Component;

/** Messages and how far each is. */
@Component
public class MessageStore {

    private static final String INSERT = """
            insert into message (sent_to, subject, text, html, sent_at, message_id, state, due_at, interview_id, reply_to, attached, language,
                code)
            values (:to, :subject, :text, :html, :at, :message, 'waiting', :at, :interview, :reply, :attached, :language, :code)
            """;
    private static final String MESSAGES = """
            select id, message_id, sent_to, subject, text, html, sent_at, state, tries, due_at, fault, interview_id, reply_to, attached,
                language, code from message
            """;
    private static final String HEADS = "select id, sent_to, subject, sent_at, state from message";
    private static final String TRY = """
            update message set state = 'trying', tries = tries + 1 where id = :id and state in ('waiting', 'trying')
            """;
    private static final String MARK = "update message set state = :state, due_at = :at, fault = :fault where id = :id";
    private static final String AGAIN = """
            update message set state = 'waiting', tries = 0, due_at = :at where id = :id and state = 'failed'
            """;
    private static final String DELIVERED = """
            select due_at from message where sent_to = :to and state = 'delivered' and due_at > :since order by due_at desc
            offset :most rows fetch next 1 rows only
            """;
    private static final String FIRST = """
            select min(id) as id from message where interview_id in (:some) and code = :code group by interview_id, sent_to order by 1
            """;
    private static final int LONGEST_FAULT = 400;

    /** What a list shows of a message. */
    public record MessageHead(long id, String to, String subject, OffsetDateTime madeAt, MessageState state) {}

    private final JdbcClient jdbc;

    MessageStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps a message that waits to be delivered; gives its number. */
    long keep(Mail mail, String html, String messageId, OffsetDateTime at) {
        KeyHolder key = new GeneratedKeyHolder();
        jdbc.sql(INSERT).param("to", mail.to()).param("subject", mail.subject()).param("text", mail.text()).param("html", html)
                .param("message", messageId).param("at", at).param("interview", mail.interview())
                .param("reply", mail.replyTo()).param("attached", mail.attached().stream().sorted()
                        .map(a -> a.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(",")))
                .param("language", mail.language()).param("code", mail.code()).update(key, "id");
        return key.getKeyAs(Long.class);
    }

    public Optional<KeptMessage> find(long id) {
        return jdbc.sql(MESSAGES + " where id = :id").param("id", id).query(MessageStore::message).optional();
    }

    /** The newest, of one state or of all. */
    public List<MessageHead> newest(Optional<MessageState> state, int most) {
        return jdbc.sql(HEADS + " where :state = '' or state = :state order by id desc fetch next :most rows only")
                .param("state", state.map(MessageState::word).orElse("")).param("most", most)
                .query((row, n) -> new MessageHead(row.getLong("id"), row.getString("sent_to"), row.getString("subject"),
                        Times.at(row, "sent_at"), MessageState.of(row.getString("state"))))
                .list();
    }

    /** The messages that an interview sent, in the order in which they were made. */
    public List<KeptMessage> of(String interview) {
        return jdbc.sql(MESSAGES + " where interview_id = :interview and code <> '' order by id").param("interview", interview)
                .query(MessageStore::message).list();
    }

    /** The first message of a code that each of some interviews sent to each address. */
    public List<Long> firstOf(List<String> interviews, String code) {
        return interviews.isEmpty()
                ? List.of()
                : jdbc.sql(FIRST).param("some", interviews).param("code", code).query(Long.class).list();
    }

    /** How many there are in each state. */
    public Map<MessageState, Integer> counts() {
        Map<MessageState, Integer> counts = new EnumMap<>(MessageState.class);
        jdbc.sql("select state, count(*) as n from message group by state").query(row -> {
            counts.put(MessageState.of(row.getString("state")), row.getInt("n"));
        });
        return counts;
    }

    /** Begins a try; false where the message is gone, delivered or given up. */
    boolean beginTry(long id) {
        return jdbc.sql(TRY).param("id", id).update() == 1;
    }

    /** @param at when it is tried next, or was delivered */
    void mark(long id, MessageState state, OffsetDateTime at, String fault) {
        jdbc.sql(MARK).param("id", id).param("state", state.word()).param("at", at)
                .param("fault", fault.substring(0, Math.min(fault.length(), LONGEST_FAULT))).update();
    }

    /** Lets a message wait that was given up; false where it was not. */
    boolean waitAgain(long id, OffsetDateTime at) {
        return jdbc.sql(AGAIN).param("id", id).param("at", at).update() == 1;
    }

    /** When the message was delivered that is so many before the next one to an address; empty where there are fewer since a moment. */
    Optional<OffsetDateTime> deliveredBefore(String to, int most, OffsetDateTime since) {
        return jdbc.sql(DELIVERED).param("to", to).param("since", since).param("most", most - 1)
                .query((row, n) -> Times.at(row, "due_at")).optional();
    }

    private static KeptMessage message(ResultSet row, int n) throws SQLException {
        Set<MailAttachment> attached = Arrays.stream(row.getString("attached").split(",")).filter(a -> !a.isEmpty())
                .map(a -> MailAttachment.valueOf(a.toUpperCase(Locale.ROOT))).collect(Collectors.toSet());
        Mail mail = new Mail(row.getString("sent_to"), row.getString("subject"), row.getString("text"), row.getString("html"),
                row.getString("language"), row.getString("interview_id"), row.getString("reply_to"), attached, row.getString("code"));
        return new KeptMessage(row.getLong("id"), row.getString("message_id"), mail, Times.at(row, "sent_at"),
                MessageState.of(row.getString("state")), row.getInt("tries"), Times.at(row, "due_at"), row.getString("fault"));
    }
}
