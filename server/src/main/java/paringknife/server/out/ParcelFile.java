package paringknife.server.out;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import org.jspecify.annotations.Nullable;

/**
 * One file of a parcel: a finished one, or a text that goes with it.
 *
 * @param name with folders before it, parted by slashes
 * @param size bytes
 * @param written when it came about
 */
record ParcelFile(String name, @Nullable Path path, byte[] text, long size, Instant written) {
  static ParcelFile of(String name, Path path) {
    try {
      return new ParcelFile(
          name, path, new byte[0], Files.size(path), Files.getLastModifiedTime(path).toInstant());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static ParcelFile of(String name, String text, Instant written) {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    return new ParcelFile(name, null, bytes, bytes.length, written);
  }

  /** The same within a folder. */
  ParcelFile within(String folder) {
    return new ParcelFile(folder + "/" + name, path, text, size, written);
  }

  void writeTo(OutputStream out) throws IOException {
    if (path == null) {
      out.write(text);
    } else {
      Files.copy(path, out);
    }
  }

  /** Its checksum as ZIP wants it; all of it is read for that. */
  long crc() throws IOException {
    CRC32 crc = new CRC32();
    if (path == null) {
      crc.update(text);
    } else {
      try (InputStream in = new CheckedInputStream(Files.newInputStream(path), crc)) {
        in.transferTo(OutputStream.nullOutputStream());
      }
    }
    return crc.getValue();
  }
}
