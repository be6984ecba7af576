-- Candidates of the map that the angler does not want to see again.
CREATE TABLE hidden_candidate (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    kind       VARCHAR(16) NOT NULL,
    lat        DOUBLE      NOT NULL,
    lon        DOUBLE      NOT NULL,
    PRIMARY KEY (event_id, kind, lat, lon),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

-- What the depths of a lake rest on: 'map' as a file gave them, 'all' with the soundings in them. Cells that nothing was measured near
-- are bits, deflated; NULL where there are none.
ALTER TABLE depth_grid
    DROP PRIMARY KEY,
    ADD COLUMN layer VARCHAR(8) NOT NULL DEFAULT 'all',
    ADD COLUMN source VARCHAR(200) NOT NULL DEFAULT '',
    ADD COLUMN guessed LONGBLOB NULL,
    ADD PRIMARY KEY (event_id, layer);
INSERT INTO depth_grid (event_id, account_id, checksum, columns_, rows_, west, south, cell_size, depths, layer)
    SELECT event_id, account_id, checksum, columns_, rows_, west, south, cell_size, depths, 'map' FROM depth_grid;

-- Soundings of one file, cleaned, at the lake's reference level: latitude and longitude in 1e-7 degrees, depth in cm, four bytes each, deflated.
CREATE TABLE sounding_survey (
    event_id   BIGINT       NOT NULL,
    account_id BIGINT       NOT NULL,
    code       VARCHAR(64)  NOT NULL,
    file_name  VARCHAR(200) NOT NULL,
    taken_on   DATE         NULL,
    count_     INT          NOT NULL,
    left_out   INT          NOT NULL,
    soundings  LONGBLOB     NOT NULL,
    kept_at    DATETIME(6)  NOT NULL,
    deleted_at DATETIME(6)  NULL,
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

-- The sign a plotter had for it.
ALTER TABLE spot ADD COLUMN symbol VARCHAR(60) NULL;
