package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Draws captions into the picture, from an ASS script and the letterings' own fonts. */
final class BurntCaptions implements RenderPart {
  private final String script;
  private final Path fonts;

  /**
   * @param script empty for no captions
   */
  BurntCaptions(String script, Path fonts) {
    this.script = script;
    this.fonts = fonts;
  }

  @Override
  public void layOut(Path work) throws IOException {
    Files.writeString(work.resolve("captions.ass"), script);
    Files.createSymbolicLink(work.resolve("fonts"), fonts.toAbsolutePath());
  }

  @Override
  public String filters() {
    return script.isEmpty() ? "" : "ass=captions.ass:fontsdir=fonts";
  }
}
