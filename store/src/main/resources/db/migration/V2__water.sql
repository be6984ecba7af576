-- The lake of an event as GeoJSON members "outline" and "slowZones", as in the event file.
CREATE TABLE lake (
    event_id   BIGINT   NOT NULL PRIMARY KEY,
    account_id BIGINT   NOT NULL,
    geo_json   LONGTEXT NOT NULL,
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
