-- Readings made to find out which conductor is what. They stay as evidence of what was written into the survey.
CREATE TABLE trace_reading (
    id        UUID         NOT NULL PRIMARY KEY,
    box_id    UUID         NOT NULL,
    kind      VARCHAR(12)  NOT NULL,
    core      VARCHAR(100),
    far_core  VARCHAR(100),
    positions VARCHAR(800) NOT NULL CHECK (JSON_VALID(positions)),
    value     BOOLEAN      NOT NULL,
    read_by   VARCHAR(100) NOT NULL,
    read_at   DATETIME(6)  NOT NULL,
    CONSTRAINT trace_reading_box FOREIGN KEY (box_id) REFERENCES box (id) ON DELETE CASCADE,
    INDEX trace_reading_by_box (box_id, read_at)
);
