-- Work that one of several nodes does alone.
CREATE TABLE lease (
    name       VARCHAR(64)  NOT NULL PRIMARY KEY,
    lock_until TIMESTAMP(3) NOT NULL,
    locked_at  TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    locked_by  VARCHAR(255) NOT NULL
);

-- Houses whose rows were put in anew, for the nodes that did not do it. A number may be missing: of a transaction that was taken back.
CREATE TABLE house_read_anew (
    number  BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
    node    VARCHAR(60) NOT NULL,
    job_id  UUID        NOT NULL,
    boxes   LONGTEXT    NOT NULL,
    told_at DATETIME(6) NOT NULL
);
