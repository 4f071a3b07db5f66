CREATE TABLE IF NOT EXISTS delivery_spec (
  id VARCHAR(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL PRIMARY KEY,
  made_at TIMESTAMP(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  spec TEXT NOT NULL
) CHARACTER SET utf8mb4;

-- What the names of finished files end in; files of before were all films in MP4.
ALTER TABLE rendering ADD COLUMN IF NOT EXISTS finished_as VARCHAR(8) NOT NULL DEFAULT 'mp4',
  MODIFY spec VARCHAR(80) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL;
