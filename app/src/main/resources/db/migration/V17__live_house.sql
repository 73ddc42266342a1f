-- Tests of a house that runs, as its people wrote them.
CREATE TABLE house_checks (
    job_id      UUID         NOT NULL PRIMARY KEY,
    version     BIGINT       NOT NULL,
    document    LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    changed_by  VARCHAR(120) NOT NULL,
    changed_at  DATETIME(6)  NOT NULL,
    CONSTRAINT house_checks_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- Who may come in at the broker, and for which house.
CREATE TABLE broker_account (
    id            UUID         NOT NULL PRIMARY KEY,
    job_id        UUID         NOT NULL,
    user_name     VARCHAR(80)  NOT NULL UNIQUE,
    password_hash VARCHAR(255) NOT NULL,
    may_command   BOOLEAN      NOT NULL,
    made_by       VARCHAR(120) NOT NULL,
    made_at       DATETIME(6)  NOT NULL,
    CONSTRAINT broker_account_job FOREIGN KEY (job_id) REFERENCES job (id),
    INDEX broker_account_of_job (job_id)
);
