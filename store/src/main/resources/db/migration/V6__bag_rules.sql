-- Whether a kept fish may be exchanged, the least weight of a species, and lengths that are protected.
ALTER TABLE event ADD COLUMN culling BOOLEAN NOT NULL DEFAULT TRUE;

ALTER TABLE species_rule
    ADD COLUMN min_grams    DOUBLE,
    ADD COLUMN slot_from_mm DOUBLE,
    ADD COLUMN slot_to_mm   DOUBLE,
    ADD COLUMN slot_over    INT;
