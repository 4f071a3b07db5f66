package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Draws captions into the picture, from an ASS script and the letterings' own fonts. Luma and both
 * planes of chroma are drawn on each by itself, in what {@link PlaneScript} makes of the colours:
 * libass as ffmpeg has it would take them for those of another standard (Recommendation ITU-R
 * BT.601), and to go to red, green and blue and back costs more than to encode.
 */
final class BurntCaptions implements RenderPart {
  private final String script;
  private final Path fonts;
  private final int width;
  private final int height;

  /**
   * @param script empty for no captions
   * @param width of the picture, pixels, even
   * @param height of the picture, pixels, even
   */
  BurntCaptions(String script, Path fonts, int width, int height) {
    this.script = script;
    this.fonts = fonts;
    this.width = width;
    this.height = height;
  }

  @Override
  public void layOut(Path work) throws IOException {
    Files.writeString(work.resolve("luma.ass"), PlaneScript.luma(script));
    Files.writeString(work.resolve("chroma.ass"), PlaneScript.chroma(script));
    Files.createSymbolicLink(work.resolve("fonts"), fonts.toAbsolutePath());
  }

  @Override
  public String filters() {
    if (script.isEmpty()) {
      return "";
    }
    return "format=yuv420p,extractplanes=y+u+v[y][u][v];"
        + "[y]setparams=range=tv,ass=luma.ass:fontsdir=fonts[Y];"
        + "[u][v]mergeplanes=0x001000:gbrp,ass=chroma.ass:fontsdir=fonts:original_size="
        + width
        + "x"
        + height
        + ",extractplanes=g+b[U][V];"
        + "[Y][U][V]mergeplanes=0x001020:yuv420p,"
        + "setparams=colorspace=bt709:color_primaries=bt709:color_trc=bt709:range=tv,setsar=1";
  }
}
