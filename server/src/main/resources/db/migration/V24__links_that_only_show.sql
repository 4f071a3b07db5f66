-- A page of finished clips asks nothing of those who look at it.
ALTER TABLE proof_link ADD COLUMN IF NOT EXISTS asks BOOLEAN NOT NULL DEFAULT TRUE;
