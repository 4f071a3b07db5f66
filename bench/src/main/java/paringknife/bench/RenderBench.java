package paringknife.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.Composition;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.Curve;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.PushIn;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.ColourMap;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.matte.Mattes;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;

/**
 * Rendering a clip of the demo, sound and loudness included, against one hand-written ffmpeg
 * command that makes the same picture with a plain cut of the sound.
 */
final class RenderBench {
  /** What a hand-written command does so that captions have the colours they were given. */
  private static final String RIGHT_COLOURS = "format=gbrp,";

  /** Letters are drawn as if the picture were in another standard's colours (BT.601). */
  private static final String OFF_COLOURS = "";

  private RenderBench() {}

  /** Prints how work compares, and answers what it takes here. */
  static Costs run(Path demo, Path work) throws IOException {
    Path source = demo.resolve("slack-water-07");
    Recording recording = Probe.of(source.resolve("camera.mp4"));
    EpisodeFolder folder = new EpisodeFolder(work.resolve("episode"));
    double ingest =
        seconds(
            () ->
                EpisodeIngest.run(
                    recording, java.util.List.of(), java.util.List.of(), folder, share -> {}));
    double proxy = seconds(() -> proxyAlone(recording, work));
    System.out.printf(
        Locale.ROOT,
        "ingest / ffmpeg making the proxy alone: %.2f (%.1f s / %.1f s for %.0f s)%n",
        ingest / proxy,
        ingest,
        proxy,
        recording.durationUs() / 1e6);

    Episode episode =
        new Episode(
            recording,
            folder,
            TranscriptFile.read(source.resolve("transcript.json")).transcript(),
            DeliverySpecs.SHIPPED);
    Span stretch = episode.editor().stretchOf(0, 70);
    Pared pared = episode.editor().pareSureFillers(Pared.of(List.of(stretch)));
    ClipDocument clip =
        ClipDocument.of(
                List.of(stretch),
                Framed.UPRIGHT,
                Lettered.in("sluice"),
                new Delivered("Bench", List.of()))
            .with(episode.editor().parePauses(pared, PauseSettings.DEFAULT));
    Composition composition =
        episode.compose(clip).forSpec(DeliverySpecs.SHIPPED.byId("vertical-60"));
    Rendered one = rendered(recording, episode, composition, work);
    batch(recording, episode, clip, work);
    moving(episode, clip, stretch, one.byHand(), work);
    matched(episode, clip, one.ours(), work);
    grounded(episode, clip, one.ours(), work);
    smoothed(episode, clip, one.ours(), work);
    return new Costs(
        ingest / (recording.durationUs() / 1e6),
        one.ours() / (composition.playback().cuts().lengthUs() / 1e6));
  }

  /** Seconds that a file took here, and by a command that gives the same picture. */
  private record Rendered(double ours, double byHand) {}

  private static Rendered rendered(
      Recording recording, Episode episode, Composition composition, Path work) {
    CaptionFonts fonts = new CaptionFonts(work.resolve("fonts"));
    layScriptOut(composition, work);
    double ours =
        seconds(
            () ->
                new ClipRenderer(fonts, StylePictures.in(work))
                    .render(episode, composition, work.resolve("ours.mp4"), share -> {}));
    double theirs = seconds(() -> byHand(recording, composition, RIGHT_COLOURS, work));
    double quickest = seconds(() -> byHand(recording, composition, OFF_COLOURS, work));
    System.out.printf(
        Locale.ROOT,
        "render / hand-written ffmpeg, held framing: %.2f; / one whose captions are off in colour: %.2f"
            + " (%.1f s / %.1f s / %.1f s for a clip of %.1f s with %d cuts)%n",
        ours / theirs,
        ours / quickest,
        ours,
        theirs,
        quickest,
        composition.playback().cuts().lengthUs() / 1e6,
        composition.playback().cuts().cut().size());
    return new Rendered(ours, theirs);
  }

  /** Three specs of one clip at once, against commands one after another. */
  private static void batch(Recording recording, Episode episode, ClipDocument clip, Path work) {
    List<Composition> specs =
        List.of("vertical-60", "feed-square", "wide").stream()
            .map(id -> episode.compose(clip).forSpec(DeliverySpecs.SHIPPED.byId(id)))
            .toList();
    ClipRenderer renderer =
        new ClipRenderer(new CaptionFonts(work.resolve("fonts")), StylePictures.in(work));
    List<ClipRenderer.Wanted> files =
        specs.stream()
            .map(c -> new ClipRenderer.Wanted(c, work.resolve(c.spec().id() + ".mp4")))
            .toList();
    double ours = seconds(() -> renderer.renderTogether(episode, files, share -> {}));
    double theirs = 0;
    double quickest = 0;
    for (Composition composition : specs) {
      layScriptOut(composition, work);
      theirs += seconds(() -> byHand(recording, composition, RIGHT_COLOURS, work));
      quickest += seconds(() -> byHand(recording, composition, OFF_COLOURS, work));
    }
    System.out.printf(
        Locale.ROOT,
        "three specs of a clip / hand-written commands one after another: %.2f; / ones whose captions"
            + " are off in colour: %.2f (%.1f s / %.1f s / %.1f s)%n",
        ours / theirs,
        ours / quickest,
        ours,
        theirs,
        quickest);
  }

  private static void layScriptOut(Composition composition, Path work) {
    try {
      Files.writeString(work.resolve("captions.ass"), composition.script());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The same clip with a window that comes nearer from the first frame to the last. */
  private static void moving(
      Episode episode, ClipDocument clip, Span stretch, double theirs, Path work) {
    PushIn glide =
        new PushIn(0, stretch, 0.2, PushIn.Move.GLIDE, Curve.SOFT, PushIn.Why.BY_HAND, true);
    Composition moving =
        episode
            .compose(clip.with(clip.framed().and(List.of(glide))))
            .forSpec(DeliverySpecs.SHIPPED.byId("vertical-60"));
    double moved =
        seconds(
            () ->
                new ClipRenderer(new CaptionFonts(work.resolve("fonts")), StylePictures.in(work))
                    .render(episode, moving, work.resolve("moving.mp4"), share -> {}));
    System.out.printf(
        Locale.ROOT,
        "render / the same hand-written ffmpeg, every frame moving: %.2f (%.1f s)%n",
        moved / theirs,
        moved);
  }

  /** The same clip from a camera that is made to look like another. */
  private static void matched(Episode episode, ClipDocument clip, double asRecorded, Path work) {
    ColourMap map = new ColourMap(1.1, -0.02, 1.05, 0.02, -0.01, 1.05, -0.02, 0.01);
    Composition matched =
        episode
            .compose(clip.with(clip.framed().with(new CameraColours(0, List.of(map), List.of()))))
            .forSpec(DeliverySpecs.SHIPPED.byId("vertical-60"));
    double took =
        seconds(
            () ->
                new ClipRenderer(new CaptionFonts(work.resolve("fonts")), StylePictures.in(work))
                    .render(episode, matched, work.resolve("matched.mp4"), share -> {}));
    System.out.printf(
        Locale.ROOT,
        "render of a camera that is matched / as recorded: %.2f (%.1f s)%n",
        took / asRecorded,
        took);
  }

  /** The same clip on a soft ground: people cut out once, and each file that is made then. */
  private static void grounded(Episode episode, ClipDocument clip, double asRecorded, Path work) {
    Composition grounded =
        episode
            .compose(clip.with(clip.framed().withBehind(Ground.SOFT)))
            .forSpec(DeliverySpecs.SHIPPED.byId("vertical-60"));
    Mattes mattes = episode.mattes();
    double plays = grounded.playback().cuts().lengthUs() / 1e6;
    double cutOut =
        seconds(
            () -> {
              for (PictureRun run : grounded.playback().runs()) {
                for (long n = 0; n < run.count(); n++) {
                  mattes.at(run.shownAt(run.clipFrame() + n));
                }
              }
            });
    double took =
        seconds(
            () ->
                new ClipRenderer(new CaptionFonts(work.resolve("fonts")), StylePictures.in(work))
                    .render(episode, grounded, work.resolve("grounded.mp4"), share -> {}));
    System.out.printf(
        Locale.ROOT,
        "people cut out / the time they are seen: %.2f; render before another ground / as recorded: %.2f"
            + " (%.1f s / %.1f s)%n",
        cutOut / plays,
        took / asRecorded,
        cutOut,
        took);
  }

  /** The same clip with skin smoothed as much as can be. */
  private static void smoothed(Episode episode, ClipDocument clip, double asRecorded, Path work) {
    Composition smoothed =
        episode
            .compose(clip.with(clip.framed().withSkin(1)))
            .forSpec(DeliverySpecs.SHIPPED.byId("vertical-60"));
    double took =
        seconds(
            () ->
                new ClipRenderer(new CaptionFonts(work.resolve("fonts")), StylePictures.in(work))
                    .render(episode, smoothed, work.resolve("smoothed.mp4"), share -> {}));
    System.out.printf(
        Locale.ROOT,
        "render with skin smoothed / as recorded: %.2f (%.1f s)%n",
        took / asRecorded,
        took);
  }

  private static void proxyAlone(Recording recording, Path work) {
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            recording.file().toString(),
            "-vf",
            "scale=-2:360:flags=fast_bilinear",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-tune",
            "fastdecode",
            "-crf",
            "26",
            "-g",
            "15",
            "-bf",
            "0",
            "-c:a",
            "aac",
            "-aac_coder",
            "fast",
            "-b:a",
            "128k",
            "-movflags",
            "+faststart",
            "proxy-alone.mp4"),
        work,
        Duration.ofMinutes(20));
  }

  private static void byHand(
      Recording recording, Composition composition, String colours, Path work) {
    List<String> picture = new ArrayList<>();
    for (Span kept : composition.playback().cuts().kept()) {
      picture.add(
          String.format(
              Locale.ROOT, "between(t,%.6f,%.6f)", kept.startUs() / 1e6, kept.endUs() / 1e6));
    }
    Window w = composition.path().segments().get(0).at(0);
    String select = String.join("+", picture);
    Span first = composition.playback().cuts().kept().get(0);
    Span last =
        composition.playback().cuts().kept().get(composition.playback().cuts().kept().size() - 1);
    String video =
        String.format(
            Locale.ROOT,
            "select='%s',setpts=N/(25*TB),crop=%.3f:%.3f:%.3f:%.3f:exact=1,scale=%d:%d:flags=bicubic,%sass=captions.ass:fontsdir=fonts,format=yuv420p",
            select,
            w.width(),
            w.height(),
            w.x(),
            w.y(),
            composition.spec().canvas().width(),
            composition.spec().canvas().height(),
            colours);
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-copyts",
            "-ss",
            Double.toString(first.startUs() / 1e6),
            "-to",
            Double.toString(last.endUs() / 1e6),
            "-i",
            recording.file().toString(),
            "-vf",
            video,
            "-af",
            "aselect='" + select + "',asetpts=N/SR/TB",
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
            "by-hand.mp4"),
        work,
        Duration.ofMinutes(20));
  }

  private static double seconds(Runnable work) {
    long from = System.nanoTime();
    work.run();
    return (System.nanoTime() - from) / 1e9;
  }
}
