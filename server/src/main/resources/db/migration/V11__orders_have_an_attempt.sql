ALTER TABLE rendering
  ADD COLUMN attempt INT NOT NULL DEFAULT 0,
  ADD COLUMN finished_attempt INT NULL,
  ADD COLUMN errors INT NOT NULL DEFAULT 0,
  ADD COLUMN subtitles LONGTEXT NULL,
  ADD KEY made_alike (fingerprint);

UPDATE rendering SET finished_attempt = 0 WHERE state = 'DONE';

ALTER TABLE episode
  ADD COLUMN work INT NOT NULL DEFAULT 1,
  ADD COLUMN errors INT NOT NULL DEFAULT 0;
