-- Links and rules of a job, with the sensors and remote controls that no box holds.
CREATE TABLE house_rules (
    job_id      UUID         NOT NULL PRIMARY KEY,
    version     BIGINT       NOT NULL,
    document    LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    previous    LONGTEXT     NULL CHECK (previous IS NULL OR JSON_VALID(previous)),
    changed_by  VARCHAR(120) NOT NULL,
    changed_at  DATETIME(6)  NOT NULL,
    CONSTRAINT house_rules_job FOREIGN KEY (job_id) REFERENCES job (id)
);
