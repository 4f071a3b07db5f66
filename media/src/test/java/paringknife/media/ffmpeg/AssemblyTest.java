package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.time.Span;
import paringknife.media.process.ChildProcess;

/**
 * Pieces of recordings of different size and rate, each with a flash and a tone that begin
 * together.
 */
class AssemblyTest {
  @TempDir Path folder;

  private static ChildProcess.Outcome ffmpeg(String... arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-hide_banner"));
    command.addAll(List.of(arguments));
    return ChildProcess.run(command, null, Duration.ofMinutes(2));
  }

  /** Flash and tone from 2 s to 2.5 s. */
  private Assembly.Piece made(String name, String size, String rate, Span span) {
    Path file = folder.resolve(name + ".mp4");
    Path sound = folder.resolve(name + ".flac");
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "color=black:s="
            + size
            + ":r="
            + rate
            + ":d=6,drawbox=c=white:t=fill:enable='between(t,1.999,2.5)'",
        "-f",
        "lavfi",
        "-i",
        "sine=f=800:r=48000:d=0.5,adelay=2000:all=1,apad=whole_dur=6",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-g",
        "48",
        "-c:a",
        "aac",
        file.toString());
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "sine=f=800:r=48000:d=0.5,adelay=2000:all=1,apad=whole_dur=6",
        "-ac",
        "2",
        "-c:a",
        "flac",
        sound.toString());
    return new Assembly.Piece(Probe.of(file), sound, span);
  }

  private static List<Double> all(String pattern, String said) {
    List<Double> found = new ArrayList<>();
    Matcher matcher = Pattern.compile(pattern).matcher(said);
    while (matcher.find()) {
      found.add(Double.parseDouble(matcher.group(1)));
    }
    return found;
  }

  @Test
  void everyPieceIsInStepAndAtTheFirstOnesSize() {
    List<Assembly.Piece> pieces =
        List.of(
            made("first", "640x360", "25", new Span(1_503_000, 4_017_000)),
            made("second", "320x240", "30000/1001", new Span(1_000_000, 3_333_000)),
            made("third", "640x360", "24", new Span(1_777_000, 5_000_000)));
    Path made = Assembly.write(pieces, folder.resolve("assembled.mkv"));
    Recording recording = Probe.of(made);
    assertThat(recording.picture().width()).isEqualTo(640);
    assertThat(recording.picture().rate().perSecond()).isEqualTo(25);
    long expected =
        pieces.stream().mapToLong(p -> Assembly.lengthUs(p, recording.picture().rate())).sum();
    assertThat(recording.durationUs()).isCloseTo(expected, within(30_000L));
    List<Double> tones =
        all(
            "silence_end: ([0-9.]+)",
            ffmpeg(
                    "-i",
                    made.toString(),
                    "-vn",
                    "-af",
                    "silencedetect=noise=-30dB:d=0.2",
                    "-f",
                    "null",
                    "-")
                .errors());
    String pictures =
        ffmpeg(
                "-i",
                made.toString(),
                "-an",
                "-vf",
                "crop=iw/4:ih/4,signalstats,metadata=print:key=lavfi.signalstats.YAVG:file=-",
                "-f",
                "null",
                "-")
            .text();
    List<Double> flashes = new ArrayList<>();
    Matcher picture =
        Pattern.compile("pts_time:([0-9.]+)\\s+lavfi.signalstats.YAVG=([0-9.]+)").matcher(pictures);
    boolean white = false;
    while (picture.find()) {
      boolean now = Double.parseDouble(picture.group(2)) > 128;
      if (now && !white) {
        flashes.add(Double.parseDouble(picture.group(1)));
      }
      white = now;
    }
    assertThat(flashes).hasSize(3);
    for (int i = 0; i < 3; i++) {
      assertThat(tones.get(i))
          .as("piece %d: tone against flash", i + 1)
          .isCloseTo(flashes.get(i), within(0.045));
    }
  }
}
