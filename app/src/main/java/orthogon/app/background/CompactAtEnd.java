package orthogon.app.background;

import jakarta.annotation.PreDestroy;
import orthogon.app.store.WorkspaceStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/** Writes the file of the database anew when Orthogon ends, where something was erased since the last time. */
@Component
class CompactAtEnd {

    private static final Logger LOG = LoggerFactory.getLogger(CompactAtEnd.class);

    private final WorkspaceStore workspace;

    CompactAtEnd(WorkspaceStore workspace) {
        this.workspace = workspace;
    }

    @PreDestroy
    void compact() {
        try {
            if (workspace.closeCompacted()) {
                LOG.info("The file of the database was written anew, without what was erased.");
            }
        } catch (DataAccessException e) {
            LOG.warn("The file of the database could not be written anew; it is tried again at the next end. {}", e.getMessage());
        }
    }
}
