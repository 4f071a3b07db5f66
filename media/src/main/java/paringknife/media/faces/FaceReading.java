package paringknife.media.faces;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;

/** Reads a run of pictures, packed RGB, into face samples. */
public final class FaceReading {
  private static final int CHANNELS = 3;

  private final int width;
  private final int height;
  private final double picturesPerSecond;

  public FaceReading(int width, int height, double picturesPerSecond) {
    this.width = width;
    this.height = height;
    this.picturesPerSecond = picturesPerSecond;
  }

  /** Where the picture of a camera lies in those that are read, pixels. */
  public record Tile(int x, int y, int width, int height) {}

  /** Somebody else who looks at the same pictures. */
  @FunctionalInterface
  public interface Beside {
    /**
     * @param tile whose picture it is
     * @param picture packed RGB; another one the next time
     * @param faces that were found in it
     */
    void look(int tile, long us, byte[] picture, List<Face> faces);
  }

  /** The faces of one camera, whose pictures are the whole of them. */
  public List<FaceSample> read(InputStream pictures) throws IOException {
    return read(pictures, List.of(new Tile(0, 0, width, height)), (tile, us, picture, faces) -> {})
        .get(0);
  }

  /** The faces that each of several cameras sees, whose pictures lie side by side. */
  public List<List<FaceSample>> read(InputStream pictures, List<Tile> tiles, Beside beside)
      throws IOException {
    List<List<FaceSample>> samples = new ArrayList<>();
    List<FaceWatcher> watchers = new ArrayList<>();
    for (Tile tile : tiles) {
      samples.add(new ArrayList<>());
      watchers.add(new FaceWatcher(tile.width(), tile.height()));
    }
    byte[] picture = new byte[width * height * CHANNELS];
    try (DataInputStream in = new DataInputStream(pictures)) {
      for (int n = 0; ; n++) {
        in.readFully(picture);
        long us = Math.round(n * 1e6 / picturesPerSecond);
        for (int t = 0; t < tiles.size(); t++) {
          byte[] own = tiles.size() == 1 ? picture : of(tiles.get(t), picture);
          List<Face> faces = watchers.get(t).watch(own);
          samples.get(t).add(new FaceSample(us, faces));
          beside.look(t, us, own, faces);
        }
      }
    } catch (EOFException end) {
      return samples;
    } finally {
      watchers.forEach(FaceWatcher::close);
    }
  }

  private byte[] of(Tile tile, byte[] picture) {
    byte[] own = new byte[tile.width() * tile.height() * CHANNELS];
    int row = tile.width() * CHANNELS;
    for (int y = 0; y < tile.height(); y++) {
      int from = ((tile.y() + y) * width + tile.x()) * CHANNELS;
      System.arraycopy(picture, from, own, y * row, row);
    }
    return own;
  }
}
