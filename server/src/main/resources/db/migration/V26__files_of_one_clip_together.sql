-- The task that makes a file beside its own; null where a file has its own task.
ALTER TABLE rendering
  ADD COLUMN IF NOT EXISTS led_by VARCHAR(60) NULL;
