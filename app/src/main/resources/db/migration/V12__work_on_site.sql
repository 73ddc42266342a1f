-- Locks that people hang on circuits, what run sheets refused, and what was found otherwise than drawn.
CREATE TABLE circuit_lock (
    id           UUID         NOT NULL PRIMARY KEY,
    circuit_id   UUID         NOT NULL,
    box_id       UUID         NOT NULL,
    person       VARCHAR(120) NOT NULL,
    put_on_at    DATETIME(6)  NOT NULL,
    taken_off_at DATETIME(6),
    CONSTRAINT circuit_lock_circuit FOREIGN KEY (circuit_id) REFERENCES circuit (id),
    CONSTRAINT circuit_lock_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE refused_entry (
    id         UUID         NOT NULL PRIMARY KEY,
    box_id     UUID         NOT NULL,
    step_id    VARCHAR(80)  NOT NULL,
    who        VARCHAR(120) NOT NULL,
    refused_at DATETIME(6)  NOT NULL,
    why        VARCHAR(500) NOT NULL,
    CONSTRAINT refused_entry_box FOREIGN KEY (box_id) REFERENCES box (id)
);

CREATE TABLE found_otherwise (
    id         UUID         NOT NULL PRIMARY KEY,
    box_id     UUID         NOT NULL,
    words      VARCHAR(500) NOT NULL,
    found_by   VARCHAR(120) NOT NULL,
    found_at   DATETIME(6)  NOT NULL,
    settled_by VARCHAR(120),
    settled_at DATETIME(6),
    CONSTRAINT found_otherwise_box FOREIGN KEY (box_id) REFERENCES box (id)
);

-- Entries are made once, however often a weak connection sends them.
ALTER TABLE run_sheet_entry ADD COLUMN sent_key VARCHAR(40);
