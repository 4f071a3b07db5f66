package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * The outermost boxes of an MP4 file (ISO/IEC 14496-12, 4.2): four bytes of size, four of type; a
 * size of 1 is told in eight bytes behind the type, one of 0 reaches to the end.
 */
final class Mp4Boxes {
  private static final int HEADER = 8;
  private static final int LONG_HEADER = 16;

  /** Files of ours have five; what has more is not gone through further. */
  private static final int MOST = 1_000;

  private Mp4Boxes() {}

  /** Whether the index is met before the media, or there are no boxes at all. */
  static boolean areInOrderToPlay(Path file) {
    try (RandomAccessFile bytes = new RandomAccessFile(file.toFile(), "r")) {
      if (bytes.length() < HEADER || !typeAt(bytes, 0).equals("ftyp")) {
        return true;
      }
      long at = 0;
      for (int box = 0; box < MOST && at >= 0 && at <= bytes.length() - LONG_HEADER; box++) {
        switch (typeAt(bytes, at)) {
          case "moov":
            return true;
          case "mdat":
            return false;
          default:
            at += sizeAt(bytes, at);
        }
      }
      return false;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String typeAt(RandomAccessFile bytes, long at) throws IOException {
    byte[] type = new byte[HEADER / 2];
    bytes.seek(at + HEADER / 2);
    bytes.readFully(type);
    return new String(type, StandardCharsets.ISO_8859_1);
  }

  private static long sizeAt(RandomAccessFile bytes, long at) throws IOException {
    bytes.seek(at);
    long size = Integer.toUnsignedLong(bytes.readInt());
    if (size == 1) {
      bytes.seek(at + HEADER);
      size = bytes.readLong();
    }
    return size < HEADER ? bytes.length() : size;
  }
}
