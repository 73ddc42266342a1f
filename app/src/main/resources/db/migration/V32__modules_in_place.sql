-- Modules that were found in a box, as the survey tells them: a list in JSON, empty for most boxes.
alter table box add column modules_in_place json null;
