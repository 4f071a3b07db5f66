-- Who may work here from other machines than this one.
CREATE TABLE IF NOT EXISTS account (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  password VARCHAR(200) NOT NULL,
  role VARCHAR(10) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  UNIQUE KEY account_name (name)
) CHARACTER SET utf8mb4;

-- A link that works once: for somebody new, or for a new password of an account. Of what it is
-- known by, only a hash is kept.
CREATE TABLE IF NOT EXISTS invitation (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token_hash CHAR(64) NOT NULL,
  role VARCHAR(10) NOT NULL,
  account_id BIGINT NULL,
  expires_at DATETIME(3) NOT NULL,
  UNIQUE KEY invitation_token (token_hash),
  CONSTRAINT invitation_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS signed_in (
  token_hash CHAR(64) NOT NULL PRIMARY KEY,
  account_id BIGINT NOT NULL,
  began_at DATETIME(3) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  KEY signed_in_account (account_id),
  CONSTRAINT signed_in_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

-- By whom: nobody by name where it was done at this machine.
ALTER TABLE clip_change ADD COLUMN IF NOT EXISTS author VARCHAR(60) NULL;
ALTER TABLE transcript_change ADD COLUMN IF NOT EXISTS author VARCHAR(60) NULL;
