CREATE TABLE account (
    id            UUID         NOT NULL PRIMARY KEY,
    name          VARCHAR(60)  NOT NULL,
    display_name  VARCHAR(120) NOT NULL,
    password_hash VARCHAR(200) NOT NULL,
    role          VARCHAR(20)  NOT NULL,
    created_at    DATETIME(6)  NOT NULL,
    CONSTRAINT account_name UNIQUE (name)
);

CREATE TABLE api_token (
    id         UUID         NOT NULL PRIMARY KEY,
    account_id UUID         NOT NULL,
    hash       CHAR(64)     NOT NULL,
    label      VARCHAR(120) NOT NULL,
    created_at DATETIME(6)  NOT NULL,
    revoked_at DATETIME(6),
    CONSTRAINT api_token_hash UNIQUE (hash),
    CONSTRAINT api_token_account FOREIGN KEY (account_id) REFERENCES account (id)
);

CREATE TABLE login_failure (
    subject      VARCHAR(190) NOT NULL PRIMARY KEY,
    failures     INT          NOT NULL,
    last_failure DATETIME(6)  NOT NULL
);

CREATE TABLE job (
    id         UUID         NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    name       VARCHAR(120) NOT NULL,
    place      VARCHAR(200) NOT NULL,
    region     VARCHAR(20)  NOT NULL,
    created_at DATETIME(6)  NOT NULL,
    CONSTRAINT job_name UNIQUE (name)
);

CREATE TABLE room (
    id       UUID         NOT NULL PRIMARY KEY,
    job_id   UUID         NOT NULL,
    name     VARCHAR(120) NOT NULL,
    storey   VARCHAR(60)  NOT NULL,
    position INT          NOT NULL,
    CONSTRAINT room_job FOREIGN KEY (job_id) REFERENCES job (id),
    CONSTRAINT room_name UNIQUE (job_id, name)
);

CREATE TABLE circuit (
    id                     UUID        NOT NULL PRIMARY KEY,
    job_id                 UUID        NOT NULL,
    label                  VARCHAR(20) NOT NULL,
    rating_ma              BIGINT      NOT NULL,
    phase                  VARCHAR(4)  NOT NULL,
    alternatively_supplied BOOLEAN     NOT NULL,
    CONSTRAINT circuit_job FOREIGN KEY (job_id) REFERENCES job (id),
    CONSTRAINT circuit_label UNIQUE (job_id, label)
);

CREATE TABLE box (
    id         UUID         NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    room_id    UUID         NOT NULL,
    label      VARCHAR(40)  NOT NULL,
    width_um   BIGINT       NOT NULL,
    height_um  BIGINT       NOT NULL,
    depth_um   BIGINT       NOT NULL,
    metal      BOOLEAN      NOT NULL,
    changed_by VARCHAR(120) NOT NULL,
    changed_at DATETIME(6)  NOT NULL,
    created_at DATETIME(6)  NOT NULL,
    CONSTRAINT box_room FOREIGN KEY (room_id) REFERENCES room (id)
);

CREATE TABLE gang (
    box_id     UUID         NOT NULL,
    position   INT          NOT NULL,
    name       VARCHAR(120) NOT NULL,
    mechanism  VARCHAR(20)  NOT NULL,
    depth_um   BIGINT       NOT NULL,
    circuit_id UUID         NOT NULL,
    PRIMARY KEY (box_id, position),
    CONSTRAINT gang_box FOREIGN KEY (box_id) REFERENCES box (id),
    CONSTRAINT gang_circuit FOREIGN KEY (circuit_id) REFERENCES circuit (id)
);

CREATE TABLE box_load (
    box_id     UUID         NOT NULL,
    position   INT          NOT NULL,
    number     INT          NOT NULL,
    name       VARCHAR(120) NOT NULL,
    typed      VARCHAR(200) NOT NULL,
    gang       INT          NOT NULL,
    continuous BOOLEAN      NOT NULL,
    PRIMARY KEY (box_id, position),
    CONSTRAINT box_load_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE box_cable (
    box_id      UUID          NOT NULL,
    position    INT           NOT NULL,
    name        VARCHAR(40)   NOT NULL,
    leads       VARCHAR(20)   NOT NULL,
    circuit_id  UUID,
    load_number INT,
    mm2         DECIMAL(6, 2) NOT NULL,
    PRIMARY KEY (box_id, position),
    CONSTRAINT box_cable_box FOREIGN KEY (box_id) REFERENCES box (id),
    CONSTRAINT box_cable_circuit FOREIGN KEY (circuit_id) REFERENCES circuit (id)
);

CREATE TABLE box_core (
    box_id   UUID        NOT NULL,
    position INT         NOT NULL,
    cable    VARCHAR(40) NOT NULL,
    number   INT         NOT NULL,
    colour   VARCHAR(20) NOT NULL,
    sleeve   VARCHAR(20),
    role     VARCHAR(20) NOT NULL,
    end_key  VARCHAR(80) NOT NULL,
    PRIMARY KEY (box_id, position),
    CONSTRAINT box_core_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE box_jumper (
    box_id   UUID        NOT NULL,
    position INT         NOT NULL,
    name     VARCHAR(40) NOT NULL,
    colour   VARCHAR(20) NOT NULL,
    from_key VARCHAR(80) NOT NULL,
    to_key   VARCHAR(80) NOT NULL,
    PRIMARY KEY (box_id, position),
    CONSTRAINT box_jumper_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE box_pick (
    box_id      UUID        NOT NULL,
    position    INT         NOT NULL,
    gang        INT         NOT NULL,
    module      INT         NOT NULL,
    module_code VARCHAR(40) NOT NULL,
    behaviour   VARCHAR(20) NOT NULL,
    bypass_mw   BIGINT,
    PRIMARY KEY (box_id, position),
    CONSTRAINT box_pick_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE issued_plan (
    id          UUID         NOT NULL PRIMARY KEY,
    box_id      UUID         NOT NULL,
    box_version BIGINT       NOT NULL,
    survey      LONGTEXT     NOT NULL CHECK (JSON_VALID(survey)),
    picks       LONGTEXT     NOT NULL CHECK (JSON_VALID(picks)),
    states      INT          NOT NULL,
    issued_by   VARCHAR(120) NOT NULL,
    issued_at   DATETIME(6)  NOT NULL,
    CONSTRAINT issued_plan_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE run_sheet (
    id         UUID         NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    plan_id    UUID         NOT NULL,
    box_id     UUID         NOT NULL,
    started_by VARCHAR(120) NOT NULL,
    started_at DATETIME(6)  NOT NULL,
    set_aside  BOOLEAN      NOT NULL,
    finished   BOOLEAN      NOT NULL,
    CONSTRAINT run_sheet_plan FOREIGN KEY (plan_id) REFERENCES issued_plan (id),
    CONSTRAINT run_sheet_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE run_sheet_entry (
    run_sheet_id UUID         NOT NULL,
    position     INT          NOT NULL,
    kind         VARCHAR(20)  NOT NULL,
    step_id      VARCHAR(80)  NOT NULL,
    detail       LONGTEXT     NOT NULL CHECK (JSON_VALID(detail)),
    text         VARCHAR(500) NOT NULL,
    who          VARCHAR(120) NOT NULL,
    entered_at   DATETIME(6)  NOT NULL,
    PRIMARY KEY (run_sheet_id, position),
    CONSTRAINT run_sheet_entry_sheet FOREIGN KEY (run_sheet_id) REFERENCES run_sheet (id)
);
