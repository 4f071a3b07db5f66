ALTER TABLE clip ADD COLUMN IF NOT EXISTS document_step INT NOT NULL DEFAULT 0 AFTER document;
UPDATE clip SET document_step = applied;
