package orthogon.app.outbox;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.stereotype.Component;

/**
 * Sees to it that every message is tried when it is due. When that is stands in the database, in the same transaction as the message, so
 * that nothing is forgotten where the process ends; several servers share the work.
 */
@Component
class DeliveryScheduler implements SmartLifecycle {

    private static final String NAME = "deliver-message";
    private static final int AT_ONCE = 2;

    private final CustomTask<Void> task;
    private final DataSource database;
    private final Duration lookEvery;
    private final SchedulerClient client;
    /** Null while it is stopped; one that was stopped cannot be started again. */
    private volatile Scheduler scheduler;

    DeliveryScheduler(DataSource database, Delivery delivery, @Value("${orthogon.mail.look-every:PT2S}") Duration lookEvery) {
        task = Tasks.custom(NAME, Void.class).execute((instance, context) -> {
            Optional<OffsetDateTime> again = delivery.deliver(Long.parseLong(instance.getId()));
            return again.<CompletionHandler<Void>>map(at -> (done, operations) -> operations.reschedule(done, at.toInstant()))
                    .orElseGet(() -> (done, operations) -> operations.remove());
        });
        this.database = new TransactionAwareDataSourceProxy(database);
        this.lookEvery = lookEvery;
        client = SchedulerClient.Builder.create(this.database, task).build();
    }

    /** Has a message tried at once, within the transaction of the caller. */
    void schedule(long message) {
        client.scheduleIfNotExists(task.instance(String.valueOf(message)), Instant.now());
    }

    @Override
    public void start() {
        Scheduler fresh = Scheduler.create(database, task).threads(AT_ONCE).pollingInterval(lookEvery)
                .heartbeatInterval(Duration.ofMinutes(1)).build();
        fresh.start();
        scheduler = fresh;
    }

    @Override
    public void stop() {
        Scheduler running = scheduler;
        scheduler = null;
        if (running != null) {
            running.stop();
        }
    }

    @Override
    public boolean isRunning() {
        return scheduler != null;
    }
}
