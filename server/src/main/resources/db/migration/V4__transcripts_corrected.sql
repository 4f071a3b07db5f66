ALTER TABLE transcript
  ADD COLUMN timing VARCHAR(20) NOT NULL DEFAULT 'WORDS',
  ADD COLUMN applied INT NOT NULL DEFAULT 0,
  ADD COLUMN document_step INT NOT NULL DEFAULT 0,
  ADD COLUMN indexed_revision INT NOT NULL DEFAULT 0;

CREATE TABLE transcript_change (
  episode_id BIGINT NOT NULL,
  step INT NOT NULL,
  name VARCHAR(200) NOT NULL,
  delta LONGTEXT NOT NULL,
  made_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (episode_id, step),
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE sentence_said (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  episode_id BIGINT NOT NULL,
  start_us BIGINT NOT NULL,
  speaker VARCHAR(200) NOT NULL,
  said TEXT NOT NULL,
  FULLTEXT KEY anything_ever_said (said),
  KEY of_episode (episode_id),
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE glossary (
  show_name VARCHAR(200) NOT NULL,
  heard VARCHAR(200) NOT NULL,
  written VARCHAR(200) NOT NULL,
  times INT NOT NULL,
  accepted BOOLEAN NOT NULL,
  PRIMARY KEY (show_name, heard, written)
) CHARACTER SET utf8mb4;
