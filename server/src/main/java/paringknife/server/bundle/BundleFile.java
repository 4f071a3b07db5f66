package paringknife.server.bundle;

import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import paringknife.media.store.NoRoom;
import paringknife.server.web.BodyRules;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** A bundle that somebody else may have written: nothing of it is taken to be as it says. */
final class BundleFile implements AutoCloseable {
  /** Of the list of files at the end of a bundle, which is held in memory; ours have a few KB. */
  private static final int LARGEST_LIST = 1 << 20;

  /** The end of a ZIP file, with the longest comment (APPNOTE.TXT 4.3.16). */
  private static final int END = 22;

  private static final int LONGEST_END = END + 65_535;
  private static final int END_SIGNATURE = 0x06054b50;
  private static final int LIST_SIZE_AT = 12;

  private static final int LARGEST_CONTENT = 64 << 20;
  private static final int LARGEST_ALONG = 32 << 20;
  private static final String NONE = " is no bundle of an episode, or only a part of one.";

  private final String name;
  private final ZipFile zip;

  private BundleFile(String name, ZipFile zip) {
    this.name = name;
    this.zip = zip;
  }

  /**
   * Opens a bundle.
   *
   * @throws IllegalArgumentException when it is none
   */
  static BundleFile open(Path file) throws IOException {
    String name = file.getFileName().toString();
    if (!Files.isRegularFile(file)) {
      throw new IllegalArgumentException(name + NONE);
    }
    long list = listBytes(file);
    if (list < 0 || list > LARGEST_LIST) {
      throw new IllegalArgumentException(name + NONE);
    }
    try {
      return new BundleFile(name, new ZipFile(file.toFile()));
    } catch (ZipException e) {
      throw new IllegalArgumentException(name + NONE);
    }
  }

  /** How long the list of files is; -1 where there is none. */
  private static long listBytes(Path file) throws IOException {
    try (RandomAccessFile bytes = new RandomAccessFile(file.toFile(), "r")) {
      int looked = (int) Math.min(LONGEST_END, bytes.length());
      byte[] last = new byte[looked];
      bytes.seek(bytes.length() - looked);
      bytes.readFully(last);
      ByteBuffer end = ByteBuffer.wrap(last).order(ByteOrder.LITTLE_ENDIAN);
      for (int i = looked - END; i >= 0; i--) {
        if (end.getInt(i) == END_SIGNATURE) {
          return Integer.toUnsignedLong(end.getInt(i + LIST_SIZE_AT));
        }
      }
      return -1;
    }
  }

  /** What it says of its episode, complete and with nothing too long. */
  Bundle content(JsonMapper json) throws IOException {
    Bundle content;
    try {
      content = json.readValue(bytes(Bundle.NAME, LARGEST_CONTENT), Bundle.class);
      BodyRules.check(content);
    } catch (JacksonException | BodyRules.BadBody e) {
      throw new IllegalArgumentException(name + NONE);
    }
    if (content.version() != Bundle.VERSION) {
      throw new IllegalArgumentException(name + " was written by another version of Paring Knife.");
    }
    return content;
  }

  /** A file that goes along, whole. */
  byte[] along(String file) throws IOException {
    return bytes(file, LARGEST_ALONG);
  }

  private byte[] bytes(String file, int most) throws IOException {
    ZipEntry entry = entry(file);
    try (CheckedInputStream in = new CheckedInputStream(zip.getInputStream(entry), new CRC32())) {
      byte[] bytes = in.readNBytes(most + 1);
      if (bytes.length > most) {
        throw new IllegalArgumentException(file + " in " + name + " is too large.");
      }
      refuseOtherBytes(in, entry);
      return bytes;
    } catch (ZipException e) {
      throw new IllegalArgumentException(name + NONE);
    }
  }

  /** A ZIP file says of each file what its bytes add up to (APPNOTE.TXT 4.4.7). */
  private static void refuseOtherBytes(CheckedInputStream read, ZipEntry entry)
      throws ZipException {
    if (read.getChecksum().getValue() != entry.getCrc()) {
      throw new ZipException("other bytes than it says");
    }
  }

  private ZipEntry entry(String file) {
    ZipEntry entry = zip.getEntry(file);
    if (entry == null || entry.isDirectory()) {
      throw new IllegalArgumentException(name + NONE);
    }
    return entry;
  }

  /** How large a recording in it says that it is, bytes. */
  long size(String file) {
    return Math.max(0, entry(file).getSize());
  }

  /**
   * Writes a recording down.
   *
   * @throws NoRoom when the disk does not take it
   */
  void write(String file, Path place) throws IOException {
    ZipEntry entry = entry(file);
    if (NoRoom.freeBytes(place) < size(file)) {
      throw new NoRoom(place);
    }
    try (CheckedInputStream in = new CheckedInputStream(zip.getInputStream(entry), new CRC32());
        OutputStream out = Files.newOutputStream(place)) {
      long written = 0;
      byte[] part = new byte[1 << 16];
      for (int n = in.read(part); n >= 0; n = in.read(part)) {
        written += n;
        if (written > size(file)) {
          throw new ZipException("longer than it says");
        }
        out.write(part, 0, n);
      }
      refuseOtherBytes(in, entry);
    } catch (ZipException e) {
      throw new IllegalArgumentException(name + NONE);
    }
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
