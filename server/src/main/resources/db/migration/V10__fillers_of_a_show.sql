CREATE TABLE IF NOT EXISTS filler_list (
  show_name VARCHAR(200) NOT NULL,
  language VARCHAR(20) NOT NULL,
  sure TEXT NOT NULL,
  doubtful TEXT NOT NULL,
  PRIMARY KEY (show_name, language)
);
