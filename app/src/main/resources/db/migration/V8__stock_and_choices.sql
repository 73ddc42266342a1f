-- The stock book, what a house and the firm want, choices for whole houses, and what a person takes on with a reason.
CREATE TABLE stock_item (
    code       VARCHAR(40)  NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    kind       VARCHAR(20)  NOT NULL,
    document   LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    on_hand    INT          NOT NULL,
    retired    BOOLEAN      NOT NULL,
    changed_by VARCHAR(120) NOT NULL,
    changed_at DATETIME(6)  NOT NULL
);

CREATE TABLE firm_setting (
    name       VARCHAR(40)  NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    document   LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    changed_by VARCHAR(120) NOT NULL,
    changed_at DATETIME(6)  NOT NULL
);

CREATE TABLE house_setting (
    job_id     UUID         NOT NULL PRIMARY KEY,
    version    BIGINT       NOT NULL,
    document   LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    changed_by VARCHAR(120) NOT NULL,
    changed_at DATETIME(6)  NOT NULL,
    CONSTRAINT house_setting_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE house_choice (
    id          UUID         NOT NULL PRIMARY KEY,
    version     BIGINT       NOT NULL,
    job_id      UUID         NOT NULL,
    name        VARCHAR(80)  NOT NULL,
    state       VARCHAR(20)  NOT NULL,
    words       VARCHAR(200) NOT NULL,
    request     LONGTEXT     NOT NULL CHECK (JSON_VALID(request)),
    result      LONGTEXT     CHECK (JSON_VALID(result)),
    started_by  VARCHAR(120) NOT NULL,
    started_at  DATETIME(6)  NOT NULL,
    finished_at DATETIME(6),
    CONSTRAINT house_choice_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE accepted_hold (
    id          UUID          NOT NULL PRIMARY KEY,
    box_id      UUID          NOT NULL,
    code        VARCHAR(40)   NOT NULL,
    subject     VARCHAR(200)  NOT NULL,
    finding     VARCHAR(1000) NOT NULL,
    reason      VARCHAR(500)  NOT NULL,
    accepted_by VARCHAR(120)  NOT NULL,
    accepted_at DATETIME(6)   NOT NULL,
    CONSTRAINT accepted_hold_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE goods_in (
    id        UUID         NOT NULL PRIMARY KEY,
    job_id    UUID         NOT NULL,
    code      VARCHAR(40)  NOT NULL,
    quantity  INT          NOT NULL,
    serials   LONGTEXT     NOT NULL CHECK (JSON_VALID(serials)),
    taken_by  VARCHAR(120) NOT NULL,
    taken_at  DATETIME(6)  NOT NULL,
    CONSTRAINT goods_in_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- What a plan was issued with, so that a change in the stock book shows; plans issued before have none.
ALTER TABLE issued_plan ADD COLUMN modules LONGTEXT CHECK (JSON_VALID(modules));
ALTER TABLE box ADD COLUMN round_outline BOOLEAN NOT NULL DEFAULT FALSE;
