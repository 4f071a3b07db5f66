DROP TABLE IF EXISTS sentence_said;

ALTER TABLE transcript DROP COLUMN IF EXISTS indexed_revision;
