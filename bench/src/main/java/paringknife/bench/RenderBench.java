package paringknife.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.Curve;
import paringknife.core.frame.Framed;
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
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.LogoPictures;
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
    CaptionFonts fonts = new CaptionFonts(work.resolve("fonts"));
    Files.writeString(work.resolve("captions.ass"), composition.script());
    double ours =
        seconds(
            () ->
                new ClipRenderer(fonts, new LogoPictures(work.resolve("logos")))
                    .render(episode, composition, work.resolve("ours.mp4"), share -> {}));
    double theirs = seconds(() -> byHand(recording, composition, work));
    System.out.printf(
        Locale.ROOT,
        "render / hand-written ffmpeg, held framing: %.2f (%.1f s / %.1f s for a clip of %.1f s with %d cuts)%n",
        ours / theirs,
        ours,
        theirs,
        composition.playback().cuts().lengthUs() / 1e6,
        composition.playback().cuts().cut().size());
    moving(episode, clip, stretch, theirs, work);
    matched(episode, clip, ours, work);
    return new Costs(
        ingest / (recording.durationUs() / 1e6),
        ours / (composition.playback().cuts().lengthUs() / 1e6));
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
                new ClipRenderer(
                        new CaptionFonts(work.resolve("fonts")),
                        new LogoPictures(work.resolve("logos")))
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
                new ClipRenderer(
                        new CaptionFonts(work.resolve("fonts")),
                        new LogoPictures(work.resolve("logos")))
                    .render(episode, matched, work.resolve("matched.mp4"), share -> {}));
    System.out.printf(
        Locale.ROOT,
        "render of a camera that is matched / as recorded: %.2f (%.1f s)%n",
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

  private static void byHand(Recording recording, Composition composition, Path work) {
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
            "select='%s',setpts=N/(25*TB),crop=%.3f:%.3f:%.3f:%.3f:exact=1,scale=1080:1920:flags=bicubic,format=gbrp,ass=captions.ass:fontsdir=fonts,format=yuv420p",
            select,
            w.width(),
            w.height(),
            w.x(),
            w.y());
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
