-- People of the firm with what they may do, a second factor, the jobs of fitters, and links for households.
ALTER TABLE account
    ADD COLUMN disabled_at DATETIME(6),
    ADD COLUMN second_factor VARBINARY(512),
    ADD COLUMN pending_factor VARBINARY(512),
    ADD COLUMN last_step BIGINT NOT NULL DEFAULT 0;

CREATE TABLE recovery_code (
    account_id UUID     NOT NULL,
    hash       CHAR(64) NOT NULL,
    PRIMARY KEY (account_id, hash),
    CONSTRAINT recovery_code_account FOREIGN KEY (account_id) REFERENCES account (id)
);

CREATE TABLE assignment (
    job_id     UUID NOT NULL,
    account_id UUID NOT NULL,
    PRIMARY KEY (job_id, account_id),
    CONSTRAINT assignment_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
    CONSTRAINT assignment_account FOREIGN KEY (account_id) REFERENCES account (id)
);

-- A link by which a person gets a password: a new one, or one whose account is there already.
CREATE TABLE invitation (
    id           UUID         NOT NULL PRIMARY KEY,
    account_id   UUID,
    hash         CHAR(64)     NOT NULL,
    display_name VARCHAR(120) NOT NULL,
    role         VARCHAR(20)  NOT NULL,
    invited_by   VARCHAR(120) NOT NULL,
    created_at   DATETIME(6)  NOT NULL,
    expires_at   DATETIME(6)  NOT NULL,
    used_at      DATETIME(6),
    CONSTRAINT invitation_hash UNIQUE (hash),
    CONSTRAINT invitation_account FOREIGN KEY (account_id) REFERENCES account (id)
);

CREATE TABLE guest_link (
    id         UUID         NOT NULL PRIMARY KEY,
    job_id     UUID         NOT NULL,
    hash       CHAR(64)     NOT NULL,
    label      VARCHAR(120) NOT NULL,
    made_by    VARCHAR(120) NOT NULL,
    created_at DATETIME(6)  NOT NULL,
    expires_at DATETIME(6)  NOT NULL,
    revoked_at DATETIME(6),
    CONSTRAINT guest_link_hash UNIQUE (hash),
    CONSTRAINT guest_link_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
);

-- Tokens of before may do what their owner may, for another three months.
ALTER TABLE api_token
    ADD COLUMN scopes VARCHAR(80) NOT NULL DEFAULT 'READ,WORK,FIRM,CODES',
    ADD COLUMN expires_at DATETIME(6) NOT NULL DEFAULT (UTC_TIMESTAMP(6) + INTERVAL 90 DAY);
ALTER TABLE api_token ALTER COLUMN scopes DROP DEFAULT, ALTER COLUMN expires_at DROP DEFAULT;

-- Each code is sealed with a key of its own, which the ring's key wraps; what was sealed by the ring's key itself has none.
ALTER TABLE credential ADD COLUMN data_key VARBINARY(80) AFTER key_no;
