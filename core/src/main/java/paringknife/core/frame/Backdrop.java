package paringknife.core.frame;

import java.util.regex.Pattern;

/**
 * A picture that is seen where a ground is {@link Ground#PICTURE}: it fills what it stands in, from
 * its middle.
 *
 * @param picture names it, the SHA-256 of its file in hexadecimal
 * @param aspect its width for one of its height
 */
public record Backdrop(String picture, double aspect) {
  /** So many times as wide as high, or as high, and it is none. */
  public static final double FLATTEST = 20;

  private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

  public Backdrop {
    if (!DIGEST.matcher(picture).matches()) {
      throw new IllegalArgumentException("There is no such picture.");
    }
    if (!(aspect >= 1 / FLATTEST && aspect <= FLATTEST)) {
      throw new IllegalArgumentException(
          "A backdrop is up to 20 times as wide as high, or as high.");
    }
  }
}
