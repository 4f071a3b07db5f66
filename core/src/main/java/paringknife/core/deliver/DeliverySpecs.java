package paringknife.core.deliver;

import java.util.Comparator;
import java.util.List;
import paringknife.core.frame.Shape;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.listen.LoudnessTarget;

/** The delivery specs that ship; limits of 60 s, 90 s and 10 min are common practice. */
public final class DeliverySpecs {
  static final long MARGIN_US = 2_000_000;
  static final int MOST_FRAMES = 60;
  static final LoudnessTarget LOUDNESS = new LoudnessTarget(-14, -1);

  private static final long SECOND = 1_000_000;

  private DeliverySpecs() {}

  public static List<DeliverySpec> shipped() {
    return List.of(
        vertical("vertical-60", "Vertical 60 s", 60),
        vertical("vertical-90", "Vertical 90 s", 90),
        vertical("vertical-600", "Vertical 10 min", 600),
        plain("feed-square", "Feed square", new Shape(1, 1), 1080, 1080),
        plain("feed-tall", "Feed tall", new Shape(4, 5), 1080, 1350),
        plain("wide", "Wide", new Shape(16, 9), 1920, 1080));
  }

  private static DeliverySpec vertical(String id, String name, int seconds) {
    return DeliverySpec.of(
        id, name, new Shape(9, 16), 1080, 1920, seconds * SECOND, SafeArea.VERTICAL);
  }

  private static DeliverySpec plain(String id, String name, Shape shape, int width, int height) {
    return DeliverySpec.of(id, name, shape, width, height, 600 * SECOND, SafeArea.PLAIN);
  }

  /**
   * A spec by its id.
   *
   * @throws IllegalArgumentException when there is none
   */
  public static DeliverySpec byId(String id) {
    return shipped().stream()
        .filter(s -> s.id().equals(id))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no delivery spec \""
                        + id
                        + "\"; there are "
                        + String.join(", ", shipped().stream().map(DeliverySpec::id).toList())));
  }

  /**
   * The spec on which a whole picture is largest; of those the one with least around it, and of
   * those the one that may be longest.
   *
   * @param ratio of the picture's width to its height
   */
  public static DeliverySpec forWhole(double ratio) {
    return shipped().stream()
        .max(
            Comparator.comparingDouble((DeliverySpec s) -> Math.rint(fittedWidth(s, ratio)))
                .thenComparing(s -> -s.canvas().width() * s.canvas().height())
                .thenComparing(s -> s.length().longestUs()))
        .orElseThrow();
  }

  private static double fittedWidth(DeliverySpec spec, double ratio) {
    return Math.min(spec.canvas().width(), spec.canvas().height() * ratio);
  }
}
