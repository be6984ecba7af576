-- Where the boat can wait for the end of lightning.
ALTER TABLE spot ADD COLUMN shelter BOOLEAN NOT NULL DEFAULT FALSE;

-- Wind from which the boat does not run across open water.
ALTER TABLE event ADD COLUMN max_run_wind_mps DOUBLE NULL;

-- What services and files say of an hour besides; 'typed' rows go before theirs.
ALTER TABLE forecast_period
    ADD COLUMN gust_mps DOUBLE NULL,
    ADD COLUMN rain_mm DOUBLE NULL,
    ADD COLUMN thunder_chance DOUBLE NULL,
    ADD COLUMN air_temp_c DOUBLE NULL,
    ADD COLUMN pressure_hpa DOUBLE NULL,
    ADD COLUMN origin VARCHAR(8) NOT NULL DEFAULT 'typed';

-- The address that the weather of an event is asked at, and how that went; trouble is NULL after a good answer.
CREATE TABLE weather_source (
    event_id      BIGINT        NOT NULL,
    account_id    BIGINT        NOT NULL,
    address       VARCHAR(1000) NOT NULL,
    every_minutes INT           NOT NULL,
    form          VARCHAR(60)   NULL,
    hours         INT           NULL,
    left_out      INT           NULL,
    tried_at      DATETIME(3)   NULL,
    answered_at   DATETIME(3)   NULL,
    trouble       VARCHAR(500)  NULL,
    PRIMARY KEY (event_id),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
