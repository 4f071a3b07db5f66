package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.SeenColours;

/** Reads what colours cameras see off the proxy, in which they lie side by side. */
public final class ColourReading {
  /** Pixels of one camera's picture across and down that are looked at. */
  private static final int ACROSS = 16;

  private static final int DOWN = 9;

  private final Path proxy;
  private final CameraGrid grid;

  /**
   * @param grid of the cameras in the proxy
   */
  public ColourReading(Path proxy, CameraGrid grid) {
    this.proxy = proxy;
    this.grid = grid;
  }

  /**
   * What each camera sees, in their order.
   *
   * @param placesUs where to look, on the episode's clock; at least one within the proxy
   */
  public List<SeenColours> at(List<Long> placesUs) {
    List<List<Integer>> pixels = new ArrayList<>();
    for (int c = 0; c < grid.cameras(); c++) {
      pixels.add(new ArrayList<>());
    }
    for (long us : placesUs) {
      look(us, pixels);
    }
    return pixels.stream().map(SeenColours::new).toList();
  }

  private void look(long us, List<List<Integer>> pixels) {
    int wide = ACROSS * grid.columns();
    int high = DOWN * grid.rows();
    byte[] picture =
        Ffmpeg.now()
            .recording(proxy, "-ss", Ffmpeg.seconds(us / 1e6))
            .with(
                "-frames:v", "1", "-vf", "scale=" + wide + ":" + high + ":flags=area,format=rgb24")
            .with("-f", "rawvideo", "pipe:1")
            .read(in -> read(in, wide * high * 3));
    for (int c = 0; c < grid.cameras() && picture.length == wide * high * 3; c++) {
      CameraGrid.Cell cell = grid.cells().get(c);
      // A picture that is smaller than its room leaves the rest of it black.
      int across = (int) Math.floor(ACROSS * cell.width() / (double) grid.roomAcross());
      int down = (int) Math.floor(DOWN * cell.height() / (double) grid.roomDown());
      for (int y = 0; y < Math.max(1, down); y++) {
        for (int x = 0; x < Math.max(1, across); x++) {
          int at = ((c / grid.columns() * DOWN + y) * wide + c % grid.columns() * ACROSS + x) * 3;
          pixels.get(c).add(packed(picture, at));
        }
      }
    }
  }

  private static byte[] read(InputStream in, int most) throws IOException {
    return in.readNBytes(most);
  }

  private static int packed(byte[] picture, int at) {
    return (picture[at] & 255) << 16 | (picture[at + 1] & 255) << 8 | picture[at + 2] & 255;
  }
}
