-- Where an order stands in the queue (microseconds since 1970, the smallest first), and how much
-- there is to render: seconds of film times millions of pixels.
ALTER TABLE rendering
  ADD COLUMN IF NOT EXISTS place BIGINT NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS work DOUBLE NOT NULL DEFAULT 0;

CREATE TABLE IF NOT EXISTS render_queue (
  id INT NOT NULL PRIMARY KEY,
  paused BOOLEAN NOT NULL DEFAULT FALSE
) CHARACTER SET utf8mb4;

INSERT IGNORE INTO render_queue (id, paused) VALUES (1, FALSE);
