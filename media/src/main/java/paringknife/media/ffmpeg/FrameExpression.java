package paringknife.media.ffmpeg;

import java.util.List;
import java.util.Locale;

/**
 * An ffmpeg expression whose value depends on the number of a frame, in steps. It halves the frames
 * again and again, so that it stays shallow and quick however many steps there are; ffmpeg refuses
 * a long sum.
 */
final class FrameExpression {
  /** From a frame on the value is this one. */
  record Step(long frame, double value) {}

  private final String variable;
  private final List<Step> steps;

  /**
   * @param variable that holds the number of the frame
   * @param steps by frame; the first holds for all frames before it too
   */
  FrameExpression(String variable, List<Step> steps) {
    this.variable = variable;
    this.steps = steps;
  }

  String text() {
    StringBuilder text = new StringBuilder();
    write(0, steps.size(), text);
    return text.toString();
  }

  private void write(int from, int to, StringBuilder text) {
    if (to - from == 1) {
      double value = steps.get(from).value();
      text.append(
          value == Math.rint(value)
              ? Long.toString((long) value)
              : String.format(Locale.ROOT, "%.3f", value));
      return;
    }
    int middle = (from + to) / 2;
    text.append("if(lt(")
        .append(variable)
        .append(',')
        .append(steps.get(middle).frame())
        .append("),");
    write(from, middle, text);
    text.append(',');
    write(middle, to, text);
    text.append(')');
  }
}
