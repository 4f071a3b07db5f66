package paringknife.media;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.process.ChildProcess;

/** Makes small media files with ffmpeg and flite for tests. */
final class SampleMedia {
  private SampleMedia() {}

  static void ffmpeg(String... arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(List.of(arguments));
    ChildProcess.run(command, null, Duration.ofMinutes(2));
  }

  static Path speech(Path folder, String text) {
    Path wav = folder.resolve("speech.wav");
    ChildProcess.run(List.of("flite", "-voice", "slt", "-t", text, "-o", wav.toString()), null, Duration.ofMinutes(1));
    return wav;
  }
}
