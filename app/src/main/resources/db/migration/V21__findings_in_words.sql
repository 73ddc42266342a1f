-- What was found of a box when it was last judged, to be searched; judged anew whenever somebody opens its house.
CREATE TABLE box_finding (
    box_id    UUID        NOT NULL PRIMARY KEY,
    words     TEXT        NOT NULL,
    judged_at DATETIME(6) NOT NULL,
    CONSTRAINT box_finding_box FOREIGN KEY (box_id) REFERENCES box (id) ON DELETE CASCADE,
    FULLTEXT INDEX box_finding_words (words)
);
