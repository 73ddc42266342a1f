-- Boxes that cables join, loads that hang in a box, circuits at extra-low voltage, and the scheme of each pick.
ALTER TABLE box
    ADD COLUMN kind VARCHAR(20) NOT NULL DEFAULT 'WALL';

ALTER TABLE box_load
    ADD COLUMN motor     VARCHAR(120),
    ADD COLUMN direction VARCHAR(10);

ALTER TABLE box_cable
    ADD COLUMN other_box   UUID,
    ADD COLUMN other_cable VARCHAR(40),
    ADD CONSTRAINT box_cable_other FOREIGN KEY (other_box) REFERENCES box (id);

ALTER TABLE circuit
    MODIFY COLUMN phase VARCHAR(12) NOT NULL,
    ADD COLUMN elv_mv BIGINT;

-- Without a scheme a pick is wired by the usual one for its supply.
ALTER TABLE box_pick
    ADD COLUMN scheme         VARCHAR(40),
    ADD COLUMN load_number    INT,
    ADD COLUMN companion_code VARCHAR(40);

ALTER TABLE issued_plan
    ADD COLUMN neighbours LONGTEXT NOT NULL DEFAULT '[]' CHECK (JSON_VALID(neighbours));
