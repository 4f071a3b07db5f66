package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.commons.math3.optim.MaxIter;
import org.apache.commons.math3.optim.linear.LinearConstraint;
import org.apache.commons.math3.optim.linear.LinearConstraintSet;
import org.apache.commons.math3.optim.linear.LinearObjectiveFunction;
import org.apache.commons.math3.optim.linear.NonNegativeConstraint;
import org.apache.commons.math3.optim.linear.Relationship;
import org.apache.commons.math3.optim.linear.SimplexSolver;
import org.apache.commons.math3.optim.nonlinear.scalar.GoalType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SteadyPathTest {
  private static final SteadyPath.Costs COSTS = new SteadyPath.Costs(1, 6, 20);

  private static double[] filled(int n, double value) {
    double[] all = new double[n];
    Arrays.fill(all, value);
    return all;
  }

  /** Apache Commons Math's simplex solver on the same programme, written out in full. */
  private static double leastBySimplex(double[] wanted, double[] least, double[] most) {
    int n = wanted.length;
    int terms = n + (n - 1) + (n - 2);
    List<LinearConstraint> constraints = new ArrayList<>();
    double[] objective = new double[n + terms];
    int term = n;
    for (int i = 0; i < n; i++) {
      term = term(constraints, objective, n + terms, term, COSTS.distance(), wanted[i], i, 1);
      double[] own = new double[n + terms];
      own[i] = 1;
      constraints.add(new LinearConstraint(own, Relationship.GEQ, least[i]));
      constraints.add(new LinearConstraint(own, Relationship.LEQ, most[i]));
    }
    for (int i = 0; i + 1 < n; i++) {
      term = term(constraints, objective, n + terms, term, COSTS.speed(), 0, i, -1, 1);
    }
    for (int i = 0; i + 2 < n; i++) {
      term = term(constraints, objective, n + terms, term, COSTS.change(), 0, i, 1, -2, 1);
    }
    return new SimplexSolver(1e-9, 100)
        .optimize(
            new MaxIter(100_000),
            new LinearObjectiveFunction(objective, 0),
            new LinearConstraintSet(constraints),
            GoalType.MINIMIZE,
            new NonNegativeConstraint(false))
        .getValue();
  }

  /** A term is at least what it is the absolute value of, and at least that turned about. */
  private static int term(
      List<LinearConstraint> constraints,
      double[] objective,
      int size,
      int term,
      double cost,
      double target,
      int column,
      double... factors) {
    objective[term] = cost;
    for (int sign : new int[] {1, -1}) {
      double[] row = new double[size];
      for (int k = 0; k < factors.length; k++) {
        row[column + k] = -sign * factors[k];
      }
      row[term] = 1;
      constraints.add(new LinearConstraint(row, Relationship.GEQ, -sign * target));
    }
    return term + 1;
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
  void costsWhatTheSimplexSolverFindsToBeTheLeast(int seed) {
    Random random = new Random(seed);
    int n = 3 + random.nextInt(14);
    double[] wanted = new double[n];
    double[] least = new double[n];
    double[] most = new double[n];
    for (int i = 0; i < n; i++) {
      wanted[i] = 100 * random.nextDouble() + 20 * i;
      least[i] = wanted[i] - 30 - 40 * random.nextDouble();
      most[i] = wanted[i] + 30 + 40 * random.nextDouble();
    }
    double[] path = SteadyPath.of(wanted, least, most, COSTS);
    double best = leastBySimplex(wanted, least, most);
    assertThat(SteadyPath.cost(path, wanted, least, most, COSTS))
        .isCloseTo(best, within(1e-4 * best));
  }

  @Test
  void standsStillWhileWhatItFollowsOnlySways() {
    double[] wanted = new double[200];
    for (int i = 0; i < wanted.length; i++) {
      wanted[i] = 500 + 8 * Math.sin(i / 4.0);
    }
    double[] path = SteadyPath.of(wanted, filled(200, 400), filled(200, 600), COSTS);
    for (double at : path) {
      assertThat(at).isCloseTo(path[0], within(0.01));
      assertThat(at).isBetween(490.0, 510.0);
    }
  }

  @Test
  void staysWithinItsBoundsAndTurnsSoftly() {
    int n = 150;
    double[] wanted = new double[n];
    for (int i = 0; i < n; i++) {
      wanted[i] = i < 50 ? 300 : i < 100 ? 300 + 16 * (i - 50) : 1_100;
    }
    double[] least = Arrays.stream(wanted).map(w -> w - 60).toArray();
    double[] most = Arrays.stream(wanted).map(w -> w + 60).toArray();
    double[] path = SteadyPath.of(wanted, least, most, COSTS);
    int still = 0;
    for (int i = 0; i < n; i++) {
      assertThat(path[i]).isBetween(least[i] - 0.01, most[i] + 0.01);
      still += i > 0 && Math.abs(path[i] - path[i - 1]) < 0.05 ? 1 : 0;
    }
    assertThat(still).as("samples at rest").isGreaterThan(60);
  }

  @Test
  void aPathOfOneSampleOrNoneIsOne() {
    assertThat(SteadyPath.of(new double[0], new double[0], new double[0], COSTS)).isEmpty();
    assertThat(SteadyPath.of(filled(1, 5), filled(1, 7), filled(1, 9), COSTS)[0])
        .isCloseTo(7, within(0.01));
    assertThat(SteadyPath.of(filled(2, 5), filled(2, 0), filled(2, 9), COSTS)).hasSize(2);
  }

  @Test
  void threeHoursOfFiveSamplesASecondAreSolved() {
    int n = 54_000;
    Random random = new Random(3);
    double[] wanted = new double[n];
    double at = 900;
    for (int i = 0; i < n; i++) {
      at += i % 400 < 40 ? 12 * Math.signum(Math.sin(i / 400)) : 0;
      wanted[i] = at + 3 * random.nextGaussian();
    }
    double[] least = Arrays.stream(wanted).map(w -> w - 90).toArray();
    double[] most = Arrays.stream(wanted).map(w -> w + 90).toArray();
    double[] path = SteadyPath.of(wanted, least, most, COSTS);
    int still = 0;
    for (int i = 0; i < n; i++) {
      assertThat(path[i]).isBetween(least[i] - 0.1, most[i] + 0.1);
      still += i > 0 && Math.abs(path[i] - path[i - 1]) < 0.05 ? 1 : 0;
    }
    assertThat(still).isGreaterThan(n / 2);
  }
}
