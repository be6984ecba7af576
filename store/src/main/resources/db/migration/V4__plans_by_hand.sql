-- Wind from which the boat cannot be held on a spot open to it, m/s; null: not watched.
ALTER TABLE event ADD COLUMN most_wind_mps DOUBLE;

-- Whether a search keeps the stop as it stands.
ALTER TABLE plan_stop ADD COLUMN locked BOOLEAN NOT NULL DEFAULT FALSE;

-- How many of a plan's changes are in force: those after it were undone and may be done again.
ALTER TABLE plan ADD COLUMN changes_done INT NOT NULL DEFAULT 0;
ALTER TABLE plan DROP COLUMN before_change;

-- What was done to a plan, change by change, so that it can be undone and done again: stops as JSON lists.
CREATE TABLE plan_change (
    plan_id      BIGINT       NOT NULL,
    account_id   BIGINT       NOT NULL,
    ordinal      INT          NOT NULL,
    words        VARCHAR(160) NOT NULL,
    name_before  VARCHAR(80),
    name_after   VARCHAR(80),
    stops_before JSON         NOT NULL,
    stops_after  JSON         NOT NULL,
    PRIMARY KEY (plan_id, ordinal),
    FOREIGN KEY (plan_id, account_id) REFERENCES plan (id, account_id) ON DELETE CASCADE
);

-- When other periods took this one's place; null: it is the forecast. Those replaced last are kept for undo.
ALTER TABLE forecast_period ADD COLUMN replaced_at DATETIME(3);
