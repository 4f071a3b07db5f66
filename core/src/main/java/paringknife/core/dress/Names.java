package paringknife.core.dress;

import paringknife.core.letter.drawn.Letterings;

/**
 * Names of those who speak, each shown when it is first heard in a clip.
 *
 * @param shown whether they are
 * @param lettering what they are set in, by its id
 * @param seconds how long each is shown, {@value #SHORTEST} to {@value #LONGEST}
 */
public record Names(boolean shown, String lettering, double seconds) {
  static final double SHORTEST = 1;
  static final double LONGEST = 10;

  public static final Names NONE = new Names(false, Letterings.LECTERN.id(), 3);

  public Names {
    Letterings.byId(lettering);
    if (!(seconds >= SHORTEST && seconds <= LONGEST)) {
      throw new IllegalArgumentException("A name is shown for 1 to 10 seconds.");
    }
  }
}
