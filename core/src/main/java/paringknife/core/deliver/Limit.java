package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.time.FrameRate;

/**
 * Something a destination asks for; each kind knows how it is checked before and after rendering.
 */
public sealed interface Limit {
  /** What can be told before rendering. */
  List<Check> before(Planned planned);

  /** What the finished file shows. */
  List<Check> after(Finished finished);

  /**
   * How long a file may be.
   *
   * @param longestUs longest length taken, microseconds
   * @param marginUs how far under the limit to aim, microseconds
   */
  record Length(long longestUs, long marginUs) implements Limit {
    private static final int FRAMES_OFF = 2;

    /** The length to stay under: the limit less the margin. */
    public long aimUs() {
      return longestUs - marginUs;
    }

    @Override
    public List<Check> before(Planned planned) {
      long us = planned.lengthUs();
      if (us == 0) {
        return List.of(Check.fails("length", "nothing is left of this clip"));
      }
      if (us > longestUs) {
        String over = seconds(us - aimUs()) + " s over " + seconds(aimUs()) + " s";
        return List.of(Check.fails("length", over));
      }
      if (us > aimUs()) {
        return List.of(
            Check.notes(
                "length", seconds(us) + " s is within " + seconds(marginUs) + " s of the limit"));
      }
      return List.of(Check.passes("length", seconds(us) + " s of " + seconds(aimUs()) + " s"));
    }

    @Override
    public List<Check> after(Finished finished) {
      double off = Math.abs(finished.seconds() - finished.plannedUs() / 1e6);
      boolean right =
          off <= FRAMES_OFF / finished.rate().perSecond() && finished.seconds() * 1e6 <= longestUs;
      return List.of(
          Check.of("file length", right, String.format(Locale.ROOT, "%.2f s", finished.seconds())));
    }

    private static String seconds(long us) {
      return String.format(Locale.ROOT, us % 1_000_000 == 0 ? "%.0f" : "%.1f", us / 1e6);
    }
  }

  /** How fast captions may be to read, characters a second. */
  record Reading(double fastest) implements Limit {
    public static final Reading USUAL = new Reading(Breaking.FASTEST_READING);

    @Override
    public List<Check> before(Planned planned) {
      double most =
          planned.cues().stream().mapToDouble(c -> c.charactersPerSecond()).max().orElse(0);
      long tooFast = planned.cues().stream().filter(c -> c.charactersPerSecond() > fastest).count();
      return List.of(
          tooFast == 0
              ? Check.passes(
                  "reading speed",
                  String.format(Locale.ROOT, "at most %.0f characters a second", most))
              : Check.notes(
                  "reading speed",
                  String.format(
                      Locale.ROOT,
                      "%d caption%s faster than %.0f characters a second",
                      tooFast,
                      tooFast == 1 ? " is" : "s are",
                      fastest)));
    }

    @Override
    public List<Check> after(Finished finished) {
      return List.of();
    }
  }

  /** The size of the picture, pixels. */
  record PictureSize(int width, int height) implements Limit {
    private static final double NOTICEABLE_ENLARGEMENT = 1.5;

    /** The least lines of a recording that can be shown this high without one noticing. */
    public static double leastLines(int height) {
      return height / NOTICEABLE_ENLARGEMENT;
    }

    @Override
    public List<Check> before(Planned planned) {
      double lines = planned.windowHeight();
      double enlarged = lines == 0 ? 1 : height / lines;
      return List.of(
          enlarged <= NOTICEABLE_ENLARGEMENT
              ? Check.passes(
                  "resolution", String.format(Locale.ROOT, "%.0f lines of the recording", lines))
              : Check.notes(
                  "resolution",
                  String.format(
                      Locale.ROOT,
                      "enlarged %.1f times: the recording has %.0f lines here",
                      enlarged,
                      lines)));
    }

    @Override
    public List<Check> after(Finished finished) {
      boolean right = finished.width() == width && finished.height() == height;
      return List.of(Check.of("picture size", right, finished.width() + " x " + finished.height()));
    }
  }

  /**
   * How many frames a second are taken.
   *
   * @param most frames a second
   */
  record Frames(int most) implements Limit {
    /**
     * The rate a recording is delivered at: its own, or the nearest whole part of it that is taken.
     */
    public FrameRate of(FrameRate recorded) {
      int part = 1;
      while (recorded.perSecond() / part > most + 1e-9) {
        part++;
      }
      return part == 1
          ? recorded
          : new FrameRate(recorded.numerator(), recorded.denominator() * part);
    }

    @Override
    public List<Check> before(Planned planned) {
      FrameRate delivered = of(planned.rate());
      return delivered.equals(planned.rate())
          ? List.of()
          : List.of(
              Check.notes(
                  "frame rate",
                  String.format(
                      Locale.ROOT,
                      "%.4g frames a second of the recording's %.4g",
                      delivered.perSecond(),
                      planned.rate().perSecond())));
    }

    @Override
    public List<Check> after(Finished finished) {
      double rate = finished.rate().perSecond();
      return rate <= most + 0.01
          ? List.of()
          : List.of(
              Check.fails("frame rate", String.format(Locale.ROOT, "%.4g frames a second", rate)));
    }
  }

  /** How loud a file has to be. */
  record Loudness(LoudnessTarget target) implements Limit {
    private static final double TOLERANCE_LU = 1.0;

    @Override
    public List<Check> before(Planned planned) {
      return List.of();
    }

    @Override
    public List<Check> after(Finished finished) {
      List<Check> checks = new ArrayList<>();
      checks.add(
          Check.of(
              "loudness",
              Math.abs(finished.lufs() - target.lufs()) <= TOLERANCE_LU,
              String.format(Locale.ROOT, "%.1f LUFS", finished.lufs())));
      checks.add(
          Check.of(
              "true peak",
              finished.truePeakDbtp() <= target.ceilingDbtp(),
              String.format(Locale.ROOT, "%.1f dBTP", finished.truePeakDbtp())));
      return checks;
    }
  }
}
