-- What was found at the tests of the hand over, entry by entry, and when a house was handed over.
CREATE TABLE handover_entry (
    id         UUID          NOT NULL PRIMARY KEY,
    job_id     UUID          NOT NULL,
    box_id     UUID          NOT NULL,
    test       VARCHAR(200)  NOT NULL,
    as_planned BOOLEAN       NOT NULL,
    figure     DECIMAL(10, 2),
    note       VARCHAR(500)  NOT NULL,
    cause      VARCHAR(500)  NOT NULL,
    -- Prints of what the test rested on.
    basis      LONGTEXT      NOT NULL CHECK (JSON_VALID(basis)),
    sent_key   VARCHAR(40)   UNIQUE,
    made_by    VARCHAR(120)  NOT NULL,
    made_at    DATETIME(6)   NOT NULL,
    CONSTRAINT handover_entry_job FOREIGN KEY (job_id) REFERENCES job (id),
    CONSTRAINT handover_entry_box FOREIGN KEY (box_id) REFERENCES box (id),
    INDEX handover_entry_of_job (job_id, made_at)
);

CREATE TABLE handed_over (
    id       UUID         NOT NULL PRIMARY KEY,
    job_id   UUID         NOT NULL,
    given_to VARCHAR(120) NOT NULL,
    given_by VARCHAR(120) NOT NULL,
    given_at DATETIME(6)  NOT NULL,
    tests    INT          NOT NULL,
    CONSTRAINT handed_over_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- Papers on their way and printed. The file lies apart, so that a list does not carry it.
CREATE TABLE paper (
    id          UUID         NOT NULL PRIMARY KEY,
    job_id      UUID         NOT NULL,
    kind        VARCHAR(20)  NOT NULL,
    size        VARCHAR(10)  NOT NULL,
    state       VARCHAR(20)  NOT NULL,
    words       VARCHAR(200) NOT NULL,
    done        INT          NOT NULL,
    parts       INT          NOT NULL,
    draft       BOOLEAN      NOT NULL,
    bytes       INT          NOT NULL,
    made_by     VARCHAR(120) NOT NULL,
    made_at     DATETIME(6)  NOT NULL,
    finished_at DATETIME(6),
    CONSTRAINT paper_job FOREIGN KEY (job_id) REFERENCES job (id),
    INDEX paper_of_job (job_id, made_at)
);

CREATE TABLE paper_file (
    paper_id UUID     NOT NULL PRIMARY KEY,
    pdf      LONGBLOB NOT NULL,
    CONSTRAINT paper_file_paper FOREIGN KEY (paper_id) REFERENCES paper (id) ON DELETE CASCADE
);
