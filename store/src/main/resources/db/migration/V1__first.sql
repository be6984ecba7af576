-- Every table carries the account it belongs to; children point at their parent by (id, account) so that no row can hang on another
-- account's. Quantities are SI; times are UTC. "entered" keeps quantities as they were typed, a JSON object by field name.

CREATE TABLE account (
    id            BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name          VARCHAR(80)  NOT NULL,
    password_hash VARCHAR(255) NOT NULL,
    units         VARCHAR(80)  NOT NULL DEFAULT 'lb-oz in ft F mph',
    created_at    DATETIME(3)  NOT NULL DEFAULT UTC_TIMESTAMP(3),
    UNIQUE KEY account_name (name)
) COLLATE utf8mb4_general_ci;

CREATE TABLE event (
    id                     BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
    account_id             BIGINT       NOT NULL,
    name                   VARCHAR(120) NOT NULL,
    time_zone              VARCHAR(64)  NOT NULL,
    format                 VARCHAR(16)  NOT NULL,
    bag_limit              INT,
    anglers                INT          NOT NULL,
    target_grams           DOUBLE,
    scale_grams            DOUBLE,
    dead_fish_grams        DOUBLE,
    late_grams_per_minute  DOUBLE,
    late_disqualify_minutes DOUBLE,
    short_fish_grams       DOUBLE,
    max_hooks_per_rig      INT,
    banned_gear            JSON         NOT NULL,
    launch_lat             DOUBLE       NOT NULL,
    launch_lon             DOUBLE       NOT NULL,
    check_in_lat           DOUBLE       NOT NULL,
    check_in_lon           DOUBLE       NOT NULL,
    run_mps                DOUBLE       NOT NULL,
    rough_mps              DOUBLE       NOT NULL,
    settle_minutes         DOUBLE       NOT NULL,
    fuel_litres            DOUBLE,
    litres_per_km          DOUBLE,
    boat_entered           JSON         NOT NULL,
    entered                JSON         NOT NULL,
    created_at             DATETIME(3)  NOT NULL DEFAULT UTC_TIMESTAMP(3),
    deleted_at             DATETIME(3),
    UNIQUE KEY event_account (id, account_id),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE event_day (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    ordinal    INT         NOT NULL,
    date       DATE        NOT NULL,
    start_at   DATETIME(3) NOT NULL,
    check_in_at DATETIME(3) NOT NULL,
    PRIMARY KEY (event_id, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE practice_day (
    event_id   BIGINT NOT NULL,
    account_id BIGINT NOT NULL,
    ordinal    INT    NOT NULL,
    date       DATE   NOT NULL,
    PRIMARY KEY (event_id, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE species_rule (
    event_id      BIGINT      NOT NULL,
    account_id    BIGINT      NOT NULL,
    ordinal       INT         NOT NULL,
    species       VARCHAR(16) NOT NULL,
    min_length_mm DOUBLE,
    bag_limit     INT,
    entered       JSON        NOT NULL,
    PRIMARY KEY (event_id, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE presentation (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    ordinal    INT         NOT NULL,
    code       VARCHAR(64) NOT NULL,
    name       VARCHAR(80) NOT NULL,
    hooks      VARCHAR(8)  NOT NULL,
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE spot (
    event_id    BIGINT      NOT NULL,
    account_id  BIGINT      NOT NULL,
    ordinal     INT         NOT NULL,
    code        VARCHAR(64) NOT NULL,
    name        VARCHAR(80) NOT NULL,
    lat         DOUBLE      NOT NULL,
    lon         DOUBLE      NOT NULL,
    radius_m    DOUBLE      NOT NULL,
    place_class VARCHAR(64) NOT NULL,
    zone        VARCHAR(8)  NOT NULL,
    depth_min_m DOUBLE,
    depth_max_m DOUBLE,
    crowd_risk  DOUBLE      NOT NULL,
    stock       VARCHAR(8)  NOT NULL,
    entered     JSON        NOT NULL,
    deleted_at  DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE stop (
    event_id     BIGINT      NOT NULL,
    account_id   BIGINT      NOT NULL,
    ordinal      INT         NOT NULL,
    code         VARCHAR(64) NOT NULL,
    spot_code    VARCHAR(64) NOT NULL,
    start_at     DATETIME(3) NOT NULL,
    end_at       DATETIME(3),
    anglers      INT         NOT NULL,
    follows      INT         NOT NULL,
    water_temp_c DOUBLE,
    visibility_m DOUBLE,
    wind_mps     DOUBLE,
    sky          VARCHAR(8),
    boats_near   INT,
    entered      JSON        NOT NULL,
    deleted_at   DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, spot_code) REFERENCES spot (event_id, code)
);

CREATE TABLE stop_presentation (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    stop_code         VARCHAR(64) NOT NULL,
    ordinal           INT         NOT NULL,
    presentation_code VARCHAR(64) NOT NULL,
    minutes           DOUBLE,
    PRIMARY KEY (event_id, stop_code, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, stop_code) REFERENCES stop (event_id, code) ON DELETE CASCADE,
    FOREIGN KEY (event_id, presentation_code) REFERENCES presentation (event_id, code)
);

-- "code" is made by the page that logs a bite: sent twice, it is there once.
CREATE TABLE bite (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    stop_code         VARCHAR(64) NOT NULL,
    ordinal           INT         NOT NULL,
    code              VARCHAR(64) NOT NULL,
    at                DATETIME(3),
    outcome           VARCHAR(8)  NOT NULL,
    presentation_code VARCHAR(64),
    species           VARCHAR(16),
    size_how          VARCHAR(8),
    grams             DOUBLE,
    lo_grams          DOUBLE,
    hi_grams          DOUBLE,
    mm                DOUBLE,
    guess_grams       DOUBLE,
    entered           VARCHAR(80),
    deleted_at        DATETIME(3),
    PRIMARY KEY (event_id, code),
    KEY bite_stop (event_id, stop_code, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, stop_code) REFERENCES stop (event_id, code) ON DELETE CASCADE,
    FOREIGN KEY (event_id, presentation_code) REFERENCES presentation (event_id, code)
);

CREATE TABLE forecast_period (
    event_id      BIGINT      NOT NULL,
    account_id    BIGINT      NOT NULL,
    ordinal       INT         NOT NULL,
    from_at       DATETIME(3) NOT NULL,
    to_at         DATETIME(3) NOT NULL,
    wind_mps      DOUBLE,
    wind_from_deg DOUBLE,
    sky           VARCHAR(8),
    water_temp_c  DOUBLE,
    visibility_m  DOUBLE,
    lightning     BOOLEAN,
    PRIMARY KEY (event_id, ordinal),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE plan (
    id         BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
    event_id   BIGINT NOT NULL,
    account_id BIGINT NOT NULL,
    ordinal    INT    NOT NULL,
    day        INT    NOT NULL,
    name       VARCHAR(80),
    -- The stops before the last change, for undo: a JSON list, or null.
    before_change JSON,
    deleted_at DATETIME(3),
    UNIQUE KEY plan_account (id, account_id),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE plan_stop (
    plan_id           BIGINT      NOT NULL,
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    ordinal           INT         NOT NULL,
    spot_code         VARCHAR(64) NOT NULL,
    presentation_code VARCHAR(64) NOT NULL,
    arrive_at         DATETIME(3) NOT NULL,
    leave_at          DATETIME(3) NOT NULL,
    PRIMARY KEY (plan_id, ordinal),
    FOREIGN KEY (plan_id, account_id) REFERENCES plan (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, spot_code) REFERENCES spot (event_id, code),
    FOREIGN KEY (event_id, presentation_code) REFERENCES presentation (event_id, code)
);

-- The append-only log of the competition: rows are added, never changed. "code" is made by the page: sent twice, it is there once.
CREATE TABLE competition_entry (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    ordinal           INT         NOT NULL,
    code              VARCHAR(64) NOT NULL,
    type              VARCHAR(16) NOT NULL,
    at                DATETIME(3) NOT NULL,
    species           VARCHAR(16),
    grams             DOUBLE,
    mm                DOUBLE,
    spot_code         VARCHAR(64),
    presentation_code VARCHAR(64),
    alive             BOOLEAN,
    tag               VARCHAR(40),
    heavier           VARCHAR(64),
    lighter           VARCHAR(64),
    target            VARCHAR(64),
    outcome           VARCHAR(8),
    dead_fish         INT,
    entered           VARCHAR(80),
    received_at       DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
    PRIMARY KEY (event_id, ordinal),
    UNIQUE KEY competition_entry_code (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

-- What an event file held that this version does not know, by JSON pointer with ids for list positions, given back on export.
CREATE TABLE event_extra (
    event_id   BIGINT       NOT NULL,
    account_id BIGINT       NOT NULL,
    pointer    VARCHAR(255) NOT NULL,
    value      LONGTEXT     NOT NULL,
    PRIMARY KEY (event_id, pointer),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

-- Sessions, as Spring Session keeps them.
CREATE TABLE SPRING_SESSION (
    PRIMARY_ID            CHAR(36) NOT NULL,
    SESSION_ID            CHAR(36) NOT NULL,
    CREATION_TIME         BIGINT   NOT NULL,
    LAST_ACCESS_TIME      BIGINT   NOT NULL,
    MAX_INACTIVE_INTERVAL INT      NOT NULL,
    EXPIRY_TIME           BIGINT   NOT NULL,
    PRINCIPAL_NAME        VARCHAR(100),
    PRIMARY KEY (PRIMARY_ID)
);
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);
CREATE TABLE SPRING_SESSION_ATTRIBUTES (
    SESSION_PRIMARY_ID CHAR(36)     NOT NULL,
    ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
    ATTRIBUTE_BYTES    LONGBLOB     NOT NULL,
    PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
    CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
