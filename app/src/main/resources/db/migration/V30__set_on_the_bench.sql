-- What a module was set to when that was called done on the bench: a plan that wants something else since opens the step again.
ALTER TABLE bench_unit ADD COLUMN set_to LONGTEXT CHECK (JSON_VALID(set_to));
