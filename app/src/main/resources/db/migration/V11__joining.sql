-- Modules in their networks, how they were told apart, and what they run.
ALTER TABLE bench_unit ADD COLUMN wanted LONGTEXT NOT NULL DEFAULT '{}' CHECK (JSON_VALID(wanted));

CREATE TABLE join_window (
    job_id    UUID         NOT NULL,
    protocol  VARCHAR(20)  NOT NULL,
    opened_by VARCHAR(120) NOT NULL,
    opened_at DATETIME(6)  NOT NULL,
    closes_at DATETIME(6)  NOT NULL,
    PRIMARY KEY (job_id, protocol),
    CONSTRAINT join_window_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE joined_device (
    id            UUID         NOT NULL PRIMARY KEY,
    version       BIGINT       NOT NULL,
    job_id        UUID         NOT NULL,
    protocol      VARCHAR(20)  NOT NULL,
    address       VARCHAR(60)  NOT NULL,
    kind          VARCHAR(40)  NOT NULL,
    name          VARCHAR(120) NOT NULL,
    firmware      VARCHAR(60)  NOT NULL,
    hops          INT          NOT NULL,
    passes_on     BOOLEAN      NOT NULL,
    link_open     INT,
    link_closed   INT,
    unit_id       UUID UNIQUE,
    -- What it was last read to be set to; empty until it was read.
    settings      LONGTEXT CHECK (JSON_VALID(settings)),
    silent        BOOLEAN      NOT NULL DEFAULT FALSE,
    flipped_at    DATETIME(6),
    came_in_at    DATETIME(6)  NOT NULL,
    UNIQUE (job_id, protocol, address),
    CONSTRAINT joined_device_job FOREIGN KEY (job_id) REFERENCES job (id),
    CONSTRAINT joined_device_unit FOREIGN KEY (unit_id) REFERENCES bench_unit (id)
);

CREATE TABLE recognition_note (
    id        UUID         NOT NULL PRIMARY KEY,
    device_id UUID         NOT NULL,
    unit_id   UUID         NOT NULL,
    -- SWITCHED or FLIPPED; NOT_THERE when it was switched and nothing changed.
    saw       VARCHAR(20)  NOT NULL,
    made_by   VARCHAR(120) NOT NULL,
    made_at   DATETIME(6)  NOT NULL,
    CONSTRAINT recognition_note_device FOREIGN KEY (device_id) REFERENCES joined_device (id),
    CONSTRAINT recognition_note_unit FOREIGN KEY (unit_id) REFERENCES bench_unit (id)
);

CREATE TABLE join_run (
    id        UUID         NOT NULL PRIMARY KEY,
    job_id    UUID         NOT NULL,
    protocol  VARCHAR(20)  NOT NULL,
    begun_by  VARCHAR(120) NOT NULL,
    begun_at  DATETIME(6)  NOT NULL,
    ended_at  DATETIME(6),
    expected  INT          NOT NULL,
    findings  LONGTEXT     NOT NULL CHECK (JSON_VALID(findings)),
    CONSTRAINT join_run_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE firmware_release (
    id       UUID         NOT NULL PRIMARY KEY,
    kind     VARCHAR(40)  NOT NULL,
    version  VARCHAR(60)  NOT NULL,
    sha256   CHAR(64)     NOT NULL,
    features LONGTEXT     NOT NULL CHECK (JSON_VALID(features)),
    notes    VARCHAR(500) NOT NULL,
    file     MEDIUMBLOB   NOT NULL,
    kept_by  VARCHAR(120) NOT NULL,
    kept_at  DATETIME(6)  NOT NULL,
    UNIQUE (kind, version)
);

CREATE TABLE rollout (
    id       UUID         NOT NULL PRIMARY KEY,
    job_id   UUID         NOT NULL,
    plan     LONGTEXT     NOT NULL CHECK (JSON_VALID(plan)),
    made_by  VARCHAR(120) NOT NULL,
    made_at  DATETIME(6)  NOT NULL,
    -- WAITING, RUNNING, HALTED, STOPPED, DONE
    state    VARCHAR(20)  NOT NULL,
    words    VARCHAR(300) NOT NULL,
    CONSTRAINT rollout_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- The order makes an event that two processes write at once a conflict for one of them.
CREATE TABLE rollout_event (
    rollout_id  UUID         NOT NULL,
    place       INT          NOT NULL,
    kind        VARCHAR(20)  NOT NULL,
    device      VARCHAR(60)  NOT NULL,
    detail      VARCHAR(300) NOT NULL,
    sha256      CHAR(64),
    happened_at DATETIME(6)  NOT NULL,
    PRIMARY KEY (rollout_id, place),
    CONSTRAINT rollout_event_rollout FOREIGN KEY (rollout_id) REFERENCES rollout (id)
);
