-- What stands in the database no longer lets anybody in: a session is found by the hash of what its cookie holds.
ALTER TABLE SPRING_SESSION MODIFY SESSION_ID CHAR(64) NOT NULL;
UPDATE SPRING_SESSION SET SESSION_ID = SHA2(SESSION_ID, 256);

-- Codes by which the administrator lets others make an account, once each; only their hash is kept.
CREATE TABLE invitation (
    id         BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
    account_id BIGINT      NOT NULL,
    code_hash  CHAR(64)    NOT NULL,
    created_at DATETIME(3) NOT NULL,
    expires_at DATETIME(3) NOT NULL,
    UNIQUE KEY invitation_code (code_hash),
    FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);
