package paringknife.media.ffmpeg;

import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Window;

/** Cuts held windows of one size out of the picture and brings them to the size of the file. */
final class CroppedWindow implements RenderPart {
  private final FramePath path;
  private final int width;
  private final int height;

  CroppedWindow(FramePath path, int width, int height) {
    this.path = path;
    this.width = width;
    this.height = height;
  }

  @Override
  public String filters() {
    Window size = path.segments().get(0).at(0);
    return String.format(
            Locale.ROOT,
            "crop=w=%.3f:h=%.3f:x='%s':y='%s':exact=1",
            size.width(),
            size.height(),
            position(Window::x),
            position(Window::y))
        + ",scale="
        + width
        + ":"
        + height
        + ":flags=bicubic:out_color_matrix=bt709:out_range=tv,setsar=1";
  }

  private String position(ToDoubleFunction<Window> edge) {
    List<FrameExpression.Step> steps =
        path.segments().stream()
            .map(
                s ->
                    new FrameExpression.Step(
                        s.clipFrame(), edge.applyAsDouble(s.at(s.clipFrame()))))
            .toList();
    return new FrameExpression("n", steps).text();
  }
}
