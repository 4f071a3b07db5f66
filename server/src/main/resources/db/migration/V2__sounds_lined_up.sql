CREATE TABLE IF NOT EXISTS episode_sound (
  episode_id BIGINT NOT NULL,
  position INT NOT NULL,
  source VARCHAR(1000) NOT NULL,
  speaker VARCHAR(200) NOT NULL,
  offset_us BIGINT NULL,
  drift_ppm DOUBLE NULL,
  agreeing DOUBLE NULL,
  nudge_us BIGINT NOT NULL DEFAULT 0,
  heard BOOLEAN NOT NULL,
  PRIMARY KEY (episode_id, position),
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;
