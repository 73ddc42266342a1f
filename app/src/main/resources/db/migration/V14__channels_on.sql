-- Channels of a device that are on, with commas, as it last told: nothing is updated while a lamp is in use.
ALTER TABLE joined_device ADD COLUMN channels_on VARCHAR(60) NOT NULL DEFAULT '';
