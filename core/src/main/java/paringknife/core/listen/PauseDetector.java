package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Finds pauses in a level curve. With the same threshold and shortest length it finds what ffmpeg's
 * {@code silencedetect} finds, within one window; in addition a bump (a burst of at most {@value
 * #BUMP_US} microseconds in which nobody says a word, quiet on both sides) belongs to the pause.
 */
public final class PauseDetector {
  private static final long BUMP_US = 250_000;
  private static final long SOFT_SOUND_US = 150_000;
  private static final long QUIET_BESIDE_BUMP_US = 60_000;

  private final PauseSettings settings;

  public PauseDetector(PauseSettings settings) {
    this.settings = settings;
  }

  /** Quiet stretches at least as long as the shortest pause, by level alone. */
  public List<Span> quietStretches(LevelCurve curve) {
    return quietRuns(curve).stream().filter(s -> s.lengthUs() >= settings.shortestUs()).toList();
  }

  /** Pauses of an episode, bumps between words included, each with what would be cut. */
  public List<Pause> pauses(LevelCurve curve, Transcript transcript) {
    List<Pause> pauses = new ArrayList<>();
    for (Span quiet : joinOverBumps(quietRuns(curve), transcript)) {
      if (quiet.lengthUs() < settings.shortestUs()) {
        continue;
      }
      Span silent = outsideSoftSounds(quiet, transcript);
      long from = Math.max(quiet.startUs() + settings.tailUs(), silent.startUs());
      long to = Math.min(quiet.endUs() - settings.headUs(), silent.endUs());
      if (to - from >= LevelCurve.WINDOW_US * 4) {
        pauses.add(new Pause(quiet, new Span(from, to)));
      }
    }
    return pauses;
  }

  /** Words often begin and end softer than the threshold; that much of them is not a pause. */
  private static Span outsideSoftSounds(Span quiet, Transcript transcript) {
    long from = quiet.startUs();
    long to = quiet.endUs();
    int at = transcript.firstEndingAfter(from);
    if (at < transcript.words().size()) {
      Word first = transcript.words().get(at);
      if (first.startUs() < from && first.endUs() - from <= SOFT_SOUND_US) {
        from = first.endUs();
      }
    }
    for (; at < transcript.words().size() && transcript.words().get(at).startUs() < to; at++) {
      if (to - transcript.words().get(at).startUs() <= SOFT_SOUND_US) {
        to = transcript.words().get(at).startUs();
      }
    }
    return new Span(from, Math.max(from, to));
  }

  private List<Span> quietRuns(LevelCurve curve) {
    List<Span> runs = new ArrayList<>();
    int start = -1;
    for (int i = 0; i <= curve.windows(); i++) {
      boolean quiet = i < curve.windows() && curve.dbfs()[i] < settings.thresholdDb();
      if (quiet && start < 0) {
        start = i;
      } else if (!quiet && start >= 0) {
        runs.add(new Span(start * LevelCurve.WINDOW_US, i * LevelCurve.WINDOW_US));
        start = -1;
      }
    }
    return runs;
  }

  private static List<Span> joinOverBumps(List<Span> runs, Transcript transcript) {
    List<Span> joined = new ArrayList<>();
    for (Span run : runs) {
      Span before = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (before != null && isBump(before, run, transcript)) {
        joined.set(joined.size() - 1, new Span(before.startUs(), run.endUs()));
      } else {
        joined.add(run);
      }
    }
    return joined;
  }

  private static boolean isBump(Span before, Span after, Transcript transcript) {
    return after.startUs() - before.endUs() <= BUMP_US
        && before.lengthUs() >= QUIET_BESIDE_BUMP_US
        && after.lengthUs() >= QUIET_BESIDE_BUMP_US
        && noWordBetween(transcript, before.endUs(), after.startUs());
  }

  private static boolean noWordBetween(Transcript transcript, long fromUs, long toUs) {
    int next = transcript.firstEndingAfter(fromUs);
    if (next == transcript.words().size()) {
      return true;
    }
    Word word = transcript.words().get(next);
    return word.startUs() >= toUs;
  }
}
