package paringknife.media.ffmpeg;

import java.util.List;

/**
 * The last filters before pictures of several sizes leave through one pipe: one below the other as
 * one picture, as wide as the widest.
 *
 * @param sizes even lengths, all different
 */
record StackedPictures(List<WholePictures> sizes) implements RenderPart {
  StackedPictures {
    sizes = List.copyOf(sizes);
  }

  private int width() {
    return sizes.stream().mapToInt(WholePictures::width).max().orElse(0);
  }

  private int height() {
    return sizes.stream().mapToInt(WholePictures::height).sum();
  }

  /** What one stack takes, bytes. */
  int bytes() {
    return width() * height() * 3 / 2;
  }

  @Override
  public String filters() {
    if (sizes.size() == 1) {
      return sizes.get(0).filters();
    }
    StringBuilder graph = new StringBuilder("split=" + sizes.size());
    for (int i = 0; i < sizes.size(); i++) {
      graph.append("[whole").append(i).append(']');
    }
    for (int i = 0; i < sizes.size(); i++) {
      graph.append(";\n[whole").append(i).append(']').append(sizes.get(i).filters());
      graph.append(",format=yuv420p,setsar=1,pad=").append(width()).append(':');
      graph.append(sizes.get(i).height()).append(":0:0[row").append(i).append(']');
    }
    graph.append(";\n");
    for (int i = 0; i < sizes.size(); i++) {
      graph.append("[row").append(i).append(']');
    }
    return graph + "vstack=inputs=" + sizes.size();
  }

  /** The picture of a size out of a stack; the stack itself where there is no other. */
  byte[] cut(byte[] stack, WholePictures size) {
    if (sizes.size() == 1) {
      return stack;
    }
    int above =
        sizes.subList(0, sizes.indexOf(size)).stream().mapToInt(WholePictures::height).sum();
    byte[] picture = new byte[size.bytes()];
    int from = 0;
    int to = 0;
    for (int every : new int[] {1, 2, 2}) {
      int row = size.width() / every;
      int rows = size.height() / every;
      int wide = width() / every;
      for (int y = 0; y < rows; y++) {
        System.arraycopy(stack, from + (above / every + y) * wide, picture, to, row);
        to += row;
      }
      from += wide * (height() / every);
    }
    return picture;
  }
}
