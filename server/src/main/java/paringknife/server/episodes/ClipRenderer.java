package paringknife.server.episodes;

import java.nio.file.Path;
import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.core.clip.Composition;
import paringknife.core.clip.Playback;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.Look;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.store.CaptionFonts;

/** Renders clips of episodes. */
public final class ClipRenderer {
  private final Renderer renderer;
  private final CaptionFonts fonts;

  public ClipRenderer(CaptionFonts fonts) {
    this.fonts = fonts;
    this.renderer = new Renderer(fonts);
  }

  /** Takes note of fonts that another process has added. */
  public void lookThroughFonts() {
    fonts.lookThrough();
  }

  /** Renders a clip as its spec wants it. */
  public void render(
      Episode episode, Composition composition, Path target, DoubleConsumer progress) {
    DeliverySpec spec = composition.spec();
    Playback playback = composition.playback();
    renderer.render(
        new RenderOrder(
            episode.cameras().with(composition.colours()),
            episode.sound(playback.cleanup()),
            playback.sound(),
            playback.runs(),
            composition.path(),
            composition.look(),
            composition.script(),
            spec.canvas().width(),
            spec.canvas().height(),
            spec.frames().of(episode.rate()),
            spec.loudness().target(),
            playback.speed(),
            spec.encoding()),
        target,
        progress);
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
            Look.AS_RECORDED,
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
