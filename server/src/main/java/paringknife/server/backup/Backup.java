package paringknife.server.backup;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;
import paringknife.server.database.MariaDbProcess;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes all there is into one ZIP file: the database as it was at one moment, then the files that
 * belong to it, with or without the recordings. A server may go on meanwhile; a file that it
 * removes in the meantime is left out, and made again where it is wanted.
 */
public final class Backup {
  /** What can be made anew, or is of this one machine. */
  private static final Set<String> LEFT_OUT = Set.of("mariadb", "lock", "search");

  private final Path data;
  private final Path media;
  private final boolean withMedia;

  public Backup(Path data, Path media, boolean withMedia) {
    this.data = data.toAbsolutePath().normalize();
    this.media = media.toAbsolutePath().normalize();
    this.withMedia = withMedia;
  }

  /**
   * What is in a backup besides the database.
   *
   * @param files of the data
   * @param gone recordings that were not there
   */
  public record Written(int files, int recordings, List<Path> gone) {}

  /**
   * Writes it; under its name there is all of it or nothing.
   *
   * @throws IllegalArgumentException with a word for the user, when a recording would be left out
   */
  public Written write(MariaDbProcess.Access database, Path file) throws IOException {
    Path place = file.toAbsolutePath().normalize();
    try (ScratchFolder scratch = ScratchFolder.in(place.getParent())) {
      Path sql = scratch.path().resolve(BackupNotes.DATABASE);
      Path made = scratch.path().resolve("backup.zip");
      BackupNotes notes =
          new BackupNotes(
              BackupNotes.VERSION,
              Instant.now().toString(),
              Schema.of(database),
              media.toString(),
              withMedia);
      DatabaseText.write(database, sql);
      List<Path> recordings = withMedia ? recordings(database) : List.of();
      int files;
      List<Path> gone = new ArrayList<>();
      try (OutputStream out = Files.newOutputStream(made);
          ZipOutputStream zip =
              new ZipOutputStream(new BufferedOutputStream(out, 1 << 20), StandardCharsets.UTF_8)) {
        zip.setLevel(Deflater.BEST_SPEED);
        zip.putNextEntry(new ZipEntry(BackupNotes.NAME));
        zip.write(new JsonMapper().writeValueAsBytes(notes));
        put(zip, BackupNotes.DATABASE, sql);
        files = putData(zip);
        for (Path recording : recordings) {
          if (!put(zip, nameIn(BackupNotes.MEDIA, media, recording), recording)) {
            gone.add(recording);
          }
        }
      }
      WholeFile.move(made, place);
      return new Written(files, recordings.size() - gone.size(), gone);
    } catch (SQLException e) {
      throw new IOException("The database does not answer: " + e.getMessage());
    }
  }

  /** Those of the episodes; none may be left out unseen. */
  private List<Path> recordings(MariaDbProcess.Access database) throws SQLException {
    List<Path> all = new Recordings(database).all();
    List<Path> elsewhere = all.stream().filter(r -> !r.startsWith(media)).toList();
    if (!elsewhere.isEmpty()) {
      throw new IllegalArgumentException(
          elsewhere.size()
              + " of "
              + all.size()
              + " recordings lie outside of "
              + media
              + ", such as "
              + elsewhere.get(0)
              + "; name the folder that they lie in by --media.");
    }
    return all;
  }

  private static String nameIn(String under, Path folder, Path file) {
    return under + folder.relativize(file).toString().replace('\\', '/');
  }

  private int putData(ZipOutputStream zip) throws IOException {
    List<Path> files;
    try (Stream<Path> all = Files.walk(data)) {
      files = all.filter(this::isKept).sorted().toList();
    }
    int put = 0;
    for (Path file : files) {
      put += put(zip, nameIn(BackupNotes.DATA, data, file), file) ? 1 : 0;
    }
    return put;
  }

  /** Names with a dot before them are of work that is under way. */
  private boolean isKept(Path file) {
    if (!Files.isRegularFile(file) || file.startsWith(media)) {
      return false;
    }
    Path name = data.relativize(file);
    for (Path part : name) {
      if (part.toString().startsWith(".")) {
        return false;
      }
    }
    return !LEFT_OUT.contains(name.getName(0).toString());
  }

  private static boolean put(ZipOutputStream zip, String name, Path file) throws IOException {
    try (var in = Files.newInputStream(file)) {
      zip.putNextEntry(new ZipEntry(name));
      in.transferTo(zip);
      zip.closeEntry();
      return true;
    } catch (NoSuchFileException removed) {
      return false;
    }
  }
}
