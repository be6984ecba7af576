-- Where phones were while they recorded, each place once however often it is sent, until it is made stops of or deleted.
CREATE TABLE phone_fix (
    event_id   BIGINT      NOT NULL,
    account_id BIGINT      NOT NULL,
    at         DATETIME(3) NOT NULL,
    lat        DOUBLE      NOT NULL,
    lon        DOUBLE      NOT NULL,
    PRIMARY KEY (event_id, at),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
