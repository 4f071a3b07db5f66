package paringknife.core.frame;

import paringknife.core.time.Span;

/**
 * The window comes nearer to the face for some words.
 *
 * @param id names it within the clip
 * @param span on the episode's clock
 * @param share how much nearer, {@value #LEAST} to {@value #MOST}; 0.08, 0.12 and 0.2 are usual
 *     (common practice)
 * @param curve how it comes nearer, where it glides
 * @param on whether it is done
 */
public record PushIn(
    long id, Span span, double share, Move move, Curve curve, Why why, boolean on) {
  public static final double LEAST = 0.01;
  public static final double MOST = 1;

  /** How it comes nearer. */
  public enum Move {
    /** At once, with the first word. */
    STEP,
    /** From the first word to the last. */
    GLIDE
  }

  /** What it was put there for. */
  public enum Why {
    BY_HAND,
    /** Louder than the speaker's habit. */
    LOUD,
    /** A word that this clip is about. */
    KEY_WORD,
    LAST_LINE
  }

  public PushIn {
    checkShare(share);
  }

  static void checkShare(double share) {
    if (!(share >= LEAST && share <= MOST)) {
      throw new IllegalArgumentException("A push-in comes nearer by 1 to 100 %.");
    }
  }

  /** How many times nearer the picture is at a time on the episode's clock. */
  double factorAt(long us) {
    if (!on || !span.contains(us)) {
      return 1;
    }
    double time = (us - span.startUs()) / (double) span.lengthUs();
    return 1 + share * (move == Move.STEP ? 1 : curve.at(time));
  }

  PushIn withId(long given) {
    return new PushIn(given, span, share, move, curve, why, on);
  }
}
