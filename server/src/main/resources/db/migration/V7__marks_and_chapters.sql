CREATE TABLE mark (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  episode_id BIGINT NOT NULL,
  start_us BIGINT NOT NULL,
  end_us BIGINT NOT NULL,
  state VARCHAR(20) NOT NULL,
  title VARCHAR(200) NOT NULL,
  note VARCHAR(2000) NOT NULL,
  KEY of_episode (episode_id, start_us),
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE chapter (
  episode_id BIGINT NOT NULL,
  start_us BIGINT NOT NULL,
  title VARCHAR(200) NOT NULL,
  PRIMARY KEY (episode_id, start_us),
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE brief (
  show_name VARCHAR(200) NOT NULL PRIMARY KEY,
  document TEXT NOT NULL
) CHARACTER SET utf8mb4;
