-- A module on the bench is known by the module of the plans that it is to be, and by the box where that sits: of a pair over two boxes each has its own.
ALTER TABLE bench_unit ADD COLUMN planned_module VARCHAR(80);
UPDATE bench_unit SET planned_module = CONCAT(box_id, '/K', pick) WHERE pick < 101;
-- Those that go with another module were counted by box, which does not tell what they go with: their places wait for a module again.
UPDATE bench_unit SET box_id = NULL, display_name = NULL, handle = NULL WHERE pick >= 101;
ALTER TABLE bench_unit ADD INDEX bench_unit_box_id (box_id), DROP INDEX box_id, DROP COLUMN pick, ADD CONSTRAINT bench_unit_planned UNIQUE (planned_module);

-- Inputs of modules that go with the one module of a box were counted on; now they bear its number and their own.
UPDATE feel f JOIN (SELECT box_id, MAX(module) AS last FROM box_pick GROUP BY box_id) p ON p.box_id = f.box_id
SET f.input_key = CONCAT('K1.', CAST(SUBSTRING(SUBSTRING_INDEX(f.input_key, '/', 1), 2) AS UNSIGNED) - 1, '/', SUBSTRING_INDEX(f.input_key, '/', -1))
WHERE p.last = 1 AND f.input_key NOT LIKE 'K1/%' AND f.input_key NOT LIKE 'K1.%';
