-- What was worked out of a clip for every spec, so that a sheet is there at once after a start.
CREATE TABLE IF NOT EXISTS planned_clip (
  clip_id BIGINT NOT NULL PRIMARY KEY,
  state CHAR(64) NOT NULL,
  plan MEDIUMTEXT NOT NULL,
  CONSTRAINT planned_clip FOREIGN KEY (clip_id) REFERENCES clip (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;
