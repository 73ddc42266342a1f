package org.hiddenclerk.app.platform.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.util.Optional;
import java.util.stream.Stream;
import org.hibernate.exception.JDBCConnectionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;

/**
 * Numbers of errors as MariaDB's list of them has them: 1021 ER_DISK_FULL, 1030 ER_GET_ERRNO, 1114
 * ER_RECORD_FILE_FULL, 1205 a lock that was waited for.
 */
class OutageTest {
    static Stream<Throwable> away() {
        return Stream.of(
                new CannotCreateTransactionException("no"),
                new CannotGetJdbcConnectionException("no"),
                new JDBCConnectionException("no", new SQLException("no")),
                new RuntimeException(
                        new IllegalStateException(new SQLNonTransientConnectionException("Socket error"))));
    }

    static Stream<Throwable> full() {
        return Stream.of(
                new RuntimeException(new SQLException("The table 'box' is full", "HY000", 1114)),
                new SQLException("Disk full", "HY000", 1021),
                new SQLException("Got error 28 \"No space left on device\" from storage engine", "HY000", 1030),
                new UncheckedIOException(new IOException("write: No space left on device")),
                new CannotCreateTransactionException("no", new SQLException("The table is full", "HY000", 1114)));
    }

    static Stream<Throwable> neither() {
        return Stream.of(
                new IllegalStateException("broken"),
                new DataIntegrityViolationException("twice", new SQLException("Duplicate entry", "23000", 1062)),
                new SQLException("Lock wait timeout", "HY000", 1205),
                new SQLException("Got error 1 from storage engine", "HY000", 1030),
                new IOException("Connection reset by peer"));
    }

    @ParameterizedTest
    @MethodSource("away")
    void aDatabaseThatIsAwayIsTold(Throwable failure) {
        assertThat(Outage.behind(failure)).hasValue(Outage.DATABASE_AWAY);
    }

    @ParameterizedTest
    @MethodSource("full")
    void aFullDiskIsToldEvenWhereTheConnectionWentWithIt(Throwable failure) {
        assertThat(Outage.behind(failure)).hasValue(Outage.DISK_FULL);
    }

    @ParameterizedTest
    @MethodSource("neither")
    void whatIsAnybodysOwnFaultIsNoOutage(Throwable failure) {
        assertThat(Outage.behind(failure)).isEqualTo(Optional.empty());
    }

    /** Saying that nothing was changed would be a guess: the answer may have failed after the change. */
    @Test
    void theWordsDoNotSayWhetherAnythingWasKept() {
        assertThat(Outage.values())
                .extracting(Outage::words)
                .noneMatch(words -> words.contains("Nothing was changed"))
                .allMatch(words -> words.contains("still here"));
    }
}
