package paringknife.media.ffmpeg;

import java.nio.file.Path;
import paringknife.core.frame.cameras.CameraGrid;

/** Takes one still out of a moving picture, as JPEG. */
public final class Poster {
  private Poster() {}

  /**
   * @param grid of the cameras in the picture, of which the first is taken
   */
  public static void take(Path video, CameraGrid grid, double atSeconds, int width, Path target) {
    String first = "crop=iw/" + grid.columns() + ":ih/" + grid.rows() + ":0:0,";
    Ffmpeg.now()
        .recording(video, "-ss", Ffmpeg.seconds(atSeconds))
        .with("-frames:v", "1", "-vf", first + "scale=" + width + ":-2")
        .with("-q:v", "4", target.toString())
        .run();
  }
}
