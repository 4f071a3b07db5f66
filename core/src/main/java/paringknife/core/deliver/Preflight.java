package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.letter.Cue;
import paringknife.core.letter.CueLimits;

/** Says before rendering whether a clip will pass a delivery spec. */
public final class Preflight {
  private static final double NOTICEABLE_ENLARGEMENT = 1.5;

  private final DeliverySpec spec;

  public Preflight(DeliverySpec spec) {
    this.spec = spec;
  }

  /**
   * The checks of one cell of the delivery sheet.
   *
   * @param lengthUs length of the clip
   * @param cues its captions
   * @param windowHeight height of the framed part of the picture, in pixels of the recording
   */
  public List<Check> check(long lengthUs, List<Cue> cues, double windowHeight) {
    List<Check> checks = new ArrayList<>();
    checks.add(length(lengthUs));
    checks.add(reading(cues));
    checks.add(resolution(windowHeight));
    return checks;
  }

  /** Whether nothing fails. */
  public static boolean passes(List<Check> checks) {
    return checks.stream().noneMatch(c -> c.verdict() == Check.Verdict.FAILS);
  }

  private Check length(long lengthUs) {
    String has = seconds(lengthUs);
    if (lengthUs == 0) {
      return new Check("length", Check.Verdict.FAILS, "nothing is left of this clip");
    }
    if (lengthUs > spec.longestUs()) {
      return new Check(
          "length",
          Check.Verdict.FAILS,
          seconds(lengthUs - spec.aimUs()) + " s over " + seconds(spec.aimUs()) + " s");
    }
    if (lengthUs > spec.aimUs()) {
      return new Check(
          "length",
          Check.Verdict.NOTE,
          has + " s is within " + seconds(spec.marginUs()) + " s of the limit");
    }
    return new Check("length", Check.Verdict.PASSES, has + " s of " + seconds(spec.aimUs()) + " s");
  }

  private static Check reading(List<Cue> cues) {
    double fastest = cues.stream().mapToDouble(Cue::charactersPerSecond).max().orElse(0);
    long tooFast =
        cues.stream().filter(c -> c.charactersPerSecond() > CueLimits.FASTEST_READING).count();
    return tooFast == 0
        ? new Check(
            "reading speed",
            Check.Verdict.PASSES,
            String.format(Locale.ROOT, "at most %.0f characters a second", fastest))
        : new Check(
            "reading speed",
            Check.Verdict.NOTE,
            String.format(
                Locale.ROOT,
                "%d caption%s faster than %.0f characters a second",
                tooFast,
                tooFast == 1 ? " is" : "s are",
                CueLimits.FASTEST_READING));
  }

  private Check resolution(double windowHeight) {
    double enlarged = spec.height() / windowHeight;
    return enlarged <= NOTICEABLE_ENLARGEMENT
        ? new Check(
            "resolution",
            Check.Verdict.PASSES,
            String.format(Locale.ROOT, "%.0f lines of the recording", windowHeight))
        : new Check(
            "resolution",
            Check.Verdict.NOTE,
            String.format(
                Locale.ROOT,
                "enlarged %.1f times: the recording has %.0f lines here",
                enlarged,
                windowHeight));
  }

  private static String seconds(long us) {
    return String.format(Locale.ROOT, us % 1_000_000 == 0 ? "%.0f" : "%.1f", us / 1e6);
  }
}
