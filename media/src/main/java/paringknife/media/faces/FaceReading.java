package paringknife.media.faces;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.people.FaceSample;

/** Reads a run of pictures, packed RGB, into face samples. */
public final class FaceReading {
  private final int width;
  private final int height;
  private final double picturesPerSecond;

  public FaceReading(int width, int height, double picturesPerSecond) {
    this.width = width;
    this.height = height;
    this.picturesPerSecond = picturesPerSecond;
  }

  public List<FaceSample> read(InputStream pictures) throws IOException {
    List<FaceSample> samples = new ArrayList<>();
    byte[] picture = new byte[width * height * 3];
    try (DataInputStream in = new DataInputStream(pictures);
        FaceWatcher watcher = new FaceWatcher(width, height)) {
      for (int n = 0; ; n++) {
        in.readFully(picture);
        samples.add(
            new FaceSample(Math.round(n * 1e6 / picturesPerSecond), watcher.watch(picture)));
      }
    } catch (EOFException end) {
      return samples;
    }
  }
}
