package paringknife.core.frame;

import java.util.Arrays;

/**
 * Where a camera stands that follows something without unrest: the least total of its distance from
 * what is wanted, of its speed and of its change of speed, each as an absolute value, so that it
 * mostly stands still (Grundmann, Kwatra and Essa, "Auto-directed video stabilization with robust
 * L1 optimal camera paths", 2011). What must stay in the picture bounds it; leaving the bounds
 * costs {@value #OUTSIDE} times a distance, so that bounds which contradict one another are met as
 * nearly as can be.
 *
 * <p>The linear programme is solved in its dual by an interior point method with Mehrotra's
 * predictor and corrector (Portnoy and Koenker, "The Gaussian hare and the Laplacian tortoise",
 * Statistical Science 12, 1997, section 5); its normal equations have two bands beside the
 * diagonal, so that every step is linear in the length of the path.
 */
public final class SteadyPath {
  private static final double OUTSIDE = 1_000;
  private static final double STEP = 0.9995;
  private static final double CLOSE_ENOUGH = 1e-6;

  /** Where a path is only weighed to be made better. */
  private static final double ROUGHLY = 1e-3;

  private static final int MOST_STEPS = 80;
  private static final int BANDS = 3;
  private static final double[] PLACE = {1};
  private static final double[] SPEED = {-1, 1};
  private static final double[] CHANGE = {1, -2, 1};
  private static final int ROUNDS = 2;

  /** Of what is as good as still, what the solver leaves of standing still. */
  private static final double STILL = 0.05;

  /**
   * What unrest costs.
   *
   * @param distance a unit away from what is wanted, for one sample
   * @param speed a unit from one sample to the next
   * @param change a unit of difference between two such speeds
   */
  public record Costs(double distance, double speed, double change) {}

  private final int n;
  private final int rows;
  private final int[] firstColumn;
  private final double[][] coefficients;
  private final double[] target;
  private final double[] costAbove;
  private final double[] costBelow;

  /**
   * @param wanted the position wanted at each sample
   * @param least the smallest position allowed at each
   * @param most the largest
   */
  private SteadyPath(
      double[] wanted, double[] least, double[] most, Costs costs, double[] speedShares) {
    this.n = wanted.length;
    this.rows = 3 * n + Math.max(0, n - 1) + Math.max(0, n - 2);
    this.firstColumn = new int[rows];
    this.coefficients = new double[rows][];
    this.target = new double[rows];
    this.costAbove = new double[rows];
    this.costBelow = new double[rows];
    int row = 0;
    for (int i = 0; i < n; i++) {
      row = add(row, i, wanted[i], costs.distance(), costs.distance(), PLACE);
      row = add(row, i, least[i], OUTSIDE, 0, PLACE);
      row = add(row, i, most[i], 0, OUTSIDE, PLACE);
    }
    for (int i = 0; i + 1 < n; i++) {
      double speed = costs.speed() * speedShares[i];
      row = add(row, i, 0, speed, speed, SPEED);
    }
    for (int i = 0; i + 2 < n; i++) {
      row = add(row, i, 0, costs.change(), costs.change(), CHANGE);
    }
  }

  private int add(int row, int column, double value, double above, double below, double[] factors) {
    firstColumn[row] = column;
    coefficients[row] = factors;
    target[row] = value;
    costAbove[row] = above;
    costBelow[row] = below;
    return row + 1;
  }

  /**
   * The steadiest path.
   *
   * @param wanted the position wanted at each sample
   * @param least the smallest position allowed at each sample
   * @param most the largest position allowed at each sample, not below the smallest
   * @return the position at each sample
   */
  public static double[] of(double[] wanted, double[] least, double[] most, Costs costs) {
    return wanted.length == 0
        ? new double[0]
        : new SteadyPath(wanted, least, most, costs, alike(wanted.length)).solved(CLOSE_ENOUGH);
  }

  /**
   * A steady path whose movement is gathered: what moves anyway may move more for little, and what
   * would only creep stands still, to the last bit (reweighting by Candès, Wakin and Boyd,
   * "Enhancing sparsity by reweighted l1 minimization", 2008).
   *
   * @param slow units from one sample to the next that are as good as still
   */
  public static double[] gathered(
      double[] wanted, double[] least, double[] most, Costs costs, double slow) {
    double[] shares = alike(wanted.length);
    double[] path =
        wanted.length == 0
            ? wanted
            : new SteadyPath(wanted, least, most, costs, shares).solved(ROUGHLY);
    for (int round = 1; round <= ROUNDS && path.length > 1; round++) {
      for (int i = 0; i + 1 < path.length; i++) {
        shares[i] = slow / (slow + Math.abs(path[i + 1] - path[i]));
      }
      double gap = round == ROUNDS ? CLOSE_ENOUGH : ROUGHLY;
      path = new SteadyPath(wanted, least, most, costs, shares).solved(gap);
    }
    return atRest(path, slow * STILL);
  }

  private static double[] alike(int n) {
    double[] shares = new double[n];
    Arrays.fill(shares, 1);
    return shares;
  }

  /** What hardly moves from one sample to the next stays where it began to. */
  private static double[] atRest(double[] path, double hardly) {
    double[] rested = path.clone();
    for (int i = 1; i < rested.length; i++) {
      boolean creeps = Math.abs(path[i] - path[i - 1]) < hardly;
      if (creeps && Math.abs(path[i] - rested[i - 1]) < 10 * hardly) {
        rested[i] = rested[i - 1];
      }
    }
    return rested;
  }

  /** The total that a path costs; the least is found by {@link #of}. */
  static double cost(double[] path, double[] wanted, double[] least, double[] most, Costs costs) {
    SteadyPath problem = new SteadyPath(wanted, least, most, costs, alike(wanted.length));
    double sum = 0;
    for (int r = 0; r < problem.rows; r++) {
      double rest = problem.target[r] - problem.times(r, path);
      sum += rest > 0 ? problem.costAbove[r] * rest : -problem.costBelow[r] * rest;
    }
    return sum;
  }

  /** A row of the equations times a vector. */
  private double times(int row, double[] x) {
    double[] factors = coefficients[row];
    int first = firstColumn[row];
    double sum = factors[0] * x[first];
    for (int k = 1; k < factors.length; k++) {
      sum += factors[k] * x[first + k];
    }
    return sum;
  }

  /** A row's share of the transposed equations, added to a vector. */
  private void addTransposed(int row, double factor, double[] to) {
    double[] factors = coefficients[row];
    int first = firstColumn[row];
    for (int k = 0; k < factors.length; k++) {
      to[first + k] += factors[k] * factor;
    }
  }

  /**
   * The dual: each row has a price between its two costs, and prices balance in every column. In
   * the terms of the paper x is a price above its lowest, s what is left up to its highest, z and w
   * their slacks; the path comes out as what the balances are worth.
   */
  private double[] solved(double gap) {
    double[] x = new double[rows];
    double[] s = new double[rows];
    double[] z = new double[rows];
    double[] w = new double[rows];
    double[] y = new double[n];
    for (int i = 0; i < n; i++) {
      y[i] = target[3 * i];
    }
    for (int r = 0; r < rows; r++) {
      boolean bound = costBelow[r] == 0 || costAbove[r] == 0;
      x[r] = bound ? (costAbove[r] + costBelow[r]) / 2 : costBelow[r];
      s[r] = costAbove[r] + costBelow[r] - x[r];
    }
    for (int r = 0; r < rows; r++) {
      double rest = target[r] - times(r, y);
      rest = Math.abs(rest) < 1e-3 ? Math.copySign(1e-3, rest) : rest;
      w[r] = Math.max(rest, 0) + 1e-3;
      z[r] = Math.max(-rest, 0) + 1e-3;
    }
    Step step = new Step(x, s, z, w, y);
    for (int i = 0; i < MOST_STEPS && step.gap() > gap * (1 + step.worth()); i++) {
      step.take();
    }
    return y;
  }

  /** One step of the method, from where it stands. */
  private final class Step {
    private final double[] x;
    private final double[] s;
    private final double[] z;
    private final double[] w;
    private final double[] y;
    private final double[] q = new double[rows];
    private final double[] rest = new double[rows];
    private final double[] dx = new double[rows];
    private final double[] dz = new double[rows];
    private final double[] dw = new double[rows];
    private final double[] cross = new double[rows];
    private final double[] crossed = new double[rows];
    private final double[] centred = new double[rows];
    private final double[] right = new double[n];
    private final double[] bands = new double[BANDS * n];

    Step(double[] x, double[] s, double[] z, double[] w, double[] y) {
      this.x = x;
      this.s = s;
      this.z = z;
      this.w = w;
      this.y = y;
    }

    /** How far the price and the path are from agreeing. */
    double gap() {
      double gap = 0;
      for (int r = 0; r < rows; r++) {
        gap += x[r] * z[r] + s[r] * w[r];
      }
      return gap;
    }

    double worth() {
      double sum = 0;
      for (int r = 0; r < rows; r++) {
        double away = target[r] - times(r, y);
        sum += away > 0 ? costAbove[r] * away : -costBelow[r] * away;
      }
      return sum;
    }

    void take() {
      Arrays.fill(bands, 0);
      for (int r = 0; r < rows; r++) {
        q[r] = 1 / (z[r] / x[r] + w[r] / s[r]);
        // What the slacks do not yet explain of the rest.
        rest[r] = target[r] - times(r, y) - w[r] + z[r];
        double[] a = coefficients[r];
        for (int k = 0; k < a.length; k++) {
          for (int j = k; j < a.length; j++) {
            bands[BANDS * (firstColumn[r] + k) + j - k] += q[r] * a[k] * a[j];
          }
        }
      }
      factor(bands);
      double mu = gap() / (2 * rows);
      direct(0, false);
      double price = longest(x, dx, s, -1);
      double slack = Math.min(longest(z, dz), longest(w, dw));
      double after = 0;
      for (int r = 0; r < rows; r++) {
        after +=
            (x[r] + price * dx[r]) * (z[r] + slack * dz[r])
                + (s[r] - price * dx[r]) * (w[r] + slack * dw[r]);
        cross[r] = dx[r] * dz[r];
      }
      double ratio = after / (2 * rows) / mu;
      for (int r = 0; r < rows; r++) {
        crossed[r] = -dx[r] * dw[r];
      }
      direct(mu * ratio * ratio * ratio, true);
    }

    private void direct(double mu, boolean last) {
      Arrays.fill(right, 0);
      for (int r = 0; r < rows; r++) {
        double above = last ? (mu - cross[r]) / x[r] : 0;
        double below = last ? (mu - crossed[r]) / s[r] : 0;
        // Slacks that the centre asks for, against those there are.
        centred[r] = rest[r] + (above - z[r]) - (below - w[r]);
        addTransposed(r, q[r] * centred[r], right);
        addTransposed(r, x[r] - costBelow[r], right);
      }
      substitute(bands, right);
      for (int r = 0; r < rows; r++) {
        double above = last ? (mu - cross[r]) / x[r] : 0;
        double below = last ? (mu - crossed[r]) / s[r] : 0;
        dx[r] = q[r] * (centred[r] - times(r, right));
        dz[r] = above - z[r] - z[r] / x[r] * dx[r];
        dw[r] = below - w[r] + w[r] / s[r] * dx[r];
      }
      if (!last) {
        return;
      }
      double price = Math.min(1, STEP * longest(x, dx, s, -1));
      double slack = Math.min(1, STEP * Math.min(longest(z, dz), longest(w, dw)));
      for (int r = 0; r < rows; r++) {
        x[r] += price * dx[r];
        s[r] -= price * dx[r];
        z[r] += slack * dz[r];
        w[r] += slack * dw[r];
      }
      for (int i = 0; i < n; i++) {
        y[i] += slack * right[i];
      }
    }

    /** How far prices can go before one of them, or what is left above it, is used up. */
    private double longest(double[] at, double[] by, double[] left, int sign) {
      double longest = longest(at, by);
      for (int r = 0; r < rows; r++) {
        if (sign * by[r] < 0) {
          longest = Math.min(longest, left[r] / -(sign * by[r]));
        }
      }
      return longest;
    }

    private double longest(double[] at, double[] by) {
      double longest = 1 / STEP;
      for (int r = 0; r < rows; r++) {
        if (by[r] < 0) {
          longest = Math.min(longest, -at[r] / by[r]);
        }
      }
      return longest;
    }
  }

  /** Turns a symmetric matrix of {@value #BANDS} bands into L, D and L transposed, in its place. */
  private void factor(double[] bands) {
    for (int i = 0; i < n; i++) {
      int at = BANDS * i;
      double pivot = Math.max(bands[at], 1e-12);
      bands[at] = pivot;
      double one = bands[at + 1] / pivot;
      double two = bands[at + 2] / pivot;
      if (i + 1 < n) {
        bands[at + BANDS] -= one * bands[at + 1];
        bands[at + BANDS + 1] -= one * bands[at + 2];
      }
      if (i + 2 < n) {
        bands[at + 2 * BANDS] -= two * bands[at + 2];
      }
      bands[at + 1] = one;
      bands[at + 2] = two;
    }
  }

  private void substitute(double[] factors, double[] right) {
    for (int i = 0; i < n; i++) {
      if (i + 1 < n) {
        right[i + 1] -= factors[BANDS * i + 1] * right[i];
      }
      if (i + 2 < n) {
        right[i + 2] -= factors[BANDS * i + 2] * right[i];
      }
    }
    for (int i = n - 1; i >= 0; i--) {
      right[i] /= factors[BANDS * i];
      if (i + 1 < n) {
        right[i] -= factors[BANDS * i + 1] * right[i + 1];
      }
      if (i + 2 < n) {
        right[i] -= factors[BANDS * i + 2] * right[i + 2];
      }
    }
  }
}
