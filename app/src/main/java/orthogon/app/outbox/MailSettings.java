package orthogon.app.outbox;

import java.time.Duration;
import java.util.List;
import orthogon.app.outbox.SmtpTransport.MailSecurity;
import orthogon.app.outbox.SmtpTransport.MailServer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How mail leaves: by a server, where one is set, or not at all. */
@Configuration
class MailSettings {

    /**
     * How often and when a message is tried again.
     *
     * @param pauses between one try and the next; the last try comes after the last of them
     * @param mostAnHour messages that an address is sent within an hour; more of them wait
     */
    record DeliveryRules(List<Duration> pauses, int mostAnHour) {

        DeliveryRules {
            pauses = List.copyOf(pauses);
        }
    }

    @Bean
    MailTransport transport(@Value("${orthogon.mail.host:}") String host, @Value("${orthogon.mail.port:587}") int port,
            @Value("${orthogon.mail.security:STARTTLS}") MailSecurity security, @Value("${orthogon.mail.user:}") String user,
            @Value("${orthogon.mail.password:}") String password, @Value("${orthogon.mail.from:}") String from,
            @Value("${orthogon.mail.reply-to:}") String replyTo, @Value("${orthogon.mail.patience:PT15S}") Duration patience,
            MailFiles files) {
        if (host.isBlank()) {
            return new SimulatedTransport();
        }
        if (from.isBlank()) {
            throw new IllegalStateException("orthogon.mail.host is set and orthogon.mail.from is not; say what address messages are from.");
        }
        return new SmtpTransport(new MailServer(host.strip(), port, security, user, password, from, replyTo, patience), files);
    }

    @Bean
    DeliveryRules rules(@Value("${orthogon.mail.pauses:PT1M,PT5M,PT15M,PT1H,PT3H,PT6H,PT12H,PT24H}") List<Duration> pauses,
            @Value("${orthogon.mail.most-an-hour:120}") int mostAnHour) {
        return new DeliveryRules(pauses, mostAnHour);
    }
}
