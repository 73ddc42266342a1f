-- What a person takes on is kept for its subject and its facts. What was taken on before names subjects in words of old;
-- it has no facts, and is to be looked at again.
ALTER TABLE accepted_hold
    MODIFY subject VARCHAR(1000) NOT NULL,
    ADD COLUMN facts VARCHAR(1000) NULL AFTER subject;
