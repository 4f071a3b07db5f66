package paringknife.core.deliver.cover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.SeenFace;
import paringknife.core.frame.Window;

class CoverPickerTest {
  private static SeenFace face(int second, double height, boolean isWhole) {
    return new SeenFace(
        second * 25L, second * 1_000_000L, new Window(0, 0, 10, 10), height, isWhole);
  }

  private static CoverLook look(int second, double detail, double movement, double eyes) {
    return new CoverLook(face(second, 0.2, true), detail, movement, eyes);
  }

  @Test
  void whatIsSharpAtRestAndHasOpenEyesComesFirst() {
    List<CoverLook> looks =
        List.of(look(0, 5, 9, 30), look(10, 80, 1, 40), look(20, 60, 3, 35), look(30, 20, 6, 10));
    assertThat(CoverPicker.best(looks, 4))
        .extracting(f -> f.episodeUs() / 1_000_000)
        .startsWith(10L, 20L)
        .hasSize(4);
  }

  @Test
  void noSharpnessMakesUpForAFaceThatIsCutOrMissing() {
    CoverLook cut = new CoverLook(face(0, 0.5, false), 99, 0, 99);
    CoverLook nobody = new CoverLook(face(5, 0, true), 98, 0, 0);
    CoverLook whole = new CoverLook(face(10, 0.1, true), 1, 50, 1);
    assertThat(CoverPicker.best(List.of(cut, nobody, whole), 1)).containsExactly(whole.face());
  }

  @Test
  void noSharpnessMakesUpForShutEyes() {
    List<CoverLook> looks =
        List.of(look(0, 50, 2, 40), look(10, 60, 2, 38), look(20, 99, 0, 15), look(30, 55, 2, 41));
    assertThat(CoverPicker.best(looks, 4)).extracting(f -> f.episodeUs() / 1_000_000).endsWith(20L);
  }

  @Test
  void stillsOfOneMomentAreProposedOnce() {
    List<CoverLook> looks = new ArrayList<>();
    for (int i = 0; i < 50; i++) {
      SeenFace face = new SeenFace(i, 200_000L * i, new Window(0, 0, 10, 10), 0.2, true);
      looks.add(new CoverLook(face, 50 - i, i, 50 - i));
    }
    List<SeenFace> best = CoverPicker.best(looks, 6);
    assertThat(best).hasSize(6);
    for (int i = 1; i < best.size(); i++) {
      assertThat(best.get(i).episodeUs() - best.get(i - 1).episodeUs())
          .isGreaterThanOrEqualTo(1_500_000);
    }
  }

  @Test
  void nothingIsProposedOfNothing() {
    assertThat(CoverPicker.best(List.of(), 6)).isEmpty();
  }
}
