-- How often an event was written to: what was read of it holds as long as this number stays.
ALTER TABLE event ADD COLUMN writes BIGINT NOT NULL DEFAULT 0;
