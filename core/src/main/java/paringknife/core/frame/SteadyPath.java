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

  /** Where the rows of speeds begin, after those of places wanted, least and most. */
  private final int speeds;

  /** Where the rows of changes of speed begin. */
  private final int changes;

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
    this.speeds = 3 * n;
    this.changes = speeds + Math.max(0, n - 1);
    this.rows = changes + Math.max(0, n - 2);
    this.target = new double[rows];
    this.costAbove = new double[rows];
    this.costBelow = new double[rows];
    for (int i = 0; i < n; i++) {
      row(i, wanted[i], costs.distance(), costs.distance());
      row(n + i, least[i], OUTSIDE, 0);
      row(2 * n + i, most[i], 0, OUTSIDE);
    }
    for (int i = 0; i + 1 < n; i++) {
      double speed = costs.speed() * speedShares[i];
      row(speeds + i, 0, speed, speed);
    }
    for (int i = 0; i + 2 < n; i++) {
      row(changes + i, 0, costs.change(), costs.change());
    }
  }

  private void row(int row, double value, double above, double below) {
    target[row] = value;
    costAbove[row] = above;
    costBelow[row] = below;
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
    double[] sides = new double[problem.rows];
    problem.sides(path, sides);
    return problem.worth(sides);
  }

  /** What a path costs whose rows come to these sides. */
  private double worth(double[] sides) {
    double sum = 0;
    for (int r = 0; r < rows; r++) {
      double away = target[r] - sides[r];
      sum += away > 0 ? costAbove[r] * away : -costBelow[r] * away;
    }
    return sum;
  }

  /** The equations times a path: places three times, speeds, changes of speed. */
  private void sides(double[] path, double[] to) {
    System.arraycopy(path, 0, to, 0, n);
    System.arraycopy(path, 0, to, n, n);
    System.arraycopy(path, 0, to, 2 * n, n);
    for (int i = 0; i < changes - speeds; i++) {
      to[speeds + i] = path[i + 1] - path[i];
    }
    for (int i = 0; i < rows - changes; i++) {
      to[changes + i] = path[i] - 2 * path[i + 1] + path[i + 2];
    }
  }

  /** The transposed equations times something of each row. */
  private void columns(double[] ofRows, double[] to) {
    for (int i = 0; i < n; i++) {
      to[i] = ofRows[i] + ofRows[n + i] + ofRows[2 * n + i];
    }
    for (int i = 0; i < changes - speeds; i++) {
      to[i] -= ofRows[speeds + i];
    }
    for (int i = 0; i < changes - speeds; i++) {
      to[i + 1] += ofRows[speeds + i];
    }
    for (int i = 0; i < rows - changes; i++) {
      to[i] += ofRows[changes + i];
    }
    for (int i = 0; i < rows - changes; i++) {
      to[i + 1] -= 2 * ofRows[changes + i];
    }
    for (int i = 0; i < rows - changes; i++) {
      to[i + 2] += ofRows[changes + i];
    }
  }

  /**
   * The dual: each row has a price between its two costs, and prices balance in every column. In
   * the terms of the paper x is a price above its lowest, s what is left up to its highest, z and w
   * their slacks; the path comes out as what the balances are worth.
   */
  private double[] solved(double gap) {
    Step step = new Step(Arrays.copyOf(target, n));
    for (int i = 0; i < MOST_STEPS && step.gap() > gap * (1 + worth(step.sides)); i++) {
      step.take();
    }
    return step.y;
  }

  /** One step of the method, from where it stands. */
  private final class Step {
    private final double[] x = new double[rows];
    private final double[] s = new double[rows];
    private final double[] z = new double[rows];
    private final double[] w = new double[rows];
    private final double[] y;
    private final double[] sides = new double[rows];
    private final double[] perX = new double[rows];
    private final double[] perS = new double[rows];
    private final double[] q = new double[rows];
    private final double[] rest = new double[rows];
    private final double[] above = new double[rows];
    private final double[] below = new double[rows];
    private final double[] dx = new double[rows];
    private final double[] dz = new double[rows];
    private final double[] dw = new double[rows];
    private final double[] centred = new double[rows];
    private final double[] ofRows = new double[rows];
    private final double[] right = new double[n];
    private final FiveBands normal = new FiveBands(n);

    Step(double[] y) {
      this.y = y;
      sides(y, sides);
      for (int r = 0; r < rows; r++) {
        boolean bound = costBelow[r] == 0 || costAbove[r] == 0;
        x[r] = bound ? (costAbove[r] + costBelow[r]) / 2 : costBelow[r];
        s[r] = costAbove[r] + costBelow[r] - x[r];
        double away = target[r] - sides[r];
        away = Math.abs(away) < 1e-3 ? Math.copySign(1e-3, away) : away;
        w[r] = Math.max(away, 0) + 1e-3;
        z[r] = Math.max(-away, 0) + 1e-3;
      }
    }

    /** How far the price and the path are from agreeing. */
    double gap() {
      double gap = 0;
      for (int r = 0; r < rows; r++) {
        gap += x[r] * z[r] + s[r] * w[r];
      }
      return gap;
    }

    void take() {
      for (int r = 0; r < rows; r++) {
        perX[r] = 1 / x[r];
        perS[r] = 1 / s[r];
        q[r] = 1 / (z[r] * perX[r] + w[r] * perS[r]);
        // What the slacks do not yet explain of the rest.
        rest[r] = target[r] - sides[r] - w[r] + z[r];
      }
      weigh();
      double mu = gap() / (2 * rows);
      Arrays.fill(above, 0);
      Arrays.fill(below, 0);
      direct();
      double price = longestOfPrices();
      double slack = Math.min(longest(z, dz), longest(w, dw));
      double after = 0;
      for (int r = 0; r < rows; r++) {
        after +=
            (x[r] + price * dx[r]) * (z[r] + slack * dz[r])
                + (s[r] - price * dx[r]) * (w[r] + slack * dw[r]);
      }
      double ratio = after / (2 * rows) / mu;
      double centre = mu * ratio * ratio * ratio;
      for (int r = 0; r < rows; r++) {
        above[r] = (centre - dx[r] * dz[r]) * perX[r];
        below[r] = (centre + dx[r] * dw[r]) * perS[r];
      }
      direct();
      go();
    }

    /** The normal equations, weighed by row, and their factors. */
    private void weigh() {
      double[] diagonal = normal.diagonal();
      double[] near = normal.near();
      double[] far = normal.far();
      for (int i = 0; i < n; i++) {
        diagonal[i] = q[i] + q[n + i] + q[2 * n + i];
      }
      Arrays.fill(near, 0);
      Arrays.fill(far, 0);
      for (int i = 0; i < changes - speeds; i++) {
        double weight = q[speeds + i];
        diagonal[i] += weight;
        diagonal[i + 1] += weight;
        near[i] = -weight;
      }
      for (int i = 0; i < rows - changes; i++) {
        double weight = q[changes + i];
        diagonal[i] += weight;
        diagonal[i + 1] += 4 * weight;
        diagonal[i + 2] += weight;
        near[i] -= 2 * weight;
        near[i + 1] -= 2 * weight;
        far[i] = weight;
      }
      normal.factor();
    }

    private void direct() {
      for (int r = 0; r < rows; r++) {
        // Slacks that the centre asks for, against those there are.
        centred[r] = rest[r] + (above[r] - z[r]) - (below[r] - w[r]);
        ofRows[r] = q[r] * centred[r] + x[r] - costBelow[r];
      }
      columns(ofRows, right);
      normal.substitute(right);
      sides(right, ofRows);
      for (int r = 0; r < rows; r++) {
        dx[r] = q[r] * (centred[r] - ofRows[r]);
        dz[r] = above[r] - z[r] - z[r] * perX[r] * dx[r];
        dw[r] = below[r] - w[r] + w[r] * perS[r] * dx[r];
      }
    }

    private void go() {
      double price = Math.min(1, STEP * longestOfPrices());
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
      sides(y, sides);
    }

    /** How far prices can go before one of them, or what is left above it, is used up. */
    private double longestOfPrices() {
      double steepest = STEP;
      for (int r = 0; r < rows; r++) {
        steepest = Math.max(steepest, Math.max(-dx[r] * perX[r], dx[r] * perS[r]));
      }
      return 1 / steepest;
    }

    private double longest(double[] at, double[] by) {
      double steepest = STEP;
      for (int r = 0; r < rows; r++) {
        steepest = Math.max(steepest, -by[r] / at[r]);
      }
      return 1 / steepest;
    }
  }
}
