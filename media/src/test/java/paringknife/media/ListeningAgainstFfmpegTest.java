package paringknife.media;

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
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.process.ChildProcess;

/** Our ears against ffmpeg's: {@code silencedetect} and {@code ebur128} on the same speech. */
class ListeningAgainstFfmpegTest {
  @TempDir static Path folder;

  private static Path talk() {
    Path wav =
        SampleMedia.speech(
            folder, "The ice came up the race. It stopped the wheel. Nobody had told me. Get up.");
    Path spaced = folder.resolve("spaced.wav");
    SampleMedia.ffmpeg(
        "-i",
        wav.toString(),
        "-f",
        "lavfi",
        "-t",
        "1.37",
        "-i",
        "anullsrc=r=16000:cl=mono",
        "-i",
        wav.toString(),
        "-filter_complex",
        "[0:a][1:a][2:a]concat=n=3:v=0:a=1,aresample=48000",
        spaced.toString());
    return spaced;
  }

  @Test
  void pausesAreThoseOfSilencedetectWithinOneWindow() {
    Path wav = talk();
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-i",
                    wav.toString(),
                    "-af",
                    "silencedetect=noise=-38dB:duration=0.3",
                    "-f",
                    "null",
                    "-"),
                null,
                Duration.ofMinutes(1))
            .errors();
    List<double[]> theirs = new ArrayList<>();
    Matcher starts = Pattern.compile("silence_start: ([\\d.-]+)").matcher(said);
    Matcher ends = Pattern.compile("silence_end: ([\\d.]+)").matcher(said);
    while (starts.find() && ends.find()) {
      theirs.add(
          new double[] {
            Math.max(0, Double.parseDouble(starts.group(1))), Double.parseDouble(ends.group(1))
          });
    }
    List<Span> ours =
        new PauseDetector(new PauseSettings(-38, 300_000, 20_000, 150_000))
            .quietStretches(Levels.of(wav));
    assertThat(theirs).isNotEmpty();
    assertThat(ours).hasSameSizeAs(theirs);
    for (int i = 0; i < ours.size(); i++) {
      assertThat(ours.get(i).startUs() / 1e6)
          .isCloseTo(theirs.get(i)[0], within(LevelCurve.WINDOW_US / 1e6 + 0.001));
      assertThat(ours.get(i).endUs() / 1e6)
          .isCloseTo(theirs.get(i)[1], within(LevelCurve.WINDOW_US / 1e6 + 0.001));
    }
  }

  @Test
  void loudnessAndPeakAreThoseOfEbur128() {
    Path wav = talk();
    Levels.Loudness ours = Levels.loudness(wav);
    Measurement theirs = Measurement.of(wav);
    assertThat(ours.lufs()).isCloseTo(theirs.lufs(), within(0.15));
    assertThat(ours.truePeakDbtp()).isCloseTo(theirs.truePeakDbtp(), within(0.3));
  }
}
