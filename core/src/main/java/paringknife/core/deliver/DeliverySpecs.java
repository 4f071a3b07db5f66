package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.listen.LoudnessTarget;

/**
 * The delivery specs that there are: those that ship (limits of 60 s, 90 s and 10 min are common
 * practice), and the user's own.
 */
public record DeliverySpecs(List<DeliverySpec> all) {
  static final long MARGIN_US = 2_000_000;
  static final int MOST_FRAMES = 60;
  static final LoudnessTarget LOUDNESS = new LoudnessTarget(-14, -1);

  private static final long SECOND = 1_000_000;

  public static final DeliverySpecs SHIPPED =
      new DeliverySpecs(
          List.of(
              vertical("vertical-60", "Vertical 60 s", 60),
              vertical("vertical-90", "Vertical 90 s", 90),
              vertical("vertical-600", "Vertical 10 min", 600),
              plain("feed-square", "Feed square", 1080, 1080),
              plain("feed-tall", "Feed tall", 1080, 1350),
              plain("wide", "Wide", 1920, 1080)));

  public DeliverySpecs {
    all = List.copyOf(all);
  }

  private static DeliverySpec vertical(String id, String name, int seconds) {
    return DeliverySpec.of(id, name, 1080, 1920, seconds * SECOND, SafeArea.VERTICAL);
  }

  private static DeliverySpec plain(String id, String name, int width, int height) {
    return DeliverySpec.of(id, name, width, height, 600 * SECOND, SafeArea.PLAIN);
  }

  /** With further ones, which have ids of their own. */
  public DeliverySpecs and(List<DeliverySpec> own) {
    List<DeliverySpec> both = new ArrayList<>(all);
    both.addAll(own);
    return new DeliverySpecs(both);
  }

  public Optional<DeliverySpec> find(String id) {
    return all.stream().filter(s -> s.id().equals(id)).findFirst();
  }

  /**
   * A spec by its id.
   *
   * @throws IllegalArgumentException when there is none
   */
  public DeliverySpec byId(String id) {
    return find(id)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no delivery spec \""
                        + id
                        + "\"; there are "
                        + String.join(", ", all.stream().map(DeliverySpec::id).toList())));
  }

  /** Those of some ids; ids of which there is none any more are left out. */
  public List<DeliverySpec> among(List<String> ids) {
    return ids.stream().flatMap(id -> find(id).stream()).toList();
  }

  /**
   * The spec on which a whole picture is largest; of those the one with least around it, and of
   * those the one that may be longest.
   *
   * @param ratio of the picture's width to its height
   */
  public DeliverySpec forWhole(double ratio) {
    return all.stream()
        .filter(s -> s.encoding().codec().hasPicture())
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
