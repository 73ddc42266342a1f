-- A spacer under the plate of a box, planned with a pick.
ALTER TABLE box_pick ADD COLUMN spacer_mm INT NULL CHECK (spacer_mm BETWEEN 1 AND 200);
