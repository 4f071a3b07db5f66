package paringknife.server.episodes;

import java.nio.file.Path;
import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Playback;
import paringknife.core.frame.HeldWindow;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.PictureRun;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.store.CaptionFonts;

/** Composes a clip for a spec and renders it. */
public final class ClipRenderer {
  private final Renderer renderer;

  public ClipRenderer(CaptionFonts fonts) {
    this.renderer = new Renderer(fonts);
  }

  public static Composition compose(Episode episode, ClipDocument clip, DeliverySpec spec) {
    return Composition.of(
        clip,
        episode.transcript(),
        episode.planner(),
        episode.soundPlanner(),
        episode.rate(),
        spec);
  }

  public static Playback playback(Episode episode, ClipDocument clip, DeliverySpec spec) {
    return Playback.of(
        clip,
        episode.transcript(),
        episode.planner(),
        episode.soundPlanner(),
        episode.rate(),
        spec.shape());
  }

  /** Renders a clip as its spec wants it. */
  public void render(
      Episode episode, Composition composition, Path target, DoubleConsumer progress) {
    DeliverySpec spec = composition.spec();
    Playback playback = composition.playback();
    renderer.render(
        new RenderOrder(
            episode.recording(),
            episode.sound(playback.cleanup()),
            playback.sound(),
            playback.runs(),
            playback.windows(),
            composition.captions().ass(),
            spec.width(),
            spec.height(),
            new LoudnessTarget(spec.lufs(), spec.ceilingDbtp()),
            playback.speed()),
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
    Recording.Picture picture = episode.recording().picture();
    int width = picture == null ? 640 : picture.width();
    int height = picture == null ? 360 : picture.height();
    HeldWindow whole = new HeldWindow(new Span(0, Long.MAX_VALUE), 0, 0, width, height, -1);
    renderer.render(
        new RenderOrder(
            episode.recording(),
            episode.sound(Cleanup.NONE),
            plan,
            runs,
            List.of(whole),
            "",
            width / 2 * 2,
            height / 2 * 2,
            null,
            1),
        target,
        progress);
  }
}
