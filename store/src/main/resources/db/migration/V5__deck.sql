-- An angler's tackle: it belongs to the account, every event uses it.
CREATE TABLE rod (
    account_id  BIGINT       NOT NULL,
    ordinal     INT          NOT NULL,
    code        VARCHAR(64)  NOT NULL,
    name        VARCHAR(80)  NOT NULL,
    length_m    DOUBLE       NOT NULL,
    power       VARCHAR(16)  NOT NULL,
    action_     VARCHAR(16)  NOT NULL,
    turn_m      DOUBLE,
    line_kind   VARCHAR(16)  NOT NULL,
    line_kg     DOUBLE       NOT NULL,
    leader_kind VARCHAR(16),
    leader_kg   DOUBLE,
    in_boat     BOOLEAN      NOT NULL,
    entered     JSON         NOT NULL,
    deleted_at  DATETIME(3),
    PRIMARY KEY (account_id, code),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- Sheets of lures that the angler changed or added, as in a tackle file; all others are in the catalogue that ships.
CREATE TABLE lure_sheet (
    account_id BIGINT      NOT NULL,
    code       VARCHAR(64) NOT NULL,
    sheet      JSON        NOT NULL,
    deleted_at DATETIME(3),
    PRIMARY KEY (account_id, code),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE box_item (
    account_id BIGINT      NOT NULL,
    ordinal    INT         NOT NULL,
    code       VARCHAR(64) NOT NULL,
    kind       VARCHAR(8)  NOT NULL,
    name       VARCHAR(80) NOT NULL,
    lure_code  VARCHAR(64),
    grams      DOUBLE,
    colour     VARCHAR(8),
    line_kind  VARCHAR(16),
    line_kg    DOUBLE,
    items      INT         NOT NULL,
    in_boat    BOOLEAN     NOT NULL,
    entered    JSON        NOT NULL,
    deleted_at DATETIME(3),
    PRIMARY KEY (account_id, code),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE lure_observation (
    account_id BIGINT      NOT NULL,
    ordinal    INT         NOT NULL,
    code       VARCHAR(64) NOT NULL,
    lure_code  VARCHAR(64) NOT NULL,
    saw        VARCHAR(8)  NOT NULL,
    depth_m    DOUBLE      NOT NULL,
    seconds    DOUBLE,
    cast_m     DOUBLE,
    grams      DOUBLE,
    line_kind  VARCHAR(16) NOT NULL,
    line_kg    DOUBLE      NOT NULL,
    deleted_at DATETIME(3),
    PRIMARY KEY (account_id, code),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- Weights of the rules of advice that the angler changed.
CREATE TABLE rule_weight (
    account_id BIGINT      NOT NULL,
    rule       VARCHAR(20) NOT NULL,
    weight     DOUBLE      NOT NULL,
    PRIMARY KEY (account_id, rule),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- What the brief says of rods and live bait, what may lean the event's rates, and what is packed: codes as a JSON list.
ALTER TABLE event
    ADD COLUMN max_rods          INT,
    ADD COLUMN live_bait_allowed BOOLEAN,
    ADD COLUMN leans_on_advice   BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN leans_on_history  BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN packed            JSON    NOT NULL DEFAULT '[]';

-- Single fish that were seen. Times of day are local, of the event's zone.
CREATE TABLE known_fish (
    event_id      BIGINT      NOT NULL,
    account_id    BIGINT      NOT NULL,
    ordinal       INT         NOT NULL,
    code          VARCHAR(64) NOT NULL,
    spot_code     VARCHAR(64) NOT NULL,
    whereabouts   VARCHAR(120),
    kind          VARCHAR(8)  NOT NULL,
    species       VARCHAR(16),
    guess_grams   DOUBLE      NOT NULL,
    from_time     VARCHAR(8),
    to_time       VARCHAR(8),
    most_wind_mps DOUBLE,
    next_visit    DATETIME(3),
    gone          BOOLEAN     NOT NULL DEFAULT FALSE,
    note          VARCHAR(120),
    entered       JSON        NOT NULL,
    deleted_at    DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, spot_code) REFERENCES spot (event_id, code)
);

-- "code" is made by the page: sent twice, it is there once.
CREATE TABLE known_fish_try (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    fish_code         VARCHAR(64) NOT NULL,
    ordinal           INT         NOT NULL,
    code              VARCHAR(64) NOT NULL,
    at                DATETIME(3) NOT NULL,
    reaction          VARCHAR(8)  NOT NULL,
    presentation_code VARCHAR(64),
    deleted_at        DATETIME(3),
    PRIMARY KEY (event_id, fish_code, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, fish_code) REFERENCES known_fish (event_id, code) ON DELETE CASCADE,
    FOREIGN KEY (event_id, presentation_code) REFERENCES presentation (event_id, code)
);

CREATE TABLE trial (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    ordinal    INT         NOT NULL,
    code       VARCHAR(64) NOT NULL,
    subject    VARCHAR(10) NOT NULL,
    first_way  VARCHAR(60) NOT NULL,
    second_way VARCHAR(60) NOT NULL,
    deleted_at DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

CREATE TABLE trial_round (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    trial_code VARCHAR(64) NOT NULL,
    ordinal    INT         NOT NULL,
    code       VARCHAR(64) NOT NULL,
    at         DATETIME(3) NOT NULL,
    of_first   BOOLEAN     NOT NULL,
    minutes    DOUBLE      NOT NULL,
    strikes    INT         NOT NULL,
    landed     INT         NOT NULL,
    deleted_at DATETIME(3),
    PRIMARY KEY (event_id, trial_code, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, trial_code) REFERENCES trial (event_id, code) ON DELETE CASCADE
);

CREATE TABLE setup_change (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    ordinal           INT         NOT NULL,
    code              VARCHAR(64) NOT NULL,
    presentation_code VARCHAR(64) NOT NULL,
    at                DATETIME(3) NOT NULL,
    what              VARCHAR(80),
    hooks             VARCHAR(8),
    deleted_at        DATETIME(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE,
    FOREIGN KEY (event_id, presentation_code) REFERENCES presentation (event_id, code)
);

-- What earlier seasons say, carried into the event.
CREATE TABLE carried_rate (
    event_id          BIGINT      NOT NULL,
    account_id        BIGINT      NOT NULL,
    presentation_code VARCHAR(64) NOT NULL,
    ratio             DOUBLE      NOT NULL,
    line_hours        DOUBLE      NOT NULL,
    strikes           INT         NOT NULL,
    PRIMARY KEY (event_id, presentation_code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
