package paringknife.bench;

import java.nio.file.Path;
import java.util.Locale;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.transcripts.TranscriptFile;

/** Timing the text of the demo's first episode against its sound. */
final class AlignmentBench {
  private static final double BUDGET = 0.5;

  private AlignmentBench() {}

  /**
   * @param ingested folder of the episode as it was taken in
   */
  static void run(Path demo, Path ingested) {
    Path sound = ingested.resolve("sound.flac");
    double length = Probe.of(sound).durationUs() / 1e6;
    var text = TranscriptFile.read(demo.resolve("slack-water-07/transcript.json")).transcript();
    long from = System.nanoTime();
    double matched = new ForcedAligner().align(sound, text, share -> {}).matched();
    double seconds = (System.nanoTime() - from) / 1e9;
    System.out.printf(
        Locale.ROOT,
        "alignment / budget of %.1f times real time: %.2f (%.1f s for %.0f s; %.0f %% of the words heard alike)%n",
        BUDGET,
        seconds / length / BUDGET,
        seconds,
        length,
        matched * 100);
  }
}
