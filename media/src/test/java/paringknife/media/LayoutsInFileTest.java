package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Place;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.Look;
import paringknife.media.ffmpeg.Behind;
import paringknife.media.ffmpeg.Matte;

/** Layouts in finished files. */
class LayoutsInFileTest extends FilmedChart {
  @Test
  void twoPanesAreTheTwoPartsOneUponTheOther() {
    Path file =
        rendered(
            "stacked",
            Ground.DARK,
            Look.AS_RECORDED,
            pane(UPPER, new Window(40, 20, 225, 200)),
            pane(LOWER, new Window(300, 100, 270, 240)));
    String reference =
        "[in]split[a][b];[a]crop=225:200:40:20:exact=1,scale=360:320:flags=bicubic[u];"
            + "[b]crop=270:240:300:100,scale=360:320:flags=bicubic[l];[u][l]vstack";
    assertThat(alike(file, reference)).isGreaterThan(0.98);
    String exchanged = reference.replace("[u][l]vstack", "[l][u]vstack");
    assertThat(alike(file, exchanged)).as("the measure tells them apart").isLessThan(0.6);
  }

  @Test
  void theWholePictureLiesOnItselfMadeSoft() {
    double high = 360 / 640.0 * 360 / 640;
    Path file =
        rendered(
            "whole",
            Ground.SOFT,
            Look.AS_RECORDED,
            pane(new Place(0, (1 - high) / 2, 1, high), new Window(0, 0, 640, 360)));
    String ground =
        "[in]split[a][b];[a]crop=202.5:360:218.75:0:exact=1,scale=432:768,crop=360:640,"
            + "gblur=sigma=9.6[g];";
    String whole = "[b]scale=360:202:flags=bicubic[w];[g][w]overlay=0:219";
    assertThat(alike(file, ground + whole)).isGreaterThan(0.97);
    assertThat(alike(file, "[in]scale=360:202:flags=bicubic,pad=360:640:0:219"))
        .as("the ground is not black")
        .isLessThan(0.8);
  }

  @Test
  void aPlainGroundIsItsTone() {
    Path file =
        rendered(
            "plain",
            Ground.LIGHT,
            Look.AS_RECORDED,
            pane(new Place(0, 0.25, 1, 0.5), new Window(100, 20, 360, 320)));
    assertThat(alike(file, "[in]crop=360:320:100:20,pad=360:640:0:160:color=0xF4F4F4"))
        .isGreaterThan(0.98);
  }

  /** A picture wider than the canvas: its middle is seen. */
  private Path backdrop() {
    Path picture = folder.resolve("backdrop.png");
    run(
        List.of(
            "-f", "lavfi", "-i", "testsrc=s=900x600:d=1", "-frames:v", "1", picture.toString()));
    return picture;
  }

  private String filledBy(Path backdrop, int width, int height) {
    return String.format(
        Locale.ROOT,
        "movie=%1$s,scale=%2$d:%3$d:force_original_aspect_ratio=increase,crop=%2$d:%3$d,"
            + "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,loop=-1:1[g];",
        backdrop,
        width,
        height);
  }

  @Test
  void theWholePictureLiesOnTheBackdrop() {
    Path backdrop = backdrop();
    Besides besides = new Besides(Look.AS_RECORDED, null, null, backdrop);
    double high = 360 / 640.0 * 360 / 640;
    FramePath.Pane whole = pane(new Place(0, (1 - high) / 2, 1, high), new Window(0, 0, 640, 360));
    Path file = rendered("pictured", Ground.PICTURE, besides, whole);
    String reference =
        filledBy(backdrop, 360, 640)
            + "[in]scale=360:202:flags=bicubic[w];[g][w]overlay=0:219:shortest=1";
    assertThat(alike(file, reference)).isGreaterThan(0.98);
    assertThat(alike(rendered("dark", Ground.DARK, Look.AS_RECORDED, whole), reference))
        .as("the measure tells them apart")
        .isLessThan(0.8);
  }

  /**
   * People are from 160 to 480 of 640 across. Wherever the window is, the backdrop stays in its
   * place and fills each pane; mirrored it stays the right way round.
   */
  @Test
  void theBackdropStandsBehindPeopleAndFillsEachPane() {
    Path backdrop = backdrop();
    byte[] shares = new byte[320 * 180];
    for (int i = 0; i < shares.length; i++) {
      shares[i] = (byte) (i % 320 >= 80 && i % 320 < 240 ? 255 : 0);
    }
    Behind behind = new Behind(Ground.PICTURE, frame -> new Matte(320, 180, shares));
    Besides besides = new Besides(Look.AS_RECORDED, null, behind, backdrop);
    Path file = rendered("behind", Ground.DARK, besides, pane(Place.WHOLE, leftOfThem()));
    String standing =
        "[in]crop=202.5:360:60:0:exact=1,scale=360:640:flags=bicubic,"
            + "crop=182:640:178:0[p];[g][p]overlay=178:0:shortest=1";
    assertThat(alike(file, filledBy(backdrop, 360, 640) + standing)).isGreaterThan(0.98);
    assertThat(alike(file, "[in]crop=202.5:360:60:0:exact=1,scale=360:640:flags=bicubic"))
        .as("the measure tells them apart")
        .isLessThan(0.9);
    Path stacked =
        rendered(
            "behind-stacked",
            Ground.DARK,
            besides,
            pane(UPPER, new Window(40, 20, 225, 200)),
            pane(LOWER, new Window(360, 100, 240, 213)));
    String both =
        filledBy(backdrop, 360, 320).replace("[g];", ",split[g][h];")
            + "[in]split[a][b];[a]crop=105:200:160:20:exact=1,scale=168:320[p];"
            + "[b]crop=120:213:360:100:exact=1,scale=180:320[q];"
            + "[g][p]overlay=192:0:shortest=1[u];[h][q]overlay=0:0:shortest=1[l];[u][l]vstack";
    assertThat(alike(stacked, both)).isGreaterThan(0.97);
    Besides turned = new Besides(new Look(0, 1, 1, 0, true), null, behind, backdrop);
    Path mirrored = rendered("behind-turned", Ground.DARK, turned, pane(Place.WHOLE, leftOfThem()));
    assertThat(
            alike(
                mirrored,
                filledBy(backdrop, 360, 640).replace("[g];", ",hflip[g];") + standing + ",hflip"))
        .isGreaterThan(0.98);
  }

  private static Window leftOfThem() {
    return new Window(60, 0, 202.5, 360);
  }
}
