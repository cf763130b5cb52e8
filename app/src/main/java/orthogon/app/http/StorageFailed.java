package orthogon.app.http;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/** The database could not be reached or written to: its disk is full, or it has closed itself after that. */
public record StorageFailed() {

    /** Whether that is why something failed. */
    static boolean isCauseOf(Throwable error) {
        boolean database = false;
        int depth = 0;
        for (Throwable cause = error; cause != null && depth < 20; cause = cause.getCause(), depth++) {
            if (cause instanceof DataAccessResourceFailureException || cause instanceof CannotCreateTransactionException
                    || cause instanceof SQLNonTransientConnectionException) {
                return true;
            }
            database |= cause instanceof SQLException;
            if (database && cause instanceof IOException) {
                return true;
            }
        }
        return false;
    }
}
