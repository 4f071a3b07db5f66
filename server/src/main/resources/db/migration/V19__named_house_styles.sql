CREATE TABLE IF NOT EXISTS named_style (
  name VARCHAR(80) NOT NULL PRIMARY KEY,
  style MEDIUMTEXT NOT NULL
) CHARACTER SET utf8mb4;

ALTER TABLE house_style ADD COLUMN IF NOT EXISTS style_name VARCHAR(80) NOT NULL DEFAULT '';

UPDATE house_style SET style_name = CASE
    WHEN TRIM(show_name) = '' THEN 'No show'
    WHEN TRIM(show_name) IN ('Fireside', 'Market day') THEN CONCAT(TRIM(show_name), ' (own)')
    ELSE TRIM(LEFT(REGEXP_REPLACE(TRIM(show_name), '[[:space:]]+', ' '), 80)) END
  WHERE style_name = '';

ALTER TABLE house_style MODIFY style TEXT NULL;

INSERT IGNORE INTO named_style (name, style) SELECT style_name, style FROM house_style WHERE style IS NOT NULL;
