package paringknife.media;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ChildProcess;

/** Makes small media files with ffmpeg and flite for tests. */
final class SampleMedia {
  private SampleMedia() {}

  static void ffmpeg(String... arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(List.of(arguments));
    ChildProcess.run(command, null, Duration.ofMinutes(2));
  }

  /**
   * A moving test picture with a tone, at a frame rate as ffmpeg writes it (such as 30000/1001).
   */
  static Path recording(Path file, String size, String rate, int seconds) {
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "testsrc2=s=" + size + ":r=" + rate,
        "-f",
        "lavfi",
        "-i",
        "sine",
        "-t",
        Integer.toString(seconds),
        "-vf",
        "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-colorspace",
        "bt709",
        "-g",
        "30",
        "-c:a",
        "aac",
        file.toString());
    return file;
  }

  /** Takes a recording in and gives its lossless sound. */
  static Path takenIn(Recording recording) {
    Path file = recording.file();
    Path sound = file.resolveSibling(file.getFileName() + ".flac");
    new Ingest(recording, file.resolveSibling(file.getFileName() + "-proxy.mp4"), sound)
        .run(share -> {});
    return sound;
  }

  static Path speech(Path folder, String text) {
    Path wav = folder.resolve("speech.wav");
    ChildProcess.run(
        List.of("flite", "-voice", "slt", "-t", text, "-o", wav.toString()),
        null,
        Duration.ofMinutes(1));
    return wav;
  }
}
