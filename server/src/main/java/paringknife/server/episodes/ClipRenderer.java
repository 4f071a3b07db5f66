package paringknife.server.episodes;

import java.nio.file.Path;
import java.util.List;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.Composition;
import paringknife.core.clip.Playback;
import paringknife.core.clip.Still;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Encoding;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Behind;
import paringknife.media.ffmpeg.BurntLetters;
import paringknife.media.ffmpeg.LaidPicture;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;

/** Renders clips of episodes. */
public final class ClipRenderer {
  /** No difference to the frame itself can be seen. */
  private static final int STILL_CRF = 10;

  private final Renderer renderer;
  private final CaptionFonts fonts;
  private final BurntLetters letters;
  private final StylePictures pictures;

  public ClipRenderer(CaptionFonts fonts, StylePictures pictures) {
    this.pictures = pictures;
    this.fonts = fonts;
    this.renderer = new Renderer(fonts);
    this.letters = new BurntLetters(fonts);
  }

  /** Takes note of fonts that another process has added. */
  public void lookThroughFonts() {
    fonts.lookThrough();
  }

  /** Renders a clip as its spec wants it. */
  public void render(
      Episode episode, Composition composition, Path target, DoubleConsumer progress) {
    renderer.render(order(episode, composition), target, progress);
  }

  /** A file that is wanted of a clip for a spec. */
  public record Wanted(Composition composition, Path target) {}

  /** Renders a clip as several specs want it. */
  public void renderTogether(Episode episode, List<Wanted> files, DoubleConsumer progress) {
    renderer.renderTogether(
        files.stream()
            .map(f -> new Renderer.Wanted(order(episode, f.composition()), f.target()))
            .toList(),
        progress);
  }

  private RenderOrder order(Episode episode, Composition composition) {
    DeliverySpec spec = composition.spec();
    Playback playback = composition.playback();
    return new RenderOrder(
        episode.cameras().with(composition.colours()),
        episode.sound(playback.cleanup()),
        playback.sound(),
        playback.runs(),
        composition.path(),
        behind(episode, composition.behind()),
        backdrop(composition.backdrop()),
        composition.look(),
        composition.skin(),
        laid(composition.logo(), spec.canvas()),
        composition.script(),
        spec.canvas().width(),
        spec.canvas().height(),
        spec.frames().of(episode.rate()),
        spec.loudness().target(),
        playback.speed(),
        spec.encoding());
  }

  private static @Nullable Behind behind(Episode episode, @Nullable Ground ground) {
    return ground == null ? null : new Behind(ground, episode.mattes());
  }

  private @Nullable Path backdrop(@Nullable Backdrop backdrop) {
    return backdrop == null
        ? null
        : pictures
            .backdrops()
            .file(backdrop.picture())
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "The backdrop's picture is not there any more; choose it again."));
  }

  /** A logo as it stands on a canvas. */
  private @Nullable LaidPicture laid(@Nullable Logo logo, Canvas canvas) {
    if (logo == null) {
      return null;
    }
    Obstacles.StandingBox box = logo.on(canvas);
    return new LaidPicture(
        pictures
            .logos()
            .file(logo.picture())
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "The logo's picture is not there any more; choose it again.")),
        (int) Math.round(box.x() * canvas.width()),
        (int) Math.round(box.y() * canvas.height()),
        (int) Math.max(1, Math.round(box.width() * canvas.width())),
        (int) Math.max(1, Math.round(box.height() * canvas.height())),
        logo.opacity());
  }

  /** Renders one frame of a clip to a JPEG. */
  public void renderStill(Episode episode, Still still, Path target) {
    FrameRate rate = episode.rate();
    long us = rate.startUs(still.episodeFrame());
    renderer.still(
        new RenderOrder(
            episode.cameras().with(still.colours()),
            episode.sound(Cleanup.NONE),
            SoundPlan.of(List.of(new Span(us, rate.startUs(still.episodeFrame() + 1)))),
            List.of(new PictureRun(0, still.episodeFrame(), 1)),
            still.path(),
            behind(episode, still.behind()),
            backdrop(still.backdrop()),
            still.look(),
            still.skin(),
            laid(still.logo(), still.canvas()),
            still.script(),
            still.canvas().width(),
            still.canvas().height(),
            rate,
            null,
            1,
            Encoding.h264(STILL_CRF)),
        target);
  }

  /** Goes through a finished file and holds it against what was asked for. */
  public List<Check> checked(Composition composition, Path file, Measurement measured) {
    double speed = composition.playback().speed();
    List<Long> moments =
        composition.burntMoments().stream().map(us -> Math.round(us / speed)).toList();
    List<Long> unseen = letters.unseen(file, composition.script(), moments, speed, measured);
    return composition.measured(
        measured.finished(composition.playback().lengthUs()),
        measured.lookedThrough(moments, unseen));
  }

  /**
   * Renders sound and picture as they were recorded: no framing, no captions, at the recording's
   * own size, speed and loudness.
   */
  public void renderAsRecorded(
      Episode episode,
      SoundPlan plan,
      List<PictureRun> runs,
      Path target,
      DoubleConsumer progress) {
    CameraGrid.Cell picture = episode.cameras().grid().cells().get(0);
    int width = picture.width();
    int height = picture.height();
    renderer.render(
        new RenderOrder(
            episode.cameras(),
            episode.sound(Cleanup.NONE),
            plan,
            runs,
            FramePath.whole(width, height, PictureRun.total(runs)),
            null,
            null,
            Look.AS_RECORDED,
            SmoothedSkin.NONE,
            null,
            "",
            width / 2 * 2,
            height / 2 * 2,
            episode.rate(),
            null,
            1,
            Encoding.H264_AAC),
        target,
        progress);
  }
}
