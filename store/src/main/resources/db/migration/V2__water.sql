-- The lake of an event as GeoJSON members "outline" and "slowZones", as in the event file.
CREATE TABLE lake (
    event_id   BIGINT   NOT NULL PRIMARY KEY,
    account_id BIGINT   NOT NULL,
    geo_json   LONGTEXT NOT NULL,
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);

-- The depths of an event's lake: centimetres in two bytes a cell, -1 for land, by rows from the north-west, deflated.
CREATE TABLE depth_grid (
    event_id   BIGINT      NOT NULL PRIMARY KEY,
    account_id BIGINT      NOT NULL,
    checksum   CHAR(64)    NOT NULL,
    columns_   INT         NOT NULL,
    rows_      INT         NOT NULL,
    west       DOUBLE      NOT NULL,
    south      DOUBLE      NOT NULL,
    cell_size  DOUBLE      NOT NULL,
    depths     LONGBLOB    NOT NULL,
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
