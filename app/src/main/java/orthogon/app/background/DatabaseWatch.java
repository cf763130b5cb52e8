package orthogon.app.background;

import com.zaxxer.hikari.HikariDataSource;
import java.io.File;
import java.util.concurrent.TimeUnit;
import orthogon.app.http.StorageFailed;
import orthogon.app.store.WorkspaceStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Knows when the database cannot be written to, and opens it anew once it can. An embedded database whose disk is full closes itself, so
 * that nothing half written is kept, and stays closed; what it has confirmed is there when it is opened again.
 */
@Component("storage")
public class DatabaseWatch implements HealthIndicator {

    private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);

    private final WorkspaceStore workspace;
    private final HikariDataSource connections;
    private final File folder;
    private final long leastRoom;
    private volatile boolean failed;

    /** @param leastRoom on the disk, before the database is opened again */
    DatabaseWatch(WorkspaceStore workspace, HikariDataSource connections, @Value("${orthogon.data:./data}") File folder,
            @Value("${management.health.diskspace.threshold}") DataSize leastRoom) {
        this.workspace = workspace;
        this.connections = connections;
        this.folder = folder;
        this.leastRoom = leastRoom.toBytes();
    }

    @EventListener
    public void failed(StorageFailed failure) {
        if (!failed) {
            LOG.error("Nothing can be saved: {} MB are free on the disk of {}.", room() >> 20, folder);
        }
        failed = true;
    }

    private long room() {
        return folder.exists() ? folder.getUsableSpace() : Long.MAX_VALUE;
    }

    /** Opens the database again where it has failed and there is room; done every two seconds. */
    @Scheduled(fixedDelay = 2, timeUnit = TimeUnit.SECONDS)
    public void look() {
        if (!failed || room() < leastRoom) {
            return;
        }
        if (workspace.isWritable()) {
            failed = false;
            LOG.warn("The database can be written to again.");
            return;
        }
        workspace.reopen();
        connections.getHikariPoolMXBean().softEvictConnections();
    }

    @Override
    public Health health() {
        return failed ? Health.down().build() : Health.up().build();
    }
}
