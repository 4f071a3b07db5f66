package paringknife.core.deliver.cover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class OpenEyesTest {
  private static final int SIDE = 100;
  private static final int SKIN = 180;
  private static final int DARK = 40;

  private static byte[] face() {
    byte[] face = new byte[SIDE * SIDE];
    Arrays.fill(face, (byte) SKIN);
    return face;
  }

  private static void draw(byte[] face, int left, int top, int wide, int high) {
    for (int y = top; y < top + high; y++) {
      Arrays.fill(face, y * SIDE + left, y * SIDE + left + wide, (byte) DARK);
    }
  }

  private static double in(byte[] face) {
    return OpenEyes.in(face, SIDE, 0, 0, SIDE, SIDE);
  }

  @Test
  void anIrisIsDarkerThanWhatIsBesideIt() {
    byte[] face = face();
    draw(face, 30, 35, 5, 5);
    draw(face, 65, 35, 5, 5);
    assertThat(in(face)).isCloseTo(SKIN - DARK, within(1e-9));
  }

  @Test
  void oneEyeIsHalfAsOpenAsTwo() {
    byte[] face = face();
    draw(face, 30, 35, 5, 5);
    assertThat(in(face)).isCloseTo((SKIN - DARK) / 2.0, within(1e-9));
  }

  @Test
  void lashesAndBrowsLieAcross() {
    byte[] face = face();
    draw(face, 20, 28, 60, 3);
    draw(face, 20, 40, 60, 2);
    assertThat(in(face)).isZero();
  }

  @Test
  void ofAFewPixelsNothingCanBeTold() {
    assertThat(OpenEyes.in(face(), SIDE, 10, 10, 4, 4)).isZero();
  }
}
