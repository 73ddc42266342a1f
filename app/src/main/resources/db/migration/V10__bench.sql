-- Modules on the bench, their credentials, and the names of a job.
CREATE TABLE naming (
    job_id  UUID         NOT NULL PRIMARY KEY,
    version BIGINT       NOT NULL,
    tokens  VARCHAR(200) NOT NULL,
    CONSTRAINT naming_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE bench_unit (
    id           UUID         NOT NULL PRIMARY KEY,
    version      BIGINT       NOT NULL,
    job_id       UUID         NOT NULL,
    serial       VARCHAR(80)  NOT NULL UNIQUE,
    module_code  VARCHAR(40)  NOT NULL,
    -- The box and the pick of it that the module is for.
    box_id       UUID,
    pick         INT,
    address      VARCHAR(16) UNIQUE,
    display_name VARCHAR(32),
    handle       VARCHAR(63),
    taken_by     VARCHAR(120) NOT NULL,
    taken_at     DATETIME(6)  NOT NULL,
    UNIQUE (box_id, pick),
    UNIQUE (job_id, handle),
    CONSTRAINT bench_unit_job FOREIGN KEY (job_id) REFERENCES job (id),
    CONSTRAINT bench_unit_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE bench_mark (
    unit_id UUID         NOT NULL,
    place   INT          NOT NULL,
    step    VARCHAR(20)  NOT NULL,
    outcome VARCHAR(20)  NOT NULL,
    note    VARCHAR(500) NOT NULL,
    made_by VARCHAR(120) NOT NULL,
    made_at DATETIME(6)  NOT NULL,
    PRIMARY KEY (unit_id, place),
    CONSTRAINT bench_mark_unit FOREIGN KEY (unit_id) REFERENCES bench_unit (id)
);

-- Sealed with AES-GCM; the keys lie outside the database. The print tells equal ones apart without opening them.
CREATE TABLE credential (
    id       UUID          NOT NULL PRIMARY KEY,
    unit_id  UUID          NOT NULL,
    kind     VARCHAR(40)   NOT NULL,
    key_no   INT           NOT NULL,
    nonce    BINARY(12)    NOT NULL,
    sealed   VARBINARY(1024) NOT NULL,
    print    BINARY(32)    NOT NULL UNIQUE,
    masked   VARCHAR(40)   NOT NULL,
    facts    LONGTEXT      NOT NULL CHECK (JSON_VALID(facts)),
    kept_by  VARCHAR(120)  NOT NULL,
    kept_at  DATETIME(6)   NOT NULL,
    CONSTRAINT credential_unit FOREIGN KEY (unit_id) REFERENCES bench_unit (id)
);

CREATE TABLE credential_showing (
    id            UUID         NOT NULL PRIMARY KEY,
    credential_id UUID         NOT NULL,
    why           VARCHAR(300) NOT NULL,
    shown_to      VARCHAR(120) NOT NULL,
    shown_at      DATETIME(6)  NOT NULL,
    CONSTRAINT credential_showing_credential FOREIGN KEY (credential_id) REFERENCES credential (id)
);
