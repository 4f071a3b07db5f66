package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.shots.ShotDetector;
import paringknife.core.time.FrameRate;

/** The shots of a recording, from every one of its pictures, made small and grey. */
public final class Shots {
  private static final int WIDTH = 32;
  private static final int HEIGHT = 18;

  /** The filters that make a picture small and grey. */
  private static final String SMALL = small(CameraGrid.one(WIDTH, HEIGHT));

  /** The filters that make the pictures of all cameras small and grey. */
  static String small(CameraGrid grid) {
    return "scale="
        + WIDTH * grid.columns()
        + ":"
        + HEIGHT * grid.rows()
        + ":flags=area,format=gray";
  }

  private Shots() {}

  /**
   * The first frames of all shots, on the recording's frame rate.
   *
   * @throws UnusableRecording when it has no picture
   */
  public static List<Long> of(Recording recording) {
    Recording.Picture picture = recording.picture();
    if (picture == null) {
      throw new UnusableRecording(recording.file().getFileName() + " has no picture.");
    }
    String clocked = "fps=" + picture.rate() + ":start_time=0,";
    return Ffmpeg.now()
        .recording(recording.file())
        .with("-map", "0:v:0", "-vf", Straightened.filters(picture) + clocked + SMALL)
        .with("-f", "rawvideo", "pipe:1")
        .within(Duration.ofSeconds(120 + recording.durationUs() / 500_000))
        .read(pictures -> read(pictures, picture.rate()));
  }

  /** The first frames of all shots in a stream of small grey pictures. */
  private static List<Long> read(InputStream pictures, FrameRate rate) throws IOException {
    return read(pictures, rate, CameraGrid.one(WIDTH, HEIGHT)).get(0);
  }

  /** Likewise of each camera. */
  static List<List<Long>> read(InputStream pictures, FrameRate rate, CameraGrid grid)
      throws IOException {
    List<ShotDetector> detectors = new ArrayList<>();
    for (int c = 0; c < grid.cameras(); c++) {
      detectors.add(new ShotDetector(rate));
    }
    DataInputStream read = new DataInputStream(pictures);
    byte[] grey = new byte[WIDTH * grid.columns() * HEIGHT * grid.rows()];
    while (true) {
      try {
        read.readFully(grey);
      } catch (EOFException e) {
        return detectors.stream().map(ShotDetector::starts).toList();
      }
      for (int c = 0; c < detectors.size(); c++) {
        detectors.get(c).accept(tile(grey, c % grid.columns(), c / grid.columns(), grid.columns()));
      }
    }
  }

  private static byte[] tile(byte[] grey, int column, int row, int columns) {
    byte[] own = new byte[WIDTH * HEIGHT];
    for (int y = 0; y < HEIGHT; y++) {
      int from = ((row * HEIGHT + y) * columns + column) * WIDTH;
      System.arraycopy(grey, from, own, y * WIDTH, WIDTH);
    }
    return own;
  }
}
