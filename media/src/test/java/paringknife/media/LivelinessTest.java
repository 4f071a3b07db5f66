package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.PlainText;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickFinder;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.language.SnowballForms;
import paringknife.media.process.ChildProcess;
import paringknife.media.speech.Flite;
import paringknife.media.speech.ForcedAligner;

/**
 * How much livelier than usual a voice is, against the loudness that ffmpeg's {@code ebur128}
 * measures.
 */
class LivelinessTest {
  private static final List<String> SAID =
      List.of(
          "The tide comes up the creek in the evening and fills the pond.",
          "The keeper walks down to the gate with a lamp and a stick.",
          "One night the whole wheel jumped and the roof came down on us.",
          "The water goes out again before the morning and the mill is quiet.",
          "The baker brings the bread on Monday and takes the flour along.");

  @TempDir Path folder;

  private static double loudness(Path file, double from, double to) {
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-hide_banner",
                    "-ss",
                    Double.toString(from),
                    "-to",
                    Double.toString(to),
                    "-i",
                    file.toString(),
                    "-af",
                    "ebur128",
                    "-f",
                    "null",
                    "-"),
                null,
                Duration.ofMinutes(1))
            .errors();
    Matcher integrated = Pattern.compile("I:\\s+(-?[0-9.]+) LUFS").matcher(said);
    double last = 0;
    while (integrated.find()) {
      last = Double.parseDouble(integrated.group(1));
    }
    return last;
  }

  @Test
  void theReasonSaysWhatFfmpegMeasures() {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    StringBuilder graph = new StringBuilder();
    for (int i = 0; i < SAID.size(); i++) {
      Path part = folder.resolve("part" + i + ".wav");
      new Flite("slt", 1).speak(SAID.get(i), part);
      command.addAll(List.of("-i", part.toString()));
      graph
          .insert(
              0,
              String.format(
                  Locale.ROOT,
                  "[%d:a]volume=%s,apad=pad_dur=0.4[p%d];",
                  i,
                  i == 2 ? "0dB" : "-7dB",
                  i))
          .append("[p")
          .append(i)
          .append("]");
    }
    Path whole = folder.resolve("whole.wav");
    command.addAll(
        List.of(
            "-filter_complex", graph + "concat=n=" + SAID.size() + ":v=0:a=1", whole.toString()));
    ChildProcess.run(command, null, Duration.ofMinutes(1));
    Transcript transcript =
        new ForcedAligner()
            .align(whole, PlainText.read("Ada: " + String.join(" ", SAID), 30_000_000), share -> {})
            .transcript();
    int[] ends = {0, 0, 0, 0, 0};
    for (int i = 0, words = 0; i < SAID.size(); i++) {
      words += SAID.get(i).split(" ").length;
      ends[i] = words;
    }
    double[] measured = new double[SAID.size()];
    for (int i = 0; i < SAID.size(); i++) {
      double from = transcript.words().get(i == 0 ? 0 : ends[i - 1]).startUs() / 1e6;
      measured[i] = loudness(whole, from, transcript.words().get(ends[i] - 1).endUs() / 1e6);
    }
    double usual = java.util.Arrays.stream(measured).sorted().toArray()[SAID.size() / 2];
    Pick loud =
        new PickFinder(transcript, Levels.of(whole), SnowballForms.of("en"))
            .find(new Brief(5, 1_500_000, 5_000_000, List.of())).stream()
                .filter(p -> p.opening().startsWith("One night") && p.last() == ends[2] - 1)
                .findFirst()
                .orElseThrow();
    Matcher livelier =
        Pattern.compile("voice ([0-9]+) dB livelier than usual")
            .matcher(String.join("; ", loud.reasons()));
    assertThat(livelier.find()).as(loud.reasons().toString()).isTrue();
    assertThat(Double.parseDouble(livelier.group(1))).isCloseTo(measured[2] - usual, within(1.5));
  }
}
