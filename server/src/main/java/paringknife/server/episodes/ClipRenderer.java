package paringknife.server.episodes;

import java.nio.file.Path;
import java.util.function.DoubleConsumer;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.pare.ClipDocument;
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
    return Composition.of(clip, episode.transcript(), episode.planner(), episode.rate(), spec);
  }

  public void render(
      Episode episode, Composition composition, Path target, DoubleConsumer progress) {
    renderer.render(
        new RenderOrder(
            episode.recording(),
            episode.folder().sound(),
            composition.cuts(),
            composition.runs(),
            composition.windows(),
            composition.ass(),
            composition.spec(),
            composition.speed()),
        target,
        progress);
  }
}
