package paringknife.server.backup;

/**
 * What a backup says of itself, as {@code backup.json} in it.
 *
 * @param version of the form of the file
 * @param madeAt as ISO 8601 has it
 * @param schema number of the newest script that had changed the tables
 * @param media where recordings lay on the machine that it was made on
 * @param withMedia whether they are in it
 */
record BackupNotes(int version, String madeAt, String schema, String media, boolean withMedia) {
  static final int VERSION = 1;
  static final String NAME = "backup.json";
  static final String DATABASE = "database.sql";
  static final String DATA = "data/";
  static final String MEDIA = "media/";
}
