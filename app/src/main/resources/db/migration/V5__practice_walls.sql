-- Practice walls: what a person did at a made-up wall. The wall follows from level and seed, the marks from the deeds.
CREATE TABLE practice_run (
    id          UUID         NOT NULL PRIMARY KEY,
    learner     VARCHAR(100) NOT NULL,
    level       VARCHAR(20)  NOT NULL,
    seed        BIGINT       NOT NULL,
    deeds       MEDIUMTEXT   NOT NULL CHECK (JSON_VALID(deeds)),
    started_at  DATETIME(6)  NOT NULL,
    finished_at DATETIME(6),
    tests_used  INT,
    tests_needed INT,
    unsafe      INT,
    accepted    BOOLEAN,
    version     BIGINT       NOT NULL,
    INDEX practice_run_by_learner (learner, started_at)
);
