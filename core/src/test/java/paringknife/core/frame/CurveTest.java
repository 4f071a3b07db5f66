package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.apache.commons.math3.analysis.solvers.LaguerreSolver;
import org.apache.commons.math3.complex.Complex;
import org.junit.jupiter.api.Test;

class CurveTest {
  /** The cubic of the curve, solved by Apache Commons Math. */
  private static double solved(Curve c, double time) {
    double[] x = {-time, 3 * c.x1(), 3 * c.x2() - 6 * c.x1(), 1 + 3 * c.x1() - 3 * c.x2()};
    for (Complex root : new LaguerreSolver().solveAllComplex(x, 0.5)) {
      double t = root.getReal();
      if (Math.abs(root.getImaginary()) < 1e-7 && t > -1e-9 && t < 1 + 1e-9) {
        return 3 * (1 - t) * (1 - t) * t * c.y1() + 3 * (1 - t) * t * t * c.y2() + t * t * t;
      }
    }
    throw new AssertionError("no root at " + time);
  }

  @Test
  void goesThroughTheSolutionsOfItsCubic() {
    Curve[] curves = {
      new Curve(0.42, 0, 0.58, 1), new Curve(0.1, 0.7, 0.3, 1), new Curve(0.9, -0.4, 0.2, 1.6)
    };
    for (Curve curve : curves) {
      for (double time = 0.05; time < 1; time += 0.05) {
        assertThat(curve.at(time)).isCloseTo(solved(curve, time), within(1e-6));
      }
    }
  }

  @Test
  void beginsAndEndsWhereItMust() {
    assertThat(Curve.SOFT.at(-1)).isZero();
    assertThat(Curve.SOFT.at(0)).isZero();
    assertThat(Curve.SOFT.at(1)).isEqualTo(1);
    assertThat(Curve.SOFT.at(7)).isEqualTo(1);
    assertThat(Curve.SOFT.at(0.5)).isCloseTo(0.5, within(1e-9));
    assertThat(Curve.EVEN.at(0.3)).isCloseTo(0.3, within(1e-9));
  }

  @Test
  void handlesBeyondTheTimeAreRefused() {
    assertThatIllegalArgumentException().isThrownBy(() -> new Curve(-0.1, 0, 1, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Curve(0, 0, 1.1, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Curve(0, Double.NaN, 1, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Curve(0, 0, 1, 9));
  }
}
