package paringknife.server.episodes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpec;
import paringknife.media.ffmpeg.Measurement;

/** Measures a finished file against what was ordered. */
public final class FinishedChecks {
  private static final double LOUDNESS_TOLERANCE = 1.0;

  private FinishedChecks() {}

  public static List<Check> of(Measurement measured, Composition composition) {
    DeliverySpec spec = composition.spec();
    List<Check> checks = new ArrayList<>();
    double frame = 1 / measured.rate().perSecond();
    double wanted = composition.playback().lengthUs() / 1e6;
    checks.add(
        check(
            "file length",
            Math.abs(measured.seconds() - wanted) <= 2 * frame
                && measured.seconds() * 1e6 <= spec.longestUs(),
            String.format(Locale.ROOT, "%.2f s", measured.seconds())));
    checks.add(
        check(
            "picture size",
            measured.width() == spec.width() && measured.height() == spec.height(),
            measured.width() + " x " + measured.height()));
    checks.add(
        check(
            "loudness",
            Math.abs(measured.lufs() - spec.lufs()) <= LOUDNESS_TOLERANCE,
            String.format(Locale.ROOT, "%.1f LUFS", measured.lufs())));
    checks.add(
        check(
            "true peak",
            measured.truePeakDbtp() <= spec.ceilingDbtp(),
            String.format(Locale.ROOT, "%.1f dBTP", measured.truePeakDbtp())));
    return checks;
  }

  private static Check check(String subject, boolean passes, String text) {
    return new Check(subject, passes ? Check.Verdict.PASSES : Check.Verdict.FAILS, text);
  }
}
