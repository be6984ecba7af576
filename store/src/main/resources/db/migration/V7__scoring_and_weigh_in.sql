-- How fish are kept, measured and ranked; what the weigh-in says beside the weight; a scale tried with a known weight.
ALTER TABLE event
    ADD COLUMN balance_only     BOOLEAN     NOT NULL DEFAULT FALSE,
    ADD COLUMN length_step_mm   DOUBLE,
    ADD COLUMN tie_break        VARCHAR(16) NOT NULL DEFAULT 'none',
    ADD COLUMN cut_after_day    INT,
    ADD COLUMN cut_places       INT,
    ADD COLUMN tags             LONGTEXT,
    ADD COLUMN over_limit_grams DOUBLE;

ALTER TABLE competition_entry
    ADD COLUMN late_minutes  DOUBLE,
    ADD COLUMN short_fish    INT,
    ADD COLUMN over_limit    INT,
    ADD COLUMN place         INT,
    ADD COLUMN biggest_grams DOUBLE,
    ADD COLUMN known_grams   DOUBLE;
