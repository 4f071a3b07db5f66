package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The filter graph of a render: the sum of its parts, in the order in which the picture passes
 * them. Nothing a user typed enters the graph.
 */
final class RenderGraph {
  private final List<RenderPart> parts;

  private RenderGraph(RenderPart... parts) {
    this.parts = List.of(parts);
  }

  /** All of it in one run, where windows are held. */
  static RenderGraph held(RenderOrder order, Path fonts) {
    return new RenderGraph(
        new PictureSource(order.cameras(), order.runs()),
        new HeldFrames(order.runs(), order.rate()),
        new CroppedWindow(order.path(), order.width(), order.height()),
        new ChangedLook(order.look()),
        new LaidOverPicture(order.laid()),
        captions(order, fonts),
        pace(order));
  }

  /**
   * Whole pictures out of which moving windows are to be warped.
   *
   * @param whole brings them to one size, or to several
   */
  static RenderGraph recorded(RenderOrder order, RenderPart whole) {
    return new RenderGraph(
        new PictureSource(order.cameras(), order.runs()),
        new HeldFrames(order.runs(), order.rate()),
        whole);
  }

  /** What comes upon the warped pictures. */
  static RenderGraph dressed(RenderOrder order, Path fonts) {
    return new RenderGraph(
        new PipedPictures(order.width(), order.height(), order.rate()),
        new ChangedLook(order.look()),
        new LaidOverPicture(order.laid()),
        captions(order, fonts),
        pace(order));
  }

  /** What comes upon whole pictures of which windows are held. */
  static RenderGraph piped(RenderOrder order, WholePictures whole, Path fonts) {
    return new RenderGraph(
        new PipedPictures(whole.width(), whole.height(), order.rate()),
        new CroppedWindow(order.path(), order.width(), order.height()),
        new ChangedLook(order.look()),
        new LaidOverPicture(order.laid()),
        captions(order, fonts),
        pace(order));
  }

  private static RenderPart captions(RenderOrder order, Path fonts) {
    return new BurntCaptions(order.captions(), fonts, order.width(), order.height());
  }

  private static RenderPart pace(RenderOrder order) {
    return new Pace(order.speed(), order.rate(), order.delivered());
  }

  void layOut(Path work) throws IOException {
    for (RenderPart part : parts) {
      part.layOut(work);
    }
  }

  /** Opens the inputs of all parts; answers how many there are. */
  int open(Ffmpeg run) {
    int inputs = 0;
    for (RenderPart part : parts) {
      inputs += part.open(run);
    }
    return inputs;
  }

  /**
   * All of it. It ends the picture itself: where ffmpeg is told how many frames a file has, it
   * leaves out what of the sound it has not written when the last of them is.
   *
   * @param frames how many there are at most
   */
  String text(long frames) {
    return Stream.concat(
            parts.stream().map(RenderPart::filters),
            Stream.of("trim=end_frame=" + frames, "format=yuv420p[v]"))
        .filter(f -> !f.isEmpty())
        .collect(Collectors.joining(","));
  }
}
