package paringknife.server.out;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.util.DigestUtils;

/**
 * A parcel as one ZIP file that is never written down: each of its bytes comes of its files alone,
 * so that a download that broke off can go on where it stopped. Nothing in it is compressed, since
 * films cannot be; that makes its length known before (APPNOTE.TXT 4.3, the sizes of its headers).
 */
final class ParcelZip {
  private static final int LOCAL_HEADER = 30;
  private static final int CENTRAL_HEADER = 46;
  private static final int END = 22;

  /** Beyond, headers grow with what they hold, and downloads begin anew. */
  private static final long LONGEST_KNOWN = (1L << 32) - 2;

  private static final int MOST_KNOWN = 65_534;

  private final List<ParcelFile> files;
  private final List<Long> crcs = new ArrayList<>();

  ParcelZip(List<ParcelFile> files) throws IOException {
    this.files = files;
    for (ParcelFile file : files) {
      crcs.add(file.crc());
    }
  }

  /** How long it is, bytes. */
  long length() {
    long length = END;
    for (ParcelFile file : files) {
      int name = file.name().getBytes(StandardCharsets.UTF_8).length;
      length += LOCAL_HEADER + CENTRAL_HEADER + 2L * name + file.size();
    }
    return length;
  }

  /** Whether a part of it can be asked for. */
  boolean isResumable() {
    return length() <= LONGEST_KNOWN && files.size() <= MOST_KNOWN;
  }

  /** The same for the same bytes. */
  String tag() {
    StringBuilder all = new StringBuilder();
    for (int i = 0; i < files.size(); i++) {
      ParcelFile file = files.get(i);
      all.append(file.name()).append('/').append(file.size()).append('/').append(crcs.get(i));
      all.append('/').append(file.written().getEpochSecond()).append('\n');
    }
    return "\""
        + DigestUtils.md5DigestAsHex(all.toString().getBytes(StandardCharsets.UTF_8))
        + "\"";
  }

  /** Writes its bytes from {@code first} to {@code last}, both included. */
  void write(OutputStream out, long first, long last) throws IOException {
    try (ZipOutputStream zip =
        new ZipOutputStream(new PartOfStream(out, first, last), StandardCharsets.UTF_8)) {
      zip.setMethod(ZipOutputStream.STORED);
      for (int i = 0; i < files.size(); i++) {
        ParcelFile file = files.get(i);
        ZipEntry entry = new ZipEntry(file.name());
        entry.setSize(file.size());
        entry.setCrc(crcs.get(i));
        entry.setTimeLocal(LocalDateTime.ofInstant(file.written(), ZoneOffset.UTC));
        zip.putNextEntry(entry);
        file.writeTo(zip);
        zip.closeEntry();
      }
    }
  }

  /** Lets through what lies between two places. */
  private static final class PartOfStream extends OutputStream {
    private final OutputStream out;
    private final long first;
    private final long last;
    private long at;

    PartOfStream(OutputStream out, long first, long last) {
      this.out = out;
      this.first = first;
      this.last = last;
    }

    @Override
    public void write(int b) throws IOException {
      write(new byte[] {(byte) b}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int offset, int length) throws IOException {
      long from = Math.max(first, at);
      long to = Math.min(last + 1, at + length);
      if (to > from) {
        out.write(bytes, (int) (offset + from - at), (int) (to - from));
      }
      at += length;
    }

    @Override
    public void flush() throws IOException {
      out.flush();
    }
  }
}
