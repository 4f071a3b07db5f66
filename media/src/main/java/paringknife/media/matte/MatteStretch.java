package paringknife.media.matte;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;

/**
 * The mattes of frames that follow one another. As a file: gzip of the width, the height and the
 * number of frames, 32 bits each, big-endian, and of one byte for each point of each frame.
 *
 * @param frames at least one, each of {@code width * height} bytes
 */
record MatteStretch(int width, int height, List<byte[]> frames) {
  private static final int LARGEST_SIDE = 4096;
  private static final int MOST_FRAMES = 1000;

  MatteStretch {
    frames = List.copyOf(frames);
  }

  /** The nth matte; the last one where there are fewer. */
  byte[] at(int n) {
    return frames.get(Math.min(n, frames.size() - 1));
  }

  void write(OutputStream to) throws IOException {
    try (DataOutputStream out = new DataOutputStream(new GZIPOutputStream(to, 1 << 16))) {
      out.writeInt(width);
      out.writeInt(height);
      out.writeInt(frames.size());
      for (byte[] frame : frames) {
        out.write(frame);
      }
    }
  }

  static MatteStretch read(InputStream from) throws IOException {
    try (DataInputStream in = new DataInputStream(new GZIPInputStream(from, 1 << 16))) {
      int width = in.readInt();
      int height = in.readInt();
      int count = in.readInt();
      if (width < 1 || width > LARGEST_SIDE || height < 1 || height > LARGEST_SIDE) {
        throw new IOException("mattes of " + width + " by " + height);
      }
      if (count < 1 || count > MOST_FRAMES) {
        throw new IOException("mattes of " + count + " frames");
      }
      List<byte[]> frames = new ArrayList<>();
      for (int n = 0; n < count; n++) {
        byte[] frame = new byte[width * height];
        in.readFully(frame);
        frames.add(frame);
      }
      return new MatteStretch(width, height, frames);
    }
  }
}
