package paringknife.server.commands;

import java.util.List;
import paringknife.core.frame.HeldWindow;
import paringknife.core.frame.PlannedFrame;
import paringknife.core.frame.PlannedWindow;
import paringknife.core.frame.Window;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Windows as the command line tells them: in order, in pixels of the video, times in seconds; one
 * that moves with an entry for each of its frames, and several at once as panes.
 */
final class WindowsJson {
  private final FrameRate rate;

  WindowsJson(FrameRate rate) {
    this.rate = rate;
  }

  void write(List<PlannedFrame> frames, ArrayNode out) {
    for (PlannedFrame frame : frames) {
      ObjectNode told = out.addObject();
      told.put("in", round(frame.span().startUs() / 1e6));
      told.put("out", round(frame.span().endUs() / 1e6));
      write(frame.first(), frame.span(), told);
      if (frame.panes().size() > 1) {
        ArrayNode panes = told.putArray("panes");
        frame.panes().forEach(p -> write(p.window(), frame.span(), panes.addObject()));
      }
    }
  }

  private void write(PlannedWindow window, Span span, ObjectNode told) {
    Window first = window.at(span.startUs());
    told.put("person", window.person());
    told.put("x", round(first.x())).put("y", round(first.y()));
    told.put("width", round(first.width())).put("height", round(first.height()));
    if (window instanceof HeldWindow) {
      return;
    }
    ArrayNode path = told.putArray("path");
    long last = rate.nearestFrame(span.endUs());
    for (long f = rate.nearestFrame(span.startUs()); f < last; f++) {
      Window at = window.at(rate.startUs(f));
      ArrayNode entry = path.addArray().add(round(rate.startUs(f) / 1e6));
      entry.add(round(at.x())).add(round(at.y()));
      entry.add(round(at.width())).add(round(at.height()));
    }
  }

  private static double round(double value) {
    return Math.round(value * 1000) / 1000.0;
  }
}
