package paringknife.core.letter.style;

import org.jspecify.annotations.Nullable;

/**
 * How letters are filled beyond their one colour.
 *
 * @param foot what the text's colour goes over to from the top of capitals down to the baseline;
 *     null for one colour throughout
 * @param softness how far the letters are blurred, pixels on a picture 1080 pixels wide, 0 to 30
 */
public record Fill(@Nullable Colour foot, double softness) {
  public static final Fill PLAIN = new Fill(null, 0);

  public Fill {
    Bounds.check(softness, 0, 30, "How soft letters are");
  }

  /** The colour at a share of the way from the top of the letters (0) to their foot (1). */
  public Colour at(double share, Colour top) {
    return foot == null ? top : top.towards(foot, share);
  }
}
