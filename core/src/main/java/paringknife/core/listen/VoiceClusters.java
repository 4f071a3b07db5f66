package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;

/**
 * Groups stretches of speech by voice: the two most alike are made one for as long as one normal
 * distribution describes them better than two, by the Bayesian information criterion (Chen and
 * Gopalakrishnan 1998).
 */
final class VoiceClusters {
  /**
   * Weight of the criterion's penalty; 1 in theory, more where a voice varies (common practice).
   */
  private static final double PENALTY = 2.0;

  private VoiceClusters() {}

  static List<Voice> of(List<Voice> stretches) {
    List<Voice> voices = new ArrayList<>(stretches);
    double total = voices.stream().mapToDouble(Voice::count).sum();
    int n = voices.size();
    double[][] gain = new double[n][n];
    boolean[] gone = new boolean[n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < i; j++) {
        gain[i][j] = gain(voices.get(i), voices.get(j), total);
      }
    }
    while (true) {
      int a = -1;
      int b = -1;
      double best = 0;
      for (int i = 0; i < n; i++) {
        for (int j = 0; j < i && !gone[i]; j++) {
          if (!gone[j] && gain[i][j] > best) {
            best = gain[i][j];
            a = i;
            b = j;
          }
        }
      }
      if (a < 0) {
        break;
      }
      voices.set(b, voices.get(b).with(voices.get(a)));
      gone[a] = true;
      for (int k = 0; k < n; k++) {
        if (k != b && !gone[k]) {
          gain[Math.max(k, b)][Math.min(k, b)] = gain(voices.get(k), voices.get(b), total);
        }
      }
    }
    List<Voice> left = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      if (!gone[i]) {
        left.add(voices.get(i));
      }
    }
    return left;
  }

  /** What is gained by one distribution in place of two; positive when one is enough. */
  private static double gain(Voice a, Voice b, double total) {
    double d = VoiceFeatures.COUNT;
    double penalty = PENALTY * 0.5 * (d + d * (d + 1) / 2) * Math.log(total);
    double both = (a.count() + b.count()) * a.with(b).logDeterminant();
    return penalty - 0.5 * (both - a.count() * a.logDeterminant() - b.count() * b.logDeterminant());
  }
}
