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

  RenderGraph(RenderOrder order, Path fonts) {
    this.parts =
        List.of(
            new PictureSource(order.recording(), order.runs(), order.rate()),
            new HeldFrames(order.runs(), order.rate()),
            new CroppedWindow(order.path(), order.width(), order.height()),
            new BurntCaptions(order.captions(), fonts),
            new Pace(order.speed(), order.rate(), order.delivered()));
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

  String text() {
    return Stream.concat(parts.stream().map(RenderPart::filters), Stream.of("format=yuv420p[v]"))
        .filter(f -> !f.isEmpty())
        .collect(Collectors.joining(","));
  }
}
