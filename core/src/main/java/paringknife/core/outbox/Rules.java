package paringknife.core.outbox;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import paringknife.core.frame.Shape;

/**
 * What a destination takes. Nought stands for no limit, no shapes for any.
 *
 * @param shapes of the picture
 * @param longestSeconds up to twelve hours
 * @param mostBytes 1 MB is 1,000,000 of them
 * @param title characters (Unicode code points)
 * @param text characters
 * @param tags how many
 */
public record Rules(
    List<Shape> shapes, int longestSeconds, long mostBytes, int title, int text, int tags) {
  private static final int MOST_SHAPES = 12;
  private static final int LONGEST_SECONDS = 12 * 3600;
  private static final long MOST_BYTES = 1_000_000_000_000L;
  private static final int LONGEST_TEXT = 10_000;
  private static final int MOST_TAGS = 100;

  /** Pictures of a recording's own shape are even numbers of pixels, not quite the shape. */
  private static final double SHAPE_TOLERANCE = 0.01;

  /** A file's last frame and its sound end a little apart. */
  private static final double LENGTH_TOLERANCE_S = 0.05;

  public Rules {
    shapes = shapes.stream().distinct().toList();
    if (shapes.size() > MOST_SHAPES) {
      throw new IllegalArgumentException("A destination takes up to " + MOST_SHAPES + " shapes.");
    }
    refuseOutside("longest length, in seconds,", longestSeconds, LONGEST_SECONDS);
    refuseOutside("largest file, in bytes,", mostBytes, MOST_BYTES);
    refuseOutside("longest title", title, LONGEST_TEXT);
    refuseOutside("longest text", text, LONGEST_TEXT);
    refuseOutside("number of tags", tags, MOST_TAGS);
  }

  private static void refuseOutside(String what, long value, long most) {
    if (value < 0 || value > most) {
      throw new IllegalArgumentException("The " + what + " is from 0 to " + most + ".");
    }
  }

  /** Why something is not taken, each reason in the producer's words; empty when it is. */
  public List<String> against(Offered offered) {
    List<String> reasons = new ArrayList<>();
    if (longestSeconds > 0 && offered.seconds() > longestSeconds + LENGTH_TOLERANCE_S) {
      reasons.add(
          String.format(
              Locale.ROOT, "too long: %.1f s, %d s are taken", offered.seconds(), longestSeconds));
    }
    if (mostBytes > 0 && offered.bytes() > mostBytes) {
      reasons.add(
          String.format(
              Locale.ROOT,
              "too large: %.1f MB, %.1f MB are taken",
              offered.bytes() / 1e6,
              mostBytes / 1e6));
    }
    if (!shapes.isEmpty() && shapes.stream().noneMatch(s -> isOf(s, offered))) {
      reasons.add(
          "wrong shape: "
              + (offered.height() == 0
                  ? "nothing to see"
                  : offered.width() + " x " + offered.height())
              + ", "
              + shapes.stream().map(Shape::toString).collect(Collectors.joining(" or "))
              + " is taken");
    }
    refuseLonger(reasons, "title", letters(offered.texts().title()), title, "characters");
    refuseLonger(reasons, "text", letters(offered.texts().text()), text, "characters");
    refuseLonger(reasons, "list of tags", offered.texts().tags().size(), tags, "tags");
    return reasons;
  }

  private static boolean isOf(Shape shape, Offered offered) {
    if (offered.height() == 0) {
      return false;
    }
    double ratio = offered.width() / (double) offered.height();
    return Math.abs(ratio / shape.ratio() - 1) <= SHAPE_TOLERANCE;
  }

  private static void refuseLonger(
      List<String> reasons, String what, int count, int most, String unit) {
    if (most > 0 && count > most) {
      reasons.add(what + " too long: " + count + " " + unit + ", " + most + " are taken");
    }
  }

  private static int letters(String text) {
    return text.codePointCount(0, text.length());
  }
}
