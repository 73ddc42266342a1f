-- Photos of boxes, made anew from what was sent: no positions, no hidden content.
CREATE TABLE box_photo (
    id       UUID         NOT NULL PRIMARY KEY,
    box_id   UUID         NOT NULL,
    width    INT          NOT NULL,
    height   INT          NOT NULL,
    jpeg     LONGBLOB     NOT NULL,
    taken_by VARCHAR(100) NOT NULL,
    taken_at DATETIME(6)  NOT NULL,
    CONSTRAINT box_photo_box FOREIGN KEY (box_id) REFERENCES box (id) ON DELETE CASCADE,
    INDEX box_photo_by_box (box_id, taken_at)
);
