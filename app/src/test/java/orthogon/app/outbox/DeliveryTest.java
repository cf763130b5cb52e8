package orthogon.app.outbox;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.icegreen.greenmail.util.ServerSetupTest;
import jakarta.mail.Multipart;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.ServerSocket;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.MailSettings.DeliveryRules;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.outbox.SmtpTransport.MailSecurity;
import orthogon.app.outbox.SmtpTransport.MailServer;
import orthogon.app.store.TestDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Messages come to a real mail server, once each, whatever it does. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class DeliveryTest {

    private List<MailFiles.MailFile> files = List.of();
    private static final DeliveryRules PATIENT = new DeliveryRules(List.of(Duration.ofMillis(50), Duration.ofMillis(50)), 1_000);
    private static final Duration LOOK = Duration.ofMillis(50);
    private static final int MANY = Integer.getInteger("orthogon.messages", 100);
    private static final long LONGEST_WAIT = TimeUnit.SECONDS.toMillis(60);

    @Parameter
    private TestDatabase vendor;
    private DataSource database;
    private MessageStore messages;
    private TransactionTemplate together;
    private GreenMail mailServer;
    private final List<DeliveryScheduler> started = new ArrayList<>();

    @BeforeEach
    void open() {
        database = vendor.migrated();
        messages = new MessageStore(JdbcClient.create(database));
        together = new TransactionTemplate(new DataSourceTransactionManager(database));
        mailServer = new GreenMail(ServerSetupTest.SMTP.dynamicPort());
        mailServer.start();
    }

    @AfterEach
    void close() {
        started.forEach(DeliveryScheduler::stop);
        mailServer.stop();
    }

    private static MailServer at(int port) {
        return at(port, Duration.ofSeconds(30));
    }

    private static MailServer at(int port, Duration patience) {
        return new MailServer("localhost", port, MailSecurity.NONE, "", "", "Quillmere Wildlife Station <office@quillmere.example>",
                "desk@quillmere.example", patience);
    }

    private DeliveryScheduler scheduler(MailTransport transport, DeliveryRules rules) {
        return new DeliveryScheduler(database, new Delivery(messages, transport, rules, Clock.systemUTC()), LOOK);
    }

    private KeptOutbox started(MailTransport transport, DeliveryRules rules) {
        DeliveryScheduler scheduler = scheduler(transport, rules);
        scheduler.start();
        started.add(scheduler);
        return new KeptOutbox(messages, scheduler, Clock.systemUTC());
    }

    private void send(KeptOutbox outbox, Mail mail) {
        together.executeWithoutResult(status -> outbox.send(mail));
    }

    private void until(String what, java.util.function.BooleanSupplier reached) throws InterruptedException {
        long end = System.currentTimeMillis() + LONGEST_WAIT;
        while (!reached.getAsBoolean()) {
            assertTrue(System.currentTimeMillis() < end, what + ": " + messages.counts());
            Thread.sleep(20);
        }
    }

    private KeptMessage newest() {
        return messages.find(messages.newest(Optional.empty(), 1).getFirst().id()).orElseThrow();
    }

    private int count(MessageState state) {
        return messages.counts().getOrDefault(state, 0);
    }

    @Test
    void aMessageArrivesAsPlainTextAndAsPage() throws Exception {
        KeptOutbox outbox = started(new SmtpTransport(at(mailServer.getSmtp().getPort()), m -> files), PATIENT);
        send(outbox,
                new Mail("wenna@example.org", "Dzikie zwierzę: زرافة", "Dziękujemy.\n\nhttps://quillmere.example/i/1?a=b&c=d\n\n<b>no</b>",
                        "pl"));
        until("delivered", () -> count(MessageState.DELIVERED) == 1);
        MimeMessage mail = mailServer.getReceivedMessages()[0];
        assertEquals("Dzikie zwierzę: زرافة", mail.getSubject());
        assertEquals("Quillmere Wildlife Station <office@quillmere.example>", mail.getFrom()[0].toString());
        assertEquals("desk@quillmere.example", mail.getReplyTo()[0].toString());
        assertEquals("<" + newest().messageId() + ">", mail.getMessageID());
        Multipart parts = (Multipart) ((Multipart) ((Multipart) mail.getContent()).getBodyPart(0).getContent()).getBodyPart(0).getContent();
        assertTrue(parts.getBodyPart(0).getContent().toString().startsWith("Dziękujemy."));
        String page = parts.getBodyPart(1).getContent().toString();
        assertTrue(page.contains("<a href=\"https://quillmere.example/i/1?a=b&amp;c=d\"") && page.contains("&lt;b&gt;no&lt;/b&gt;"), page);
        assertTrue(page.contains("lang=\"pl\" dir=\"ltr\""));
    }

    @Test
    void filesAndTheAddressForAnswersComeWithAMessage() throws Exception {
        files = List.of(new MailFiles.MailFile("bird \r\nX: y.pdf", "application/pdf", () -> new byte[]{1, 2, 3}));
        KeptOutbox outbox = started(new SmtpTransport(at(mailServer.getSmtp().getPort()), m -> files), PATIENT);
        Mail mail = new Mail("wenna@example.org", "شكرًا", "شكرًا لك", "<html dir=\"rtl\"><body>شكرًا <b>لك</b></body></html>", "ar", "i-1",
                "orrin@example.org", Set.of(Mail.MailAttachment.RESPONSE), "to_finder");
        send(outbox, mail);
        until("delivered", () -> count(MessageState.DELIVERED) == 1);
        MimeMessage message = mailServer.getReceivedMessages()[0];
        assertEquals("orrin@example.org", message.getReplyTo()[0].toString());
        assertEquals("شكرًا", message.getSubject());
        Multipart parts = (Multipart) message.getContent();
        assertEquals(2, parts.getCount());
        assertTrue(parts.getBodyPart(1).getContentType().startsWith("application/pdf"), parts.getBodyPart(1).getContentType());
        assertEquals(3, parts.getBodyPart(1).getInputStream().readAllBytes().length);
        assertEquals(null, parts.getBodyPart(1).getHeader("X"), "a file name brings no header in");
        Multipart texts = (Multipart) ((Multipart) parts.getBodyPart(0).getContent()).getBodyPart(0).getContent();
        assertEquals("شكرًا لك", texts.getBodyPart(0).getContent());
        assertTrue(texts.getBodyPart(1).getContent().toString().contains("<b>لك</b>"));
        assertEquals(mail, newest().mail());
    }

    @Test
    void noHeaderComesInBySubjectOrAddress() throws Exception {
        KeptOutbox outbox = started(new SmtpTransport(at(mailServer.getSmtp().getPort()), m -> files), PATIENT);
        send(outbox, new Mail("wenna@example.org", "Otter\r\nBcc: all@example.org\r\n\r\nHello", "Text", "en"));
        send(outbox, new Mail("wenna@example.org\r\nBcc: all@example.org", "Otter", "Text", "en"));
        until("one of them failed", () -> count(MessageState.DELIVERED) == 1 && count(MessageState.FAILED) == 1);
        assertEquals(1, mailServer.getReceivedMessages().length);
        MimeMessage mail = mailServer.getReceivedMessages()[0];
        assertEquals("Otter Bcc: all@example.org Hello", mail.getSubject());
        assertEquals(1, mail.getAllRecipients().length);
    }

    @Test
    void whatIsRolledBackIsNeverSent() throws Exception {
        KeptOutbox outbox = started(new SmtpTransport(at(mailServer.getSmtp().getPort()), m -> files), PATIENT);
        assertThrows(IllegalStateException.class, () -> together.executeWithoutResult(status -> {
            outbox.send(new Mail("wenna@example.org", "Otter", "Text", "en"));
            throw new IllegalStateException("the response could not be kept");
        }));
        send(outbox, new Mail("orrin@example.org", "Otter", "Text", "en"));
        until("delivered", () -> count(MessageState.DELIVERED) == 1);
        assertEquals(Map.of(MessageState.DELIVERED, 1), messages.counts());
        assertEquals(List.of("orrin@example.org"),
                List.of(mailServer.getReceivedMessages()).stream().map(m -> GreenMailUtil.getAddressList(to(m))).toList());
    }

    private static jakarta.mail.Address[] to(MimeMessage message) {
        try {
            return message.getAllRecipients();
        } catch (jakarta.mail.MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A server that is not there, hangs, and comes back: every message arrives once, or is listed as not delivered. */
    @Test
    void aServerThatHangsAndComesBackLosesNothingAndGetsNothingTwice() throws Exception {
        int port;
        try (ServerSocket hanging = new ServerSocket(0)) {
            // It takes connections and never answers.
            port = hanging.getLocalPort();
            KeptOutbox outbox = started(new SmtpTransport(at(port, Duration.ofMillis(300)), m -> files),
                    new DeliveryRules(List.of(Duration.ofMillis(20)), 1_000));
            send(outbox, new Mail("first@example.org", "Otter", "Text", "en"));
            until("given up", () -> count(MessageState.FAILED) == 1);
            KeptMessage failed = newest();
            assertEquals(2, failed.tries(), "the first try and the one after the pause");
            assertFalse(failed.fault().isEmpty());
        }
        GreenMail back = new GreenMail(new ServerSetup(port, "localhost", "smtp"));
        back.start();
        try {
            started.getFirst().stop();
            KeptOutbox outbox = started(new SmtpTransport(at(port), m -> files), PATIENT);
            KeptMessage failed = newest();
            assertEquals(Boolean.TRUE, together.execute(status -> outbox.tryAgain(failed.id())));
            assertEquals(Boolean.FALSE, together.execute(status -> outbox.tryAgain(failed.id())), "it is on its way");
            for (int i = 0; i < MANY; i++) {
                send(outbox, new Mail("person" + i + "@example.org", "Otter " + i, "Text", "en"));
            }
            until("all delivered", () -> count(MessageState.DELIVERED) == MANY + 1);
            Set<String> ids = new HashSet<>();
            for (MimeMessage message : back.getReceivedMessages()) {
                ids.add(message.getMessageID());
            }
            assertEquals(List.of(MANY + 1, MANY + 1), List.of(back.getReceivedMessages().length, ids.size()));
        } finally {
            back.stop();
        }
    }

    @Test
    void whatAProcessLeftBehindIsTriedByTheNextOneAndSaysSo() throws Exception {
        DeliveryScheduler never = scheduler(new SimulatedTransport(), PATIENT);
        KeptOutbox before = new KeptOutbox(messages, never, Clock.systemUTC());
        send(before, new Mail("wenna@example.org", "Otter", "Text", "en"));
        long id = newest().id();
        // It ended after the try began.
        assertTrue(messages.beginTry(id));
        started(new SmtpTransport(at(mailServer.getSmtp().getPort()), m -> files), PATIENT);
        until("delivered", () -> count(MessageState.DELIVERED) == 1);
        assertTrue(messages.find(id).orElseThrow().fault().contains("may have come twice"));
    }

    @Test
    void pausesGrowUntilTheLastTry() {
        Instant now = Instant.parse("2026-11-30T08:00:00Z");
        DeliveryRules rules = new DeliveryRules(List.of(Duration.ofMinutes(1), Duration.ofMinutes(5)), 2);
        MailTransport refusing = new MailTransport() {
            @Override
            public void deliver(KeptMessage message) throws NotTaken {
                throw new NotTaken("busy", false, null);
            }

            @Override
            public boolean leaves() {
                return false;
            }

            @Override
            public String from() {
                return "";
            }
        };
        OffsetDateTime at = now.atOffset(ZoneOffset.UTC);
        Delivery delivery = new Delivery(messages, refusing, rules, Clock.fixed(now, ZoneOffset.UTC));
        long id = messages.keep(new Mail("wenna@example.org", "Otter", "Text", "en"), "", "a@orthogon", at);
        assertEquals(Optional.of(at.plusMinutes(1)), delivery.deliver(id));
        assertEquals(Optional.of(at.plusMinutes(5)), delivery.deliver(id));
        assertEquals(Optional.empty(), delivery.deliver(id));
        assertEquals(List.of(MessageState.FAILED, 3, "busy"), List.of(messages.find(id).orElseThrow().state(),
                messages.find(id).orElseThrow().tries(), messages.find(id).orElseThrow().fault()));
        assertEquals(Optional.empty(), delivery.deliver(id), "it is given up");
        assertEquals(3, messages.find(id).orElseThrow().tries());
    }

    @Test
    void moreThanAnAddressIsSentInAnHourWaits() {
        Instant now = Instant.parse("2026-11-30T08:00:00Z");
        OffsetDateTime at = now.atOffset(ZoneOffset.UTC);
        Delivery delivery = new Delivery(messages, new SimulatedTransport(), new DeliveryRules(List.of(), 2),
                Clock.fixed(now, ZoneOffset.UTC));
        List<Long> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            ids.add(messages.keep(new Mail("wenna@example.org", "Otter", "Text", "en"), "", i + "@orthogon", at));
        }
        long other = messages.keep(new Mail("orrin@example.org", "Otter", "Text", "en"), "", "other@orthogon", at);
        assertEquals(Optional.empty(), delivery.deliver(ids.get(0)));
        assertEquals(Optional.empty(), delivery.deliver(ids.get(1)));
        assertEquals(Optional.of(at.plusHours(1)), delivery.deliver(ids.get(2)));
        assertEquals(Optional.empty(), delivery.deliver(other));
        assertEquals(Map.of(MessageState.DELIVERED, 3, MessageState.WAITING, 1), messages.counts());
        Delivery later = new Delivery(messages, new SimulatedTransport(), new DeliveryRules(List.of(), 2),
                Clock.fixed(now.plus(Duration.ofHours(1)), ZoneOffset.UTC));
        assertEquals(Optional.empty(), later.deliver(ids.get(2)));
        assertEquals(4, count(MessageState.DELIVERED));
    }

    @Test
    void messagesOfAServerWithoutMailSettingsAreKept() throws IOException {
        MailSettings settings = new MailSettings();
        assertTrue(settings.transport("", 25, MailSecurity.TLS, "", "", "", "", LOOK, m -> files) instanceof SimulatedTransport);
        assertThrows(IllegalStateException.class,
                () -> settings.transport("mail.quillmere.example", 25, MailSecurity.TLS, "", "", " ", "", LOOK, m -> files));
        assertEquals("office@quillmere.example",
                settings.transport("mail.quillmere.example", 25, MailSecurity.TLS, "", "", "office@quillmere.example", "", LOOK, m -> files)
                        .from());
    }
}
