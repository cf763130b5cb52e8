package orthogon.app.outbox;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.MailSettings.DeliveryRules;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * One try to deliver a message. That it is tried is kept before the server is asked, so that a message which was perhaps taken twice, since
 * the process ended in between, is known as one.
 */
@Component
class Delivery {

    private static final Logger LOG = LoggerFactory.getLogger(Delivery.class);
    private static final Duration HOUR = Duration.ofHours(1);
    private static final String INTERRUPTED = "Orthogon ended while it was tried, so it may have come twice, with the same message-id";

    private final MessageStore messages;
    private final MailTransport transport;
    private final DeliveryRules rules;
    private final Clock clock;

    Delivery(MessageStore messages, MailTransport transport, DeliveryRules rules, Clock clock) {
        this.messages = messages;
        this.transport = transport;
        this.rules = rules;
        this.clock = clock;
    }

    /** Tries once; gives when to try again, empty for not at all. */
    Optional<OffsetDateTime> deliver(long id) {
        KeptMessage message = messages.find(id).orElse(null);
        if (message == null) {
            return Optional.empty();
        }
        OffsetDateTime now = OffsetDateTime.now(clock);
        Optional<OffsetDateTime> full = messages.deliveredBefore(message.to(), rules.mostAnHour(), now.minus(HOUR));
        if (full.isPresent()) {
            OffsetDateTime later = full.get().plus(HOUR);
            messages.mark(id, MessageState.WAITING, later, rules.mostAnHour() + " messages went to this address within an hour");
            return Optional.of(later);
        }
        String note = message.state() == MessageState.TRYING ? INTERRUPTED : "";
        if (!messages.beginTry(id)) {
            return Optional.empty();
        }
        try {
            transport.deliver(message);
            messages.mark(id, MessageState.DELIVERED, OffsetDateTime.now(clock), note);
            return Optional.empty();
        } catch (MailTransport.NotTaken e) {
            return notTaken(message, e);
        }
    }

    private Optional<OffsetDateTime> notTaken(KeptMessage message, MailTransport.NotTaken why) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        if (why.isFinal() || message.tries() >= rules.pauses().size()) {
            LOG.warn("A message is not delivered after {} tries: {}", message.tries() + 1, why.getMessage());
            messages.mark(message.id(), MessageState.FAILED, now, why.getMessage());
            return Optional.empty();
        }
        OffsetDateTime later = now.plus(rules.pauses().get(message.tries()));
        messages.mark(message.id(), MessageState.WAITING, later, why.getMessage());
        return Optional.of(later);
    }
}
