-- A box has at most one open run sheet. Of several that were open the last goes on; the others are set aside.
UPDATE run_sheet s
    JOIN (SELECT box_id, MAX(started_at) AS latest FROM run_sheet WHERE finished = FALSE AND set_aside = FALSE GROUP BY box_id) l ON l.box_id = s.box_id
SET s.set_aside = TRUE
WHERE s.finished = FALSE AND s.set_aside = FALSE AND s.started_at < l.latest;

ALTER TABLE run_sheet
    ADD COLUMN open_box UUID AS (IF(finished OR set_aside, NULL, box_id)) PERSISTENT,
    ADD UNIQUE INDEX run_sheet_one_open (open_box);

-- Held while something is entered on a run sheet of a house, so that entries come one after the other.
CREATE TABLE site_hold (
    job_id UUID NOT NULL PRIMARY KEY
);
