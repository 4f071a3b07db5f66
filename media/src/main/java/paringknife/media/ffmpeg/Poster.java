package paringknife.media.ffmpeg;

import java.nio.file.Path;

/** Takes one still out of a moving picture, as JPEG. */
public final class Poster {
  private Poster() {}

  public static void take(Path video, double atSeconds, int width, Path target) {
    Ffmpeg.now()
        .recording(video, "-ss", Ffmpeg.seconds(atSeconds))
        .with("-frames:v", "1", "-vf", "scale=" + width + ":-2", "-q:v", "4", target.toString())
        .run();
  }
}
