CREATE TABLE IF NOT EXISTS episode (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  show_name VARCHAR(200) NOT NULL,
  title VARCHAR(200) NOT NULL,
  source VARCHAR(1000) NOT NULL,
  state VARCHAR(20) NOT NULL,
  progress DOUBLE NOT NULL DEFAULT 0,
  problem VARCHAR(2000) NULL,
  duration_us BIGINT NOT NULL DEFAULT 0,
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY one_source (source(700))
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS transcript (
  episode_id BIGINT NOT NULL PRIMARY KEY,
  revision INT NOT NULL,
  word_count INT NOT NULL,
  document LONGTEXT NOT NULL,
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS clip (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  episode_id BIGINT NOT NULL,
  revision INT NOT NULL,
  applied INT NOT NULL,
  document LONGTEXT NOT NULL,
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  binned_at TIMESTAMP(3) NULL,
  FOREIGN KEY (episode_id) REFERENCES episode (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS clip_change (
  clip_id BIGINT NOT NULL,
  step INT NOT NULL,
  name VARCHAR(200) NOT NULL,
  delta LONGTEXT NOT NULL,
  made_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (clip_id, step),
  FOREIGN KEY (clip_id) REFERENCES clip (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS rendering (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  clip_id BIGINT NOT NULL,
  spec VARCHAR(60) NOT NULL,
  fingerprint CHAR(64) NOT NULL,
  state VARCHAR(20) NOT NULL,
  progress DOUBLE NOT NULL DEFAULT 0,
  started_at TIMESTAMP(3) NULL,
  finished_at TIMESTAMP(3) NULL,
  file_name VARCHAR(300) NOT NULL,
  file_bytes BIGINT NOT NULL DEFAULT 0,
  measured LONGTEXT NULL,
  problem VARCHAR(2000) NULL,
  UNIQUE KEY one_cell (clip_id, spec),
  FOREIGN KEY (clip_id) REFERENCES clip (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4;

CREATE TABLE IF NOT EXISTS scheduled_tasks (
  task_name VARCHAR(100) NOT NULL,
  task_instance VARCHAR(100) NOT NULL,
  task_data BLOB,
  execution_time TIMESTAMP(6) NOT NULL,
  picked BOOLEAN NOT NULL,
  picked_by VARCHAR(50),
  last_success TIMESTAMP(6) NULL,
  last_failure TIMESTAMP(6) NULL,
  consecutive_failures INT,
  last_heartbeat TIMESTAMP(6) NULL,
  version BIGINT NOT NULL,
  priority SMALLINT,
  PRIMARY KEY (task_name, task_instance),
  INDEX execution_time_idx (execution_time),
  INDEX last_heartbeat_idx (last_heartbeat),
  INDEX priority_execution_time_idx (priority DESC, execution_time ASC)
);
