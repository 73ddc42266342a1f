-- How circuits are protected, and volumes marked in boxes.
ALTER TABLE circuit
    ADD COLUMN device      VARCHAR(30)   NOT NULL DEFAULT 'BREAKER',
    ADD COLUMN residual_ma INT,
    ADD COLUMN cable_mm2   DECIMAL(5, 2);

ALTER TABLE box
    ADD COLUMN marked_in3 DECIMAL(6, 2);
