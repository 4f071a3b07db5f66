package paringknife.core.pare;

import java.util.List;

/**
 * The best common stretch of two rows of words that both begin at their start (Smith and Waterman
 * 1981, scores 2 for alike, -1.5 for unlike, -1 for one too many, anchored at the front).
 *
 * @param endA words of the first row inside the stretch
 * @param endB words of the second row inside the stretch
 * @param alike pairs of equal words in the stretch
 */
record LocalAlignment(int endA, int endB, int alike) {
  private static final double ALIKE = 2;
  private static final double UNLIKE = -1.5;
  private static final double GAP = -1;

  static LocalAlignment fromStart(List<String> a, List<String> b) {
    double[][] score = new double[a.size() + 1][b.size() + 1];
    int[][] alike = new int[a.size() + 1][b.size() + 1];
    double best = 0;
    LocalAlignment found = new LocalAlignment(0, 0, 0);
    for (int i = 0; i <= a.size(); i++) {
      for (int j = 0; j <= b.size(); j++) {
        if (i == 0 || j == 0) {
          score[i][j] = GAP * (i + j);
          continue;
        }
        boolean same = a.get(i - 1).equals(b.get(j - 1));
        double pair = score[i - 1][j - 1] + (same ? ALIKE : UNLIKE);
        double skipA = score[i - 1][j] + GAP;
        double skipB = score[i][j - 1] + GAP;
        score[i][j] = Math.max(pair, Math.max(skipA, skipB));
        if (score[i][j] == pair) {
          alike[i][j] = alike[i - 1][j - 1] + (same ? 1 : 0);
        } else {
          alike[i][j] = score[i][j] == skipA ? alike[i - 1][j] : alike[i][j - 1];
        }
        if (score[i][j] > best) {
          best = score[i][j];
          found = new LocalAlignment(i, j, alike[i][j]);
        }
      }
    }
    return found;
  }
}
