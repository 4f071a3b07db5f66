package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.List;
import paringknife.core.frame.shots.ShotDetector;
import paringknife.core.time.FrameRate;

/** The shots of a recording, from every one of its pictures, made small and grey. */
public final class Shots {
  private static final int WIDTH = 32;
  private static final int HEIGHT = 18;

  /** The filters that make a picture small and grey. */
  static final String SMALL = "scale=" + WIDTH + ":" + HEIGHT + ":flags=area,format=gray";

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
  static List<Long> read(InputStream pictures, FrameRate rate) throws IOException {
    ShotDetector detector = new ShotDetector(rate);
    DataInputStream read = new DataInputStream(pictures);
    byte[] grey = new byte[WIDTH * HEIGHT];
    while (true) {
      try {
        read.readFully(grey);
      } catch (EOFException e) {
        return detector.starts();
      }
      detector.accept(grey);
    }
  }
}
