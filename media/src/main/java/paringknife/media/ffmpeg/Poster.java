package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.process.ChildProcess;

/** Takes one still out of a moving picture, as JPEG. */
public final class Poster {
  private Poster() {}

  public static void take(Path video, double atSeconds, int width, Path target) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(
        List.of(
            "-ss",
            Double.toString(atSeconds),
            "-i",
            Input.argument(video),
            "-frames:v",
            "1",
            "-vf",
            "scale=" + width + ":-2",
            "-q:v",
            "4",
            target.toString()));
    ChildProcess.run(command, null, Duration.ofMinutes(1));
  }
}
