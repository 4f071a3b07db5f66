package paringknife.core.frame.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ColoursTest {
  /** CIELAB under D65 of the corners of sRGB, as widely published (from memory). */
  @ParameterizedTest
  @CsvSource({
    "1, 0, 0, 53.24, 80.09, 67.20",
    "0, 1, 0, 87.73, -86.18, 83.18",
    "0, 0, 1, 32.30, 79.19, -107.86",
    "1, 1, 1, 100, 0, 0",
    "0, 0, 0, 0, 0, 0"
  })
  void labIsAsPublished(double r, double g, double b, double l, double a, double bb) {
    double[] lab = CieLab.of(new double[] {r, g, b});
    assertThat(lab[0]).isCloseTo(l, within(0.01));
    assertThat(lab[1]).isCloseTo(a, within(0.02));
    assertThat(lab[2]).isCloseTo(bb, within(0.02));
    double[] back = CieLab.toRgb(lab);
    assertThat(back[0]).isCloseTo(r, within(1e-4));
    assertThat(back[1]).isCloseTo(g, within(1e-4));
    assertThat(back[2]).isCloseTo(b, within(1e-4));
  }

  private static SeenColours room(double factor, double added) {
    Random random = new Random(3);
    List<Integer> pixels = new ArrayList<>();
    for (int i = 0; i < 2_000; i++) {
      int pixel = 0;
      double light = random.nextDouble();
      for (int c = 0; c < 3; c++) {
        double value = 0.15 + 0.5 * light + 0.2 * random.nextDouble();
        pixel = pixel << 8 | (int) Math.round(255 * (value * factor + added));
      }
      pixels.add(pixel);
    }
    return new SeenColours(pixels);
  }

  /** The same room seen by a camera whose picture is flatter: the map undoes what it does. */
  @Test
  void whatIsFlatterComesBack() {
    CameraColours matched = CameraColours.to(0, List.of(room(1, 0), room(0.7, 0.1)));
    assertThat(matched.of(0)).isEqualTo(ColourMap.NONE);
    for (double value : new double[] {0.2, 0.4, 0.6, 0.8}) {
      double seen = value * 0.7 + 0.1;
      for (double channel : matched.of(1).of(new double[] {seen, seen, seen})) {
        assertThat(channel).isCloseTo(value, within(0.02));
      }
    }
    assertThat(matched.of(7)).as("a camera that came later").isEqualTo(ColourMap.NONE);
  }

  @Test
  void whatLooksAlikeStaysAsItIs() {
    ColourMap map = CameraColours.to(1, List.of(room(1, 0), room(1, 0))).of(0);
    double[] colour = map.of(new double[] {0.3, 0.5, 0.7});
    assertThat(colour[0]).isCloseTo(0.3, within(0.005));
    assertThat(colour[1]).isCloseTo(0.5, within(0.005));
    assertThat(colour[2]).isCloseTo(0.7, within(0.005));
  }

  /**
   * From 0.21 to 0.67 of the range: stretched to 0.06 to 0.92 that is 1.86 times, more than is
   * done.
   */
  @Test
  void aFlatPictureGetsContrastAndAGreyCastGoes() {
    List<Integer> pixels = new ArrayList<>();
    for (int i = 0; i <= 100; i++) {
      int grey = (int) Math.round(255 * (0.2 + 0.005 * i));
      pixels.add((grey + 8) << 16 | grey << 8 | (grey - 8));
    }
    Look look = EvenedLook.of(new SeenColours(pixels), false);
    assertThat(look.contrast()).isEqualTo(1.5);
    assertThat(look.warmth()).as("cooler").isBetween(-0.03, -0.01);
    double middle = 0.5 + 1.5 * (0.45 - 0.5) + look.brightness();
    assertThat(middle).as("the middle of what is seen").isCloseTo(0.49, within(0.01));
    assertThat(EvenedLook.of(room(1.3, -0.15), true).contrast()).isLessThan(1.3);
  }

  /** Black all over, one colour, noise: a map comes of it that shows something. */
  @Property(tries = 200)
  void anyColoursGiveAMap(
      @ForAll @Size(min = 1, max = 40) List<@IntRange(max = 0xffffff) Integer> one,
      @ForAll @Size(min = 1, max = 40) List<@IntRange(max = 0xffffff) Integer> other) {
    List<SeenColours> seen = List.of(new SeenColours(one), new SeenColours(other));
    CameraColours matched = CameraColours.to(0, seen);
    assertThat(matched.of(1).lumaTimes()).isBetween(-4.0, 4.0);
    Look look = EvenedLook.of(seen.get(0), false);
    assertThat(look.contrast()).isBetween(0.8, 1.5);
  }

  @Test
  void camerasThatAreNotThereAreRefused() {
    for (int wrong : new int[] {-2, -1, 1, 9}) {
      assertThatThrownBy(() -> CameraColours.to(wrong, List.of(room(1, 0))))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessage("There is no such camera.");
    }
    assertThatThrownBy(() -> new ColourMap(5, 0, 1, 0, 0, 1, 0, 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new SeenColours(List.of()))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** Matched first, then changed by hand: one map does both. */
  @Property
  void aLookAfterAMapIsOneMap(
      @ForAll @IntRange(min = -30, max = 30) int brightness,
      @ForAll @IntRange(min = 50, max = 160) int contrast,
      @ForAll @IntRange(max = 200) int saturation,
      @ForAll @IntRange(min = -10, max = 10) int warmth) {
    Look look =
        new Look(brightness / 100.0, contrast / 100.0, saturation / 100.0, warmth / 100.0, false);
    ColourMap matched = new ColourMap(1.2, -0.05, 0.9, 0.02, 0.01, 1.1, -0.03, 0.02);
    double[] once = matched.of(new double[] {0.3, 0.6, 0.2});
    double[] both = matched.then(look).of(new double[] {0.3, 0.6, 0.2});
    double[] after = ColourMap.NONE.then(look).of(once);
    for (int c = 0; c < 3; c++) {
      assertThat(both[c]).isCloseTo(after[c], within(1e-9));
    }
    double grey = ColourMap.NONE.then(look).of(new double[] {0.5, 0.5, 0.5})[1];
    assertThat(grey)
        .as("contrast turns about the middle, warmth leaves luma as it is")
        .isCloseTo(
            0.5
                + brightness / 100.0
                + (0.0722 * 1.8556 - 0.2126 * 1.5748) / 0.7152 * warmth / 100.0,
            within(1e-6));
  }

  @Test
  void aCamerasLookStaysWhateverItIsMatchedTo() {
    Look warm = new Look(0, 1, 1, 0.05, false);
    List<SeenColours> seen = List.of(room(1, 0), room(0.7, 0.1));
    CameraColours changed = CameraColours.AS_RECORDED.with(1, warm);
    assertThat(changed.of(0)).isEqualTo(ColourMap.NONE);
    assertThat(changed.of(1).redAdded()).isEqualTo(0.05);
    CameraColours matched = CameraColours.to(0, seen).withLooksOf(changed);
    assertThat(matched.of(1).redAdded())
        .isCloseTo(CameraColours.to(0, seen).of(1).redAdded() + 0.05, within(1e-9));
    assertThat(changed.with(1, Look.AS_RECORDED)).isEqualTo(CameraColours.AS_RECORDED);
    assertThatThrownBy(() -> changed.with(0, new Look(0, 1, 1, 0, true)))
        .hasMessageContaining("mirrored");
  }
}
