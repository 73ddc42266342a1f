package org.hiddenclerk.app.platform.problem;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.hibernate.exception.JDBCConnectionException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;

/**
 * What passes by itself or by somebody at the machine: a database that is away, a disk that is full. The words do not say whether a change
 * was kept, because what failed may have been the answer alone.
 */
public enum Outage {
    DISK_FULL(
            "The disk of the clerk is full, nothing more can be kept. What you entered is still here; somebody must make room."),
    DATABASE_AWAY("The database does not answer. What you entered is still here; it is tried again by itself.");

    /** ER_DISK_FULL and ER_RECORD_FILE_FULL of MariaDB. */
    private static final Set<Integer> FULL = Set.of(1021, 1114);
    /** What the system says, also inside MariaDB's ER_GET_ERRNO. */
    private static final String NO_SPACE = "No space left on device";

    private static final List<Class<? extends Exception>> AWAY = List.of(
            CannotCreateTransactionException.class,
            CannotGetJdbcConnectionException.class,
            JDBCConnectionException.class,
            SQLTransientConnectionException.class,
            SQLNonTransientConnectionException.class);

    private final String words;

    Outage(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** What is behind a failure, if it is one of these; a full disk may show as a lost connection too. */
    public static Optional<Outage> behind(Throwable failure) {
        List<Throwable> causes =
                Stream.iterate(failure, Objects::nonNull, Throwable::getCause).toList();
        if (causes.stream().anyMatch(Outage::isFull)) {
            return Optional.of(DISK_FULL);
        }
        return causes.stream().anyMatch(cause -> AWAY.stream().anyMatch(kind -> kind.isInstance(cause)))
                ? Optional.of(DATABASE_AWAY)
                : Optional.empty();
    }

    private static boolean isFull(Throwable cause) {
        boolean told = (cause instanceof SQLException || cause instanceof IOException)
                && String.valueOf(cause.getMessage()).contains(NO_SPACE);
        return told || cause instanceof SQLException sql && FULL.contains(sql.getErrorCode());
    }
}
