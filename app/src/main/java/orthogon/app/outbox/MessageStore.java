package orthogon.app.outbox;

import orthogon.app.store.Times;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The simulated mailbox: every message to anybody, to be read by who is signed in. */
@Component
class MessageStore implements Outbox {

    private static final String INSERT = "insert into message (sent_to, subject, text, sent_at) values (:to, :subject, :text, :at)";
    private static final String NEWEST = "select sent_to, subject, text, sent_at from message order by id desc limit :most";

    record MailedMessage(String to, String subject, String text, OffsetDateTime at) {}

    private final JdbcClient jdbc;

    MessageStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void send(String to, String subject, String text) {
        jdbc.sql(INSERT).param("to", to).param("subject", subject).param("text", text).param("at", OffsetDateTime.now()).update();
    }

    List<MailedMessage> newest(int most) {
        return jdbc.sql(NEWEST).param("most", most).query((row, n) -> new MailedMessage(row.getString("sent_to"), row.getString("subject"),
                row.getString("text"), Times.at(row, "sent_at"))).list();
    }
}
