DROP TABLE sentence_said;

ALTER TABLE transcript DROP COLUMN indexed_revision;
