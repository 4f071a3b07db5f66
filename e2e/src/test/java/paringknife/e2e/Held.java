package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** One window for frames of the clip, in pixels of the recording. */
record Held(
    long clipFrame, long count, int person, double x, double y, double width, double height) {

  private static final int NUMBERS = 15;

  /** The path as it is packed for sending: so many numbers for each window that is held. */
  static List<Held> of(JsonNode preview) {
    List<Held> held = new ArrayList<>();
    JsonNode n = preview.path("path");
    for (int at = 0; at < n.size(); at += NUMBERS) {
      assertThat(n.get(at + 4).asInt()).as("one pane").isEqualTo(1);
      assertThat(n.get(at + 10).asInt()).as("one window").isEqualTo(1);
      held.add(
          new Held(
              n.get(at).asLong(),
              n.get(at + 1).asLong(),
              n.get(at + 5).asInt(),
              n.get(at + 11).asDouble(),
              n.get(at + 12).asDouble(),
              n.get(at + 13).asDouble(),
              n.get(at + 14).asDouble()));
    }
    return held;
  }

  /** The filter that cuts out what is seen at a frame. */
  static String crop(JsonNode preview, long frame) {
    for (Held w : Held.of(preview)) {
      if (frame >= w.clipFrame() && frame < w.clipFrame() + w.count()) {
        return String.format(
            Locale.ROOT, "crop=%.3f:%.3f:%.3f:%.3f:exact=1,", w.width(), w.height(), w.x(), w.y());
      }
    }
    throw new IllegalStateException("no window at frame " + frame);
  }
}
