package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;

/** What is drawn upon the picture, in full colour and at full size. */
final class DrawnOn implements RenderPart {
  private final List<RenderPart> parts;

  DrawnOn(RenderPart... parts) {
    this.parts = List.of(parts);
  }

  @Override
  public void layOut(Path work) throws IOException {
    for (RenderPart part : parts) {
      part.layOut(work);
    }
  }

  @Override
  public String filters() {
    String drawn =
        parts.stream()
            .map(RenderPart::filters)
            .filter(f -> !f.isEmpty())
            .collect(Collectors.joining(","));
    return drawn.isEmpty()
        ? ""
        : "format=gbrp," + drawn + ",scale=out_color_matrix=bt709:out_range=tv";
  }
}
