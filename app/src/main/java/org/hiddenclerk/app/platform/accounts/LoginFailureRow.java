package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** Failed logins of one account name or one address. */
@Entity
@Table(name = "login_failure")
public class LoginFailureRow {
    @Id
    private String subject;

    private int failures;
    private Instant lastFailure;

    protected LoginFailureRow() {}

    LoginFailureRow(String subject) {
        this.subject = subject;
    }

    int failures() {
        return failures;
    }

    Instant lastFailure() {
        return lastFailure;
    }

    void failed(Instant when) {
        failures++;
        lastFailure = when;
    }
}
