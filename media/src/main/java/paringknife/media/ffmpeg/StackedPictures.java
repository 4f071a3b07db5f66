package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.util.List;
import java.util.function.BiConsumer;

/**
 * The last filters before pictures of several sizes leave through one pipe: one below the other as
 * one picture, as wide as the widest. On their other end they come apart a few rows at a time, so
 * that pictures of any size take little room on their way.
 *
 * @param sizes all different
 */
record StackedPictures(List<WholePictures> sizes) implements RenderPart {
  private static final int ROWS_BYTES = 1 << 20;

  /** Planar 4:2:0: of how many samples of luma in a row one stands in each plane. */
  private static final int[] PLANES = {1, 2, 2};

  StackedPictures {
    sizes = List.copyOf(sizes);
  }

  private boolean isOne() {
    return sizes.size() == 1;
  }

  /** Where several stand below one another, colour begins at whole samples. */
  private int stood(int length) {
    return isOne() ? length : length + length % 2;
  }

  private int width() {
    return stood(sizes.stream().mapToInt(WholePictures::width).max().orElse(0));
  }

  @Override
  public String filters() {
    if (isOne()) {
      return sizes.get(0).filters();
    }
    StringBuilder graph = new StringBuilder("split=" + sizes.size());
    for (int i = 0; i < sizes.size(); i++) {
      graph.append("[whole").append(i).append(']');
    }
    for (int i = 0; i < sizes.size(); i++) {
      graph.append(";\n[whole").append(i).append(']').append(sizes.get(i).filters());
      graph.append(",format=yuv420p,setsar=1,pad=").append(width()).append(':');
      graph.append(stood(sizes.get(i).height())).append(":0:0[row").append(i).append(']');
    }
    graph.append(";\n");
    for (int i = 0; i < sizes.size(); i++) {
      graph.append("[row").append(i).append(']');
    }
    return graph + "vstack=inputs=" + sizes.size();
  }

  private static int samples(int length, int every) {
    return (length + every - 1) / every;
  }

  private static int rowsAtOnce(int row) {
    return Math.max(1, ROWS_BYTES / row);
  }

  /** In how many parts a picture comes, at most. */
  int parts() {
    int most = 0;
    for (WholePictures size : sizes) {
      int parts = 0;
      for (int every : PLANES) {
        int rows = samples(stood(size.height()), every);
        int once = rowsAtOnce(samples(width(), every));
        parts += samples(rows, once);
      }
      most = Math.max(most, parts);
    }
    return most;
  }

  /**
   * Takes a stack from a stream apart.
   *
   * @param taken is given some rows of a picture, in their order
   * @return whether there was a whole one
   */
  boolean part(DataInputStream stacks, BiConsumer<WholePictures, byte[]> taken) throws IOException {
    for (int every : PLANES) {
      int wide = samples(width(), every);
      for (WholePictures size : sizes) {
        int rows = samples(stood(size.height()), every);
        int kept = samples(size.height(), every);
        int once = rowsAtOnce(wide);
        for (int y = 0; y < rows; y += once) {
          byte[] read = new byte[Math.min(once, rows - y) * wide];
          try {
            stacks.readFully(read);
          } catch (EOFException e) {
            return false;
          }
          int own = Math.min(once, kept - y);
          taken.accept(size, cut(read, wide, samples(size.width(), every), own));
        }
      }
    }
    return true;
  }

  /** The left of rows, and the first of them. */
  private static byte[] cut(byte[] from, int wide, int row, int rows) {
    if (from.length == row * rows) {
      return from;
    }
    byte[] cut = new byte[row * rows];
    for (int y = 0; y < rows; y++) {
      System.arraycopy(from, y * wide, cut, y * row, row);
    }
    return cut;
  }
}
