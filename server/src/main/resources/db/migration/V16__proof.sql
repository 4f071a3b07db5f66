CREATE TABLE IF NOT EXISTS proof_link (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token CHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  episode_id BIGINT NOT NULL,
  title VARCHAR(200) NOT NULL,
  made_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  expires_at DATETIME(3) NULL,
  withdrawn_at DATETIME(3) NULL,
  downloads BOOLEAN NOT NULL,
  password VARCHAR(200) NULL,
  UNIQUE KEY one_token (token),
  CONSTRAINT proof_of_episode FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS proof_clip (
  link_id BIGINT NOT NULL,
  clip_id BIGINT NOT NULL,
  position INT NOT NULL,
  approved BOOLEAN NULL,
  answered_by VARCHAR(80) NULL,
  answered_at DATETIME(3) NULL,
  answered_attempt INT NULL,
  seen_attempt INT NULL,
  seen_words MEDIUMTEXT NULL,
  before_words MEDIUMTEXT NULL,
  PRIMARY KEY (link_id, clip_id),
  CONSTRAINT proof_in_link FOREIGN KEY (link_id) REFERENCES proof_link (id) ON DELETE CASCADE,
  CONSTRAINT proof_of_clip FOREIGN KEY (clip_id) REFERENCES clip (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS proof_remark (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  link_id BIGINT NOT NULL,
  clip_id BIGINT NOT NULL,
  answers BIGINT NULL,
  author VARCHAR(80) NOT NULL,
  from_guest BOOLEAN NOT NULL,
  text TEXT NOT NULL,
  source_us BIGINT NOT NULL,
  file_us BIGINT NOT NULL,
  word VARCHAR(200) NOT NULL,
  made_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  done_at DATETIME(3) NULL,
  CONSTRAINT remark_in_clip FOREIGN KEY (link_id, clip_id)
    REFERENCES proof_clip (link_id, clip_id) ON DELETE CASCADE,
  CONSTRAINT remark_answered FOREIGN KEY (answers) REFERENCES proof_remark (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

-- The words of a finished file, by its own time; only files for proof have them.
ALTER TABLE rendering ADD COLUMN IF NOT EXISTS words MEDIUMTEXT NULL;
