-- What somebody saw of a device counts for the device that was switched last: when it was told to is noted, at no module.
ALTER TABLE recognition_note MODIFY unit_id UUID NULL;
-- Inputs of a device at which somebody moved a wall switch, as it told: it is at no place where none reaches them.
ALTER TABLE joined_device ADD COLUMN flipped_inputs VARCHAR(60) NOT NULL DEFAULT '';
