-- Every change of what is kept: who, when, before, after. Searched by its words.
CREATE TABLE log_entry (
    id      BIGINT        NOT NULL PRIMARY KEY AUTO_INCREMENT,
    -- Empty for what belongs to the firm.
    job_id  UUID,
    -- No foreign key: what is told of a box outlives it.
    box_id  UUID,
    concept VARCHAR(40)   NOT NULL,
    action  VARCHAR(10)   NOT NULL,
    subject VARCHAR(200)  NOT NULL,
    words   VARCHAR(2000) NOT NULL,
    changes LONGTEXT      NOT NULL CHECK (JSON_VALID(changes)),
    who     VARCHAR(120)  NOT NULL,
    at      DATETIME(6)   NOT NULL,
    CONSTRAINT log_entry_job FOREIGN KEY (job_id) REFERENCES job (id),
    INDEX log_entry_of_job (job_id, id),
    INDEX log_entry_of_box (box_id, id),
    FULLTEXT INDEX log_entry_words (subject, words)
);
