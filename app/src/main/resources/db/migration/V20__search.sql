-- Words of what people look for. Tokens of fewer than three letters are not in these indexes; labels and serials are looked up by how they begin.
ALTER TABLE job ADD FULLTEXT INDEX job_words (name, place);
ALTER TABLE room ADD FULLTEXT INDEX room_words (name);
ALTER TABLE gang ADD FULLTEXT INDEX gang_words (name);
ALTER TABLE box_load ADD FULLTEXT INDEX box_load_words (name, typed);
ALTER TABLE bench_unit ADD FULLTEXT INDEX bench_unit_words (serial, display_name, handle);
ALTER TABLE joined_device ADD FULLTEXT INDEX joined_device_words (name, address);
ALTER TABLE accepted_hold ADD FULLTEXT INDEX accepted_hold_words (subject, finding, reason);
ALTER TABLE found_otherwise ADD FULLTEXT INDEX found_otherwise_words (words);
ALTER TABLE handover_entry ADD FULLTEXT INDEX handover_entry_words (note, cause);
ALTER TABLE box ADD INDEX box_label (label);
ALTER TABLE circuit ADD INDEX circuit_label_of_any_job (label);

-- A job that is done with, and what of its people is gone.
ALTER TABLE job ADD COLUMN archived_at DATETIME(6), ADD COLUMN people_removed_at DATETIME(6), ADD COLUMN contact VARCHAR(300) NOT NULL DEFAULT '', ADD COLUMN visit_on DATE;
