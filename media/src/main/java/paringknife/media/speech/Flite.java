package paringknife.media.speech;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.process.ChildProcess;

/** Speaks text with Debian's {@code flite} and tells the exact time of every phone. */
public final class Flite {
  /** One speech sound, seconds from the start; {@code pau} is silence. */
  public record Phone(String name, double start, double end) {
    public boolean isSilence() {
      return name.equals("pau");
    }
  }

  private final String voice;
  private final double stretch;

  /**
   * @param voice one of flite's voices, such as {@code slt}, {@code rms}, {@code awb}
   * @param stretch length of the speech against the voice's own; above 1 is slower
   */
  public Flite(String voice, double stretch) {
    this.voice = voice;
    this.stretch = stretch;
  }

  /** Speaks into a WAV file. */
  public List<Phone> speak(String text, Path wav) {
    try {
      Path source = Files.createTempFile("say", ".txt");
      try {
        Files.writeString(source, text);
        List<String> command =
            List.of(
                "flite",
                "-voice",
                voice,
                "--setf",
                "duration_stretch=" + stretch,
                "-psdur",
                "-f",
                source.toString(),
                "-o",
                wav.toString());
        return phones(ChildProcess.run(command, null, Duration.ofMinutes(1)).text());
      } finally {
        Files.delete(source);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static List<Phone> phones(String printed) {
    List<Phone> phones = new ArrayList<>();
    double start = 0;
    for (String item : printed.trim().split("\\s+")) {
      int colon = item.lastIndexOf(':');
      if (colon > 0) {
        double end = Double.parseDouble(item.substring(colon + 1));
        phones.add(new Phone(item.substring(0, colon), start, end));
        start = end;
      }
    }
    return phones;
  }
}
