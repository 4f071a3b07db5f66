package paringknife.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Fill;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.FilmLetterer;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * Captions burnt into a film, letterings one after another, against a hand-written ffmpeg command
 * for the same script and encoding, which goes by red, green and blue so that captions have the
 * colours they were given.
 */
final class BurningBench {
  private static final int SECONDS = 6;
  private static final int RUNS = 2;

  private BurningBench() {}

  static void run(Transcript transcript, Path work) throws IOException {
    CaptionFonts fonts = new CaptionFonts(work.resolve("fonts"));
    Recording film = Probe.of(film(work.resolve("film.mp4")));
    Canvas canvas = new Canvas(1080, 1920, SafeArea.VERTICAL);
    FilmLetterer letterer = new FilmLetterer(fonts);
    CutList start = new CutList(List.of(new Span(0, SECONDS * 1_000_000L)), List.of());
    List<Lettering> letterings = new ArrayList<>(Letterings.all());
    letterings.add(inTwoColours(Letterings.SLUICE));
    for (Lettering lettering : letterings) {
      List<Cue> cues = new CueBreaker(lettering.breaking()).cues(start, transcript);
      String script = new AssScript(lettering.style(), canvas).write(cues);
      Files.writeString(work.resolve("captions.ass"), script);
      double ours =
          best(() -> letterer.letter(film, script, work.resolve("lettered.mp4"), share -> {}));
      double byHand = best(() -> byHand(work));
      System.out.printf(
          Locale.ROOT,
          "%s burnt / hand-written command: %.2f; drawn %.1f times as fast as heard; %d kB of script a"
              + " minute%n",
          lettering.name(),
          ours / byHand,
          SECONDS / best(() -> drawnAlone(work)),
          script.length() * 60 / SECONDS / 1000);
    }
  }

  /** The heaviest there is: every line is drawn in strips, anew with every word, and blurred. */
  private static Lettering inTwoColours(Lettering lettering) {
    Fill fill = new Fill(Colour.rgb(0xF2B35B), 4);
    return new Lettering(
        lettering.id(),
        lettering.name() + " in two colours, soft",
        lettering.style().withFill(fill),
        lettering.breaking());
  }

  private static Path film(Path file) {
    ffmpeg(
        file.getParent(),
        List.of(
            "-f",
            "lavfi",
            "-i",
            "testsrc2=s=1080x1920:r=25:d=" + SECONDS,
            "-f",
            "lavfi",
            "-i",
            "sine=d=" + SECONDS,
            "-vf",
            "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-colorspace",
            "bt709",
            "-color_range",
            "tv",
            file.toString()));
    return file;
  }

  private static void byHand(Path work) {
    ffmpeg(
        work,
        List.of(
            "-i",
            "film.mp4",
            "-vf",
            "format=gbrp,"
                + "ass=captions.ass:fontsdir=fonts,scale=out_color_matrix=bt709:out_range=tv,"
                + "format=yuv420p",
            "-c:v",
            "libx264",
            "-preset",
            "veryfast",
            "-crf",
            "20",
            "-c:a",
            "aac",
            "-b:a",
            "192k",
            "-movflags",
            "+faststart",
            "by-hand.mp4"));
  }

  /** Upon a picture of one colour, and into no file. */
  private static void drawnAlone(Path work) {
    ffmpeg(
        work,
        List.of(
            "-f",
            "lavfi",
            "-i",
            "color=s=1080x1920:r=25:d=" + SECONDS,
            "-vf",
            "format=yuv420p,ass=captions.ass:fontsdir=fonts",
            "-f",
            "null",
            "-"));
  }

  private static void ffmpeg(Path work, List<String> arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(arguments);
    ChildProcess.run(command, work, Duration.ofMinutes(5));
  }

  private static double best(Runnable work) {
    double best = Double.MAX_VALUE;
    for (int i = 0; i < RUNS; i++) {
      long from = System.nanoTime();
      work.run();
      best = Math.min(best, (System.nanoTime() - from) / 1e9);
    }
    return best;
  }
}
