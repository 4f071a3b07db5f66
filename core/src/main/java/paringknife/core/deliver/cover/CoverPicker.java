package paringknife.core.deliver.cover;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import paringknife.core.frame.SeenFace;

/**
 * Proposes stills: sharp, at rest, with a large face whose eyes are open as far as that can be
 * told. Each of these is counted by rank among the clip's own moments, since none of them has a
 * scale of its own; how much each counts is from memory.
 */
public final class CoverPicker {
  private static final double DETAIL = 0.35;
  private static final double REST = 0.25;
  private static final double EYES = 0.2;
  private static final double SIZE = 0.2;

  /** Eyes that are less open than this, as a share of the median of a clip, are about to shut. */
  private static final double SHUT = 0.6;

  /** Stills that are nearer to one another show the same. */
  private static final long APART_US = 1_500_000;

  private CoverPicker() {}

  /**
   * The best moments, the best first. Moments with a whole face come before those without, and open
   * eyes before shut ones.
   *
   * @param count how many at most
   */
  public static List<SeenFace> best(List<CoverLook> looks, int count) {
    double[] scores = new double[looks.size()];
    add(scores, looks, CoverLook::detail, DETAIL);
    add(scores, looks, l -> -l.movement(), REST);
    add(scores, looks, CoverLook::eyes, EYES);
    add(scores, looks, l -> l.face().height(), SIZE);
    double shut = SHUT * median(looks);
    List<Integer> order = new ArrayList<>();
    for (int i = 0; i < looks.size(); i++) {
      order.add(i);
      scores[i] += hasWholeFace(looks.get(i)) ? 2 : 0;
      scores[i] += looks.get(i).eyes() >= shut ? 1 : 0;
    }
    order.sort(Comparator.comparingDouble((Integer i) -> -scores[i]));
    List<SeenFace> best = new ArrayList<>();
    for (int i : order) {
      SeenFace face = looks.get(i).face();
      if (best.size() < count && best.stream().allMatch(b -> isApart(b, face))) {
        best.add(face);
      }
    }
    return best;
  }

  private static double median(List<CoverLook> looks) {
    double[] eyes =
        looks.stream()
            .filter(CoverPicker::hasWholeFace)
            .mapToDouble(CoverLook::eyes)
            .sorted()
            .toArray();
    return eyes.length == 0 ? 0 : eyes[eyes.length / 2];
  }

  private static boolean hasWholeFace(CoverLook look) {
    return look.face().isWhole() && look.face().height() > 0;
  }

  private static boolean isApart(SeenFace one, SeenFace other) {
    return Math.abs(one.episodeUs() - other.episodeUs()) >= APART_US;
  }

  /** Adds to each score its rank, from 0 to 1; what is alike has the same. */
  private static void add(
      double[] scores, List<CoverLook> looks, ToDoubleFunction<CoverLook> quality, double weight) {
    double[] sorted = looks.stream().mapToDouble(quality).sorted().toArray();
    for (int i = 0; i < scores.length; i++) {
      double value = quality.applyAsDouble(looks.get(i));
      int below = 0;
      int to = sorted.length;
      while (below < to) {
        int middle = (below + to) / 2;
        if (sorted[middle] < value) {
          below = middle + 1;
        } else {
          to = middle;
        }
      }
      scores[i] += weight * below / Math.max(1, sorted.length - 1);
    }
  }
}
