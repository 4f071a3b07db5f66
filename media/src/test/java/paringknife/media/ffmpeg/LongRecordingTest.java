package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.OutputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;

/**
 * A made recording of a third of an hour with everything that puts sound and picture out of step:
 * pictures left out, a start long after nought, 44.1 kHz. A flash and a tone begin together near
 * the start and near the end; ffmpeg's own filters say where they are after ingest.
 */
class LongRecordingTest {
  /** A ninth of the hundredth that three hours may be out of step, as it grows with time. */
  private static final double STEP = 0.0011;

  private static final double EARLY = 10;
  private static final double LATE = 1_190;

  @TempDir Path folder;

  private static ChildProcess.Outcome ffmpeg(String... arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-hide_banner"));
    command.addAll(List.of(arguments));
    return ChildProcess.run(command, null, Duration.ofMinutes(5));
  }

  private Path made() {
    Path file = folder.resolve("long.mkv");
    String flash = "between(t,10,11.4)+between(t,1190,1191.4)";
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "color=black:s=64x36:r=2:d=1200,drawbox=c=white:t=fill:enable='"
            + flash
            + "',select='not(eq(mod(n,7),3))'",
        "-f",
        "lavfi",
        "-i",
        "sine=f=1000:r=44100:d=1.5,asplit[a][b];[a]adelay=10000:all=1[c];[b]adelay=1190000:all=1[d];[c][d]amix=normalize=0,apad=whole_dur=1200",
        "-vsync",
        "vfr",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-g",
        "250",
        "-c:a",
        "pcm_s16le",
        "-output_ts_offset",
        "37.3",
        file.toString());
    return file;
  }

  /** When the first white picture is shown after a time. */
  private static double flash(Path file, double after) {
    String said =
        ffmpeg(
                "-ss",
                Double.toString(after - 5),
                "-to",
                Double.toString(after + 5),
                "-copyts",
                "-i",
                file.toString(),
                "-an",
                "-vf",
                "signalstats,metadata=print:key=lavfi.signalstats.YAVG:file=-",
                "-f",
                "null",
                "-")
            .text();
    Matcher picture =
        Pattern.compile("pts_time:([0-9.]+)\\s+lavfi.signalstats.YAVG=([0-9.]+)").matcher(said);
    while (picture.find()) {
      if (Double.parseDouble(picture.group(2)) > 128
          && Double.parseDouble(picture.group(1)) > after - 5) {
        return Double.parseDouble(picture.group(1));
      }
    }
    throw new AssertionError("no flash after " + after);
  }

  /** When sound begins after a time, by {@code silencedetect}. */
  private static double tone(Path file, double after) {
    String said =
        ffmpeg(
                "-ss",
                Double.toString(after - 5),
                "-to",
                Double.toString(after + 5),
                "-copyts",
                "-i",
                file.toString(),
                "-vn",
                "-af",
                "silencedetect=noise=-30dB:d=0.2",
                "-f",
                "null",
                "-")
            .errors();
    Matcher end = Pattern.compile("silence_end: ([0-9.]+)").matcher(said);
    assertThat(end.find()).as(said).isTrue();
    return Double.parseDouble(end.group(1));
  }

  @Test
  void soundAndPictureAreInStepAtTheEndOfAThirdOfAnHour() {
    Recording recording = Probe.of(made());
    Path proxy = folder.resolve("proxy.mp4");
    Path sound = folder.resolve("sound.flac");
    new Ingest(
            Cameras.of(recording),
            List.of(),
            proxy,
            sound,
            pictures -> {
              pictures.transferTo(OutputStream.nullOutputStream());
              return new AnalysisPictures.Seen(List.of(), List.of());
            })
        .run(share -> {});
    for (double at : new double[] {EARLY, LATE}) {
      double shown = flash(proxy, at);
      assertThat(tone(proxy, at))
          .as("tone of the proxy against its flash near %s", at)
          .isCloseTo(shown, within(STEP));
      assertThat(tone(sound, at))
          .as("tone of the sound against the flash near %s", at)
          .isCloseTo(shown, within(STEP));
      assertThat(shown).isCloseTo(at, within(STEP));
    }
  }
}
