-- Where the boat can wait for the end of lightning.
ALTER TABLE spot ADD COLUMN shelter BOOLEAN NOT NULL DEFAULT FALSE;

-- Wind from which the boat does not run across open water.
ALTER TABLE event ADD COLUMN max_run_wind_mps DOUBLE NULL;
