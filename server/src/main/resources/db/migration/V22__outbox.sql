CREATE TABLE IF NOT EXISTS destination (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  rules TEXT NOT NULL,
  answers BOOLEAN NOT NULL DEFAULT TRUE,
  UNIQUE KEY destination_name (name)
) CHARACTER SET utf8mb4;

INSERT IGNORE INTO destination (id, name, rules) VALUES
  (1, 'Upright stream', '{"shapes":[{"width":9,"height":16}],"longestSeconds":90,"mostBytes":250000000,"title":100,"text":2000,"tags":30}'),
  (2, 'Square wall', '{"shapes":[{"width":1,"height":1},{"width":4,"height":5}],"longestSeconds":60,"mostBytes":100000000,"title":0,"text":400,"tags":10}'),
  (3, 'Wide channel', '{"shapes":[{"width":16,"height":9}],"longestSeconds":0,"mostBytes":2000000000,"title":100,"text":2000,"tags":30}');

-- What is to be posted. A key stands for all tries at one thing; it is another one when somebody
-- gives it another time after it was refused.
CREATE TABLE IF NOT EXISTS posting (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  clip_id BIGINT NOT NULL,
  spec VARCHAR(80) NOT NULL,
  destination_id BIGINT NULL,
  destination_name VARCHAR(60) NOT NULL,
  posting_key CHAR(36) NOT NULL,
  due_at DATETIME(3) NOT NULL,
  next_at DATETIME(3) NOT NULL,
  state VARCHAR(20) NOT NULL,
  tries INT NOT NULL DEFAULT 0,
  reasons TEXT NULL,
  reference VARCHAR(200) NULL,
  ended_at DATETIME(3) NULL,
  KEY posting_next (state, next_at),
  CONSTRAINT posting_clip FOREIGN KEY (clip_id) REFERENCES clip (id) ON DELETE CASCADE,
  CONSTRAINT posting_destination FOREIGN KEY (destination_id) REFERENCES destination (id) ON DELETE SET NULL
) CHARACTER SET utf8mb4;
