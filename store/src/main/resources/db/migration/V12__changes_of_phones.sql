-- What phones sent of practice, by the ids they gave it: each is taken once, however often it is sent.
CREATE TABLE phone_change (
    event_id    BIGINT      NOT NULL,
    account_id  BIGINT      NOT NULL,
    code        VARCHAR(64) NOT NULL,
    received_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
    PRIMARY KEY (event_id, code),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
