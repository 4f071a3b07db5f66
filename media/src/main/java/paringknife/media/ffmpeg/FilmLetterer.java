package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.function.DoubleConsumer;
import paringknife.core.deliver.Encoding;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/** Draws captions into a finished film; all else of it stays as it is. */
public final class FilmLetterer {
  private final CaptionFonts fonts;

  public FilmLetterer(CaptionFonts fonts) {
    this.fonts = fonts;
  }

  /**
   * What captions are drawn on.
   *
   * @throws UnusableRecording when the film has no picture
   */
  public static Canvas canvas(Recording film) {
    Recording.Picture picture = film.picture();
    if (picture == null) {
      throw new UnusableRecording(
          film.file().getFileName() + " has no picture to draw captions into.");
    }
    return new Canvas(picture.width() / 2 * 2, picture.height() / 2 * 2, SafeArea.PLAIN);
  }

  /**
   * Writes the film with captions.
   *
   * @param script ASS v4+
   * @param progress told the share done, 0 to 1
   */
  public void letter(Recording film, String script, Path target, DoubleConsumer progress) {
    Canvas canvas = canvas(film);
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      Path work = scratch.path();
      BurntCaptions captions =
          new BurntCaptions(script, fonts.directory(), canvas.width(), canvas.height());
      captions.layOut(work);
      Ffmpeg run =
          Ffmpeg.inBackground()
              .in(work)
              .recording(film.file().toAbsolutePath())
              .telling(film.durationUs(), progress)
              .within(Duration.ofSeconds(300 + film.durationUs() / 1_000_000 * 20));
      String drawn =
          Straightened.filters(film.picture())
              + "crop="
              + canvas.width()
              + ":"
              + canvas.height()
              + ":0:0,scale=out_color_matrix=bt709:out_range=tv,"
              + captions.filters()
              + ",format=yuv420p";
      run.with("-map", "0:v:0", "-map", "0:a?", "-vf", drawn);
      new Encoder(Encoding.H264_AAC, Renderer.rateOf(film)).film(run);
      run.with("-movflags", "+faststart", "out.mp4").run();
      WholeFile.move(work.resolve("out.mp4"), target);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
