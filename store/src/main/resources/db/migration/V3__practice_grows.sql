-- Changes with every write to spots and practice, to a number not used before: what was read under one revision is good as long as it stands.
ALTER TABLE event ADD COLUMN revision BIGINT NOT NULL DEFAULT 0;

-- A stop has one of its own, for it and its strikes.
ALTER TABLE stop
    ADD COLUMN revision      BIGINT NOT NULL DEFAULT 0,
    ADD COLUMN clarity_trend VARCHAR(10),
    ADD COLUMN wind_from_deg DOUBLE,
    ADD COLUMN surface       VARCHAR(8),
    ADD COLUMN recent_front  BOOLEAN,
    ADD COLUMN level_trend   VARCHAR(8),
    ADD COLUMN water_current VARCHAR(8),
    ADD COLUMN bait_seen     BOOLEAN,
    ADD COLUMN bait_depth_m  DOUBLE;

ALTER TABLE bite
    ADD COLUMN retrieve      VARCHAR(80),
    ADD COLUMN fish_depth_m  DOUBLE,
    ADD COLUMN water_depth_m DOUBLE,
    ADD COLUMN struck        VARCHAR(10),
    ADD COLUMN on_rig        VARCHAR(80),
    ADD COLUMN notes_entered JSON NOT NULL DEFAULT '{}';

-- What the electronics showed; a note on the water, or on a spot.
CREATE TABLE mark (
    event_id      BIGINT      NOT NULL,
    account_id    BIGINT      NOT NULL,
    ordinal       INT         NOT NULL,
    code          VARCHAR(64) NOT NULL,
    at            DATETIME(3) NOT NULL,
    lat           DOUBLE      NOT NULL,
    lon           DOUBLE      NOT NULL,
    spot_code     VARCHAR(64),
    fish_depth_m  DOUBLE,
    water_depth_m DOUBLE,
    bottom        VARCHAR(8),
    bait          BOOLEAN,
    holding       VARCHAR(16),
    note          VARCHAR(200),
    entered       JSON        NOT NULL,
    deleted_at    DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, spot_code) REFERENCES spot (event_id, code)
);

-- The boat's runs as tracks showed them.
CREATE TABLE boat_run (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    start_at   DATETIME(3) NOT NULL,
    end_at     DATETIME(3) NOT NULL,
    metres     DOUBLE      NOT NULL,
    mps        DOUBLE      NOT NULL,
    wind_mps   DOUBLE,
    PRIMARY KEY (event_id, start_at),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
