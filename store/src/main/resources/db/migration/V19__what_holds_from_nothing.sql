-- The plan of a day that is followed on the water: the one marked last. Of plans that were never marked it is the newest.
ALTER TABLE plan ADD COLUMN followed_at DATETIME(3);

-- Times that could not be meant were once kept as zero dates, which nothing can read.
DELETE FROM phone_fix WHERE at < '1900-01-01' OR at >= '3000-01-01';

-- The lake that an import replaced, for undo; its depths are the layer 'former' of depth_grid. NULL: there was none.
CREATE TABLE former_lake (
    event_id    BIGINT      NOT NULL,
    account_id  BIGINT      NOT NULL,
    geo_json    LONGTEXT    NULL,
    replaced_at DATETIME(3) NOT NULL,
    PRIMARY KEY (event_id),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
