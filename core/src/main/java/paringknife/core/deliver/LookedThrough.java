package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import paringknife.core.time.Span;

/**
 * What was noticed of a finished file when it was gone through once more, on its own clock.
 *
 * @param lengthUs how long it plays, microseconds
 * @param form how it is coded
 * @param black where the picture is black
 * @param still where the picture does not move
 * @param silent where nothing is heard
 * @param soundLateUs how much later than the picture its sound begins, microseconds; negative where
 *     it is earlier
 * @param soundShortUs how much earlier than the picture its sound ends, microseconds
 * @param captions at which moments captions were looked for
 * @param unseen those of them at which they are not in the picture
 */
public record LookedThrough(
    long lengthUs,
    FileForm form,
    List<Span> black,
    List<Span> still,
    List<Span> silent,
    long soundLateUs,
    long soundShortUs,
    List<Long> captions,
    List<Long> unseen) {
  /** Of so much of a file's length it is no stretch any more but all of it. */
  private static final double ALL = 0.9;

  /**
   * Sound is up to 40 ms early and 60 ms late (EBU R 37, "The relative timing of the sound and
   * vision components of a television signal").
   */
  private static final long MOST_EARLY_US = 40_000;

  private static final long MOST_LATE_US = 60_000;

  /** So much of the end may lack its sound, which comes in frames of its own: common practice. */
  private static final long MOST_SHORT_US = 100_000;

  private static final int NAMED = 3;

  public LookedThrough {
    black = List.copyOf(black);
    still = List.copyOf(still);
    silent = List.copyOf(silent);
    captions = List.copyOf(captions);
    unseen = List.copyOf(unseen);
  }

  /** What it comes to. */
  public List<Check> checks() {
    List<Check> checks = new ArrayList<>();
    if (!form.isForEditors()) {
      checks.add(form.inBrowsers());
    }
    if (form.hasPicture()) {
      checks.add(stretches("picture", black, "black", "never black"));
      if (!still.isEmpty()) {
        checks.add(Check.notes("movement", "the picture stands still " + at(still)));
      }
      checks.add(inStep());
    }
    checks.add(stretches("sound", silent, "silent", "never silent"));
    if (!captions.isEmpty()) {
      checks.add(
          Check.of(
              "captions seen",
              unseen.isEmpty(),
              unseen.isEmpty()
                  ? "at all of " + captions.size() + " moments"
                  : "none at "
                      + unseen.stream()
                          .map(LookedThrough::seconds)
                          .collect(Collectors.joining(", "))));
    }
    return checks;
  }

  private Check stretches(String subject, List<Span> found, String what, String otherwise) {
    if (found.isEmpty()) {
      return Check.passes(subject, otherwise);
    }
    return found.stream().mapToLong(Span::lengthUs).sum() >= ALL * lengthUs
        ? Check.fails(subject, "all of it is " + what)
        : Check.notes(subject, what + " " + at(found));
  }

  private Check inStep() {
    boolean starts = soundLateUs >= -MOST_EARLY_US && soundLateUs <= MOST_LATE_US;
    boolean ends = soundShortUs <= MOST_SHORT_US;
    String found =
        starts && ends
            ? "within " + Math.round(Math.abs(soundLateUs) / 1e3) + " ms"
            : starts
                ? "the sound ends " + seconds(soundShortUs) + " too early"
                : "the sound is "
                    + seconds(Math.abs(soundLateUs))
                    + (soundLateUs > 0 ? " late" : " early");
    return Check.of("in step", starts && ends, found);
  }

  private static String at(List<Span> found) {
    String named =
        found.stream()
            .limit(NAMED)
            .map(s -> "from " + seconds(s.startUs()) + " to " + seconds(s.endUs()))
            .collect(Collectors.joining(", "));
    return found.size() > NAMED
        ? named + " and in " + (found.size() - NAMED) + " other places"
        : named;
  }

  private static String seconds(long us) {
    return String.format(Locale.ROOT, "%.1f s", us / 1e6);
  }
}
