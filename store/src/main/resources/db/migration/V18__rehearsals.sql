-- Competition days that were rehearsed: what was known of one and what is true of it, as they were when it began, the steps taken, and how it ended.
CREATE TABLE rehearsal (
    id          BIGINT       NOT NULL AUTO_INCREMENT,
    event_id    BIGINT       NOT NULL,
    account_id  BIGINT       NOT NULL,
    day         INT          NOT NULL,
    plan_name   VARCHAR(120) NULL,
    number      INT          NOT NULL,
    began_at    DATETIME(3)  NOT NULL,
    known       MEDIUMBLOB   NOT NULL,
    actual      MEDIUMBLOB   NOT NULL,
    steps       MEDIUMTEXT   NOT NULL,
    steps_taken INT          NOT NULL,
    advice      BOOLEAN      NOT NULL,
    advised     BOOLEAN      NOT NULL,
    outcome     MEDIUMTEXT   NULL,
    deleted_at  DATETIME(3)  NULL,
    PRIMARY KEY (id),
    KEY (event_id, account_id),
    FOREIGN KEY (event_id, account_id) REFERENCES event (id, account_id) ON DELETE CASCADE
);
