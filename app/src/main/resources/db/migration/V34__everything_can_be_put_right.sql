-- Circuits and rooms can be changed and taken away, guarded by a version; a box that is taken away can be put back.
alter table room add column version bigint not null default 0;
alter table circuit add column version bigint not null default 0;
alter table box add column removed_at datetime(6) null;
-- What was filled in as it usually is, and nobody has looked at yet.
alter table box add column as_usual boolean not null default false;
alter table box_cable add column as_usual boolean not null default false;
