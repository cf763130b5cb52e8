package orthogon.app.outbox;

import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.util.ByteArrayDataSource;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Date;
import java.util.Map;
import java.util.Properties;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;

/** Gives messages to a mail server by SMTP. */
final class SmtpTransport implements MailTransport {

    /** Whether and how a connection is secured: from the start, before the sign-in, or not at all. */
    enum MailSecurity {
        TLS, STARTTLS, NONE
    }

    /**
     * What is set about the server.
     *
     * @param user to sign in with; empty for no sign-in
     * @param from an address, with a name where one is wished: {@code Quillmere <office@quillmere.example>}
     * @param replyTo an address; empty for the one above
     * @param patience how long the server may take for each answer
     */
    record MailServer(String host, int port, MailSecurity security, String user, String password, String from, String replyTo,
            Duration patience) {}

    /** A message that keeps its id, where others get a new one whenever they are sent. */
    private static final class MessageWithId extends MimeMessage {

        private final String id;

        MessageWithId(Session session, String id) {
            super(session);
            this.id = id;
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", "<" + id + ">");
        }
    }

    private final MailServer server;
    private final MailFiles files;
    private final JavaMailSenderImpl sender = new JavaMailSenderImpl();

    SmtpTransport(MailServer server, MailFiles files) {
        this.server = server;
        this.files = files;
        sender.setHost(server.host());
        sender.setPort(server.port());
        sender.setDefaultEncoding(StandardCharsets.UTF_8.name());
        Properties properties = sender.getJavaMailProperties();
        if (!server.user().isEmpty()) {
            sender.setUsername(server.user());
            sender.setPassword(server.password());
            properties.put("mail.smtp.auth", "true");
        }
        properties.put("mail.smtp.ssl.enable", String.valueOf(server.security() == MailSecurity.TLS));
        properties.put("mail.smtp.starttls.enable", String.valueOf(server.security() == MailSecurity.STARTTLS));
        properties.put("mail.smtp.starttls.required", String.valueOf(server.security() == MailSecurity.STARTTLS));
        properties.put("mail.smtp.ssl.checkserveridentity", "true");
        for (String step : new String[]{"connectiontimeout", "timeout", "writetimeout"}) {
            properties.put("mail.smtp." + step, String.valueOf(server.patience().toMillis()));
        }
    }

    @Override
    public void deliver(KeptMessage message) throws NotTaken {
        try {
            MimeMessage mail = new MessageWithId(sender.getSession(), message.messageId());
            MimeMessageHelper helper = new MimeMessageHelper(mail, true, StandardCharsets.UTF_8.name());
            helper.setFrom(server.from());
            String replyTo = message.mail().replyTo().isEmpty() ? server.replyTo() : message.mail().replyTo();
            helper.setReplyTo(replyTo.isEmpty() ? server.from() : replyTo);
            helper.setTo(message.to());
            helper.setSubject(message.subject());
            helper.setText(message.mail().text(), message.mail().html());
            for (MailFiles.MailFile file : files.of(message)) {
                helper.addAttachment(file.name(), new ByteArrayDataSource(file.content().get(), file.mediaType()));
            }
            helper.setSentDate(Date.from(message.madeAt().toInstant()));
            // So that no machine answers it.
            mail.setHeader("Auto-Submitted", "auto-generated");
            sender.send(mail);
        } catch (MailAuthenticationException e) {
            throw new NotTaken("the mail server refuses the sign-in", false, e);
        } catch (MailSendException e) {
            throw new NotTaken(why(e), isUnknownAddress(e), e);
        } catch (MailException | MessagingException e) {
            throw new NotTaken(String.valueOf(e.getMessage()), false, e);
        }
    }

    private static boolean isUnknownAddress(MailSendException e) {
        return failures(e).values().stream()
                .anyMatch(f -> f instanceof SendFailedException sent && sent.getInvalidAddresses() != null
                        && sent.getInvalidAddresses().length > 0 && why(f).matches("(?s).*\\b5\\d\\d\\b.*"));
    }

    private static Map<Object, Exception> failures(MailSendException e) {
        return e.getFailedMessages();
    }

    /** What the innermost cause says, which is what the server said. */
    private static String why(Throwable e) {
        Throwable cause = e instanceof MailSendException sent && !failures(sent).isEmpty() ? failures(sent).values().iterator().next() : e;
        while (true) {
            Throwable next = cause instanceof MessagingException m && m.getNextException() != null
                    ? m.getNextException()
                    : cause.getCause();
            if (next == null || next == cause) {
                return cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage().strip();
            }
            cause = next;
        }
    }

    @Override
    public boolean leaves() {
        return true;
    }

    @Override
    public String from() {
        return server.from();
    }
}
