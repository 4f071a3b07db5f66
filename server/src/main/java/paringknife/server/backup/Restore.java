package paringknife.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.SQLException;
import java.util.Enumeration;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.springframework.util.FileSystemUtils;
import org.springframework.util.StreamUtils;
import paringknife.media.store.NoRoom;
import paringknife.server.database.MariaDbProcess;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Brings back what a backup holds, into a folder where nothing is yet. It is made beside its place
 * and moved there when it is whole.
 */
public final class Restore {
  private static final int LONGEST_NOTES = 100_000;
  private static final long MB = 1_000_000;
  private static final String NONE = "This is no backup of Paring Knife";

  private final Path file;
  private final Path data;
  private final Path media;

  /**
   * A restore.
   *
   * @param media where recordings lie, or are to lie if the backup holds them
   */
  public Restore(Path file, Path data, Path media) {
    this.file = file;
    this.data = data.toAbsolutePath().normalize();
    this.media = media.toAbsolutePath().normalize();
  }

  /**
   * Brings it back.
   *
   * @throws IllegalArgumentException with a word for the user, when it cannot be
   */
  public void run() throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new IllegalArgumentException("There is no file " + file + ".");
    }
    refuseWhereSomethingIs();
    Path made = data.resolveSibling(data.getFileName() + ".restoring");
    FileSystemUtils.deleteRecursively(made);
    try (ZipFile zip = new ZipFile(file.toFile())) {
      BackupNotes notes = notes(zip);
      refuseWithoutRoom(zip);
      Files.createDirectories(made);
      unpack(zip, BackupNotes.DATA, made);
      readDatabase(zip, notes, made);
      if (notes.withMedia()) {
        boolean isWithin = media.startsWith(data);
        unpack(zip, BackupNotes.MEDIA, isWithin ? made.resolve(data.relativize(media)) : media);
      }
      Files.deleteIfExists(data);
      Files.move(made, data, StandardCopyOption.ATOMIC_MOVE);
    } catch (ZipException e) {
      throw new IllegalArgumentException(NONE + ", or a part of one: " + file + ".");
    } finally {
      FileSystemUtils.deleteRecursively(made);
    }
  }

  private void refuseWhereSomethingIs() throws IOException {
    if (!Files.exists(data)) {
      return;
    }
    try (Stream<Path> there = Files.list(data)) {
      if (there.findAny().isPresent()) {
        throw new IllegalArgumentException(
            "There is something in " + data + " already; name a folder that is new, by --data.");
      }
    }
  }

  private BackupNotes notes(ZipFile zip) throws IOException {
    ZipEntry entry = zip.getEntry(BackupNotes.NAME);
    if (entry == null || zip.getEntry(BackupNotes.DATABASE) == null) {
      throw new IllegalArgumentException(NONE + ": " + file + ".");
    }
    try (InputStream in = zip.getInputStream(entry)) {
      BackupNotes notes =
          new JsonMapper().readValue(in.readNBytes(LONGEST_NOTES), BackupNotes.class);
      if (notes.version() != BackupNotes.VERSION) {
        throw new IllegalArgumentException(
            "The backup is of another version of Paring Knife; restore it with that one.");
      }
      return notes;
    } catch (JacksonException e) {
      throw new IllegalArgumentException(NONE + ": " + file + ".");
    }
  }

  private void refuseWithoutRoom(ZipFile zip) {
    long wanted = zip.stream().mapToLong(e -> Math.max(0, e.getSize())).sum();
    Path there = data.getParent();
    while (!Files.exists(there)) {
      there = there.getParent();
    }
    long free = NoRoom.freeBytes(there);
    if (wanted > free) {
      throw new IllegalArgumentException(
          "The backup takes " + wanted / MB + " MB, and " + free / MB + " MB are free.");
    }
  }

  private static void unpack(ZipFile zip, String under, Path into) throws IOException {
    Enumeration<? extends ZipEntry> entries = zip.entries();
    while (entries.hasMoreElements()) {
      ZipEntry entry = entries.nextElement();
      if (entry.isDirectory() || !entry.getName().startsWith(under)) {
        continue;
      }
      Path place = into.resolve(entry.getName().substring(under.length())).normalize();
      if (!place.startsWith(into) || place.equals(into)) {
        throw new IllegalArgumentException(
            "The backup names a file outside of its folder; nothing was brought back.");
      }
      Files.createDirectories(place.getParent());
      if (!Files.exists(place)) {
        // Whatever is left of a copy that was stopped does not bear the file's name.
        Path part = place.resolveSibling("." + place.getFileName() + ".part");
        copy(zip, entry, part);
        Files.move(part, place);
      }
    }
  }

  /** Not more than it says it holds, which there is room for. */
  private static void copy(ZipFile zip, ZipEntry entry, Path into) throws IOException {
    try (InputStream in = zip.getInputStream(entry);
        OutputStream out = Files.newOutputStream(into)) {
      if (entry.getSize() > 0) {
        StreamUtils.copyRange(in, out, 0, entry.getSize() - 1);
      }
      if (in.read() >= 0) {
        throw new ZipException("longer than it says");
      }
    }
  }

  private void readDatabase(ZipFile zip, BackupNotes notes, Path made) throws IOException {
    Path sql = made.resolve("database.sql");
    copy(zip, zip.getEntry(BackupNotes.DATABASE), sql);
    try (MariaDbProcess database = MariaDbProcess.start(made.resolve("mariadb"), 0)) {
      MariaDbProcess.Access access = database.access();
      DatabaseText.read(sql, access);
      if (!Schema.isKnown(notes.schema(), access)) {
        throw new IllegalArgumentException(
            "The backup was made by a newer Paring Knife; restore it with that one.");
      }
      new Recordings(access).moved(Path.of(notes.media()), media);
    } catch (SQLException e) {
      throw new IOException("The database does not answer: " + e.getMessage());
    }
    Files.delete(sql);
  }
}
