-- The plan of the days on site of a job, with what it was asked for.
CREATE TABLE day_plan (
    job_id   UUID         NOT NULL PRIMARY KEY,
    version  BIGINT       NOT NULL,
    asked    LONGTEXT     NOT NULL CHECK (JSON_VALID(asked)),
    planned  LONGTEXT     NOT NULL CHECK (JSON_VALID(planned)),
    made_by  VARCHAR(120) NOT NULL,
    made_at  DATETIME(6)  NOT NULL,
    CONSTRAINT day_plan_job FOREIGN KEY (job_id) REFERENCES job (id)
);
