package org.hiddenclerk.app.platform.accounts;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;

/**
 * When somebody was last here is kept to the minute. Kept to the millisecond, every request that only reads would write a row and its
 * index, and wait for the disk.
 */
@Configuration(proxyBeanMethods = false)
class SessionWrites {
    /** The library's own statement, with its parameters in their order. A row that stays the same is not written. */
    private static final String TO_THE_MINUTE =
            """
            UPDATE %TABLE_NAME%
            SET SESSION_ID = ?, LAST_ACCESS_TIME = ? DIV 60000 * 60000, MAX_INACTIVE_INTERVAL = ?,
                EXPIRY_TIME = (? DIV 60000 + 1) * 60000, PRINCIPAL_NAME = ?
            WHERE PRIMARY_ID = ?
            """;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> keptToTheMinute() {
        return sessions -> sessions.setUpdateSessionQuery(TO_THE_MINUTE);
    }
}
