-- How fish stand where they were seen, how a bite was lost, what it took, and minutes of a stop without a line in the water.
ALTER TABLE waypoint
    ADD COLUMN fish_count VARCHAR(16),
    ADD COLUMN fish_shape VARCHAR(16);
ALTER TABLE stop
    ADD COLUMN idle_minutes  DOUBLE NOT NULL DEFAULT 0,
    ADD COLUMN seen_position VARCHAR(16),
    ADD COLUMN seen_depth_m  DOUBLE,
    ADD COLUMN seen_count    VARCHAR(16),
    ADD COLUMN seen_shape    VARCHAR(16);
ALTER TABLE competition_entry ADD COLUMN loss_way VARCHAR(16);
ALTER TABLE event ADD COLUMN finer_patterns TEXT NOT NULL DEFAULT '[]';
ALTER TABLE stop_presentation
    ADD COLUMN retrieve VARCHAR(80),
    ADD COLUMN colour   VARCHAR(16);
ALTER TABLE bite
    ADD COLUMN fish_position VARCHAR(16),
    ADD COLUMN bait_near     BOOLEAN,
    ADD COLUMN fish_count    VARCHAR(16),
    ADD COLUMN fish_shape    VARCHAR(16),
    ADD COLUMN colour        VARCHAR(16),
    ADD COLUMN lure_size     VARCHAR(16),
    ADD COLUMN loss_way      VARCHAR(16);
