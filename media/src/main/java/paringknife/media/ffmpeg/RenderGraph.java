package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.frame.HeldWindow;
import paringknife.core.frame.WindowRun;
import paringknife.core.pare.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * The filter graph of a render. Runs that lie near one another are read through in one input; a
 * longer leap gets an input of its own that seeks. Nothing a user typed enters the graph.
 */
final class RenderGraph {
  /** Reading through up to this many seconds costs less than opening the file anew. */
  private static final double READ_THROUGH_S = 8;

  private final RenderOrder order;
  private final FrameRate rate;
  private final List<List<PictureRun>> groups = new ArrayList<>();
  private final List<Hold> holds = new ArrayList<>();

  /**
   * Frames that go by while one is held: {@code after} frames have moved, then {@code count} do
   * not.
   */
  private record Hold(long after, long count) {}

  RenderGraph(RenderOrder order, FrameRate rate) {
    this.order = order;
    this.rate = rate;
    long moved = 0;
    for (PictureRun run : order.runs()) {
      if (run.held()) {
        holds.add(new Hold(moved, run.count()));
        continue;
      }
      moved += run.count();
      List<PictureRun> group = groups.isEmpty() ? null : groups.get(groups.size() - 1);
      if (group != null && isNear(group.get(group.size() - 1), run)) {
        group.add(run);
      } else {
        groups.add(new ArrayList<>(List.of(run)));
      }
    }
  }

  private boolean isNear(PictureRun before, PictureRun next) {
    long leap = next.episodeFrame() - (before.episodeFrame() + before.count());
    return leap >= 0 && leap <= READ_THROUGH_S * rate.perSecond();
  }

  int inputs() {
    return groups.size();
  }

  /**
   * Arguments that open the recording once a group, a quarter of a frame before its first frame, so
   * that rounding never loses that frame.
   */
  List<String> inputArguments(String file) {
    List<String> arguments = new ArrayList<>();
    for (List<PictureRun> group : groups) {
      PictureRun last = group.get(group.size() - 1);
      double frame = 1 / rate.perSecond();
      double from = Math.max(0, rate.startUs(group.get(0).episodeFrame()) / 1e6 - frame / 4);
      double to = rate.startUs(last.episodeFrame() + last.count() + 2) / 1e6;
      arguments.addAll(Input.safety());
      arguments.addAll(List.of("-ss", seconds(from), "-t", seconds(to - from), "-i", file));
    }
    return arguments;
  }

  String text() {
    StringBuilder graph = new StringBuilder();
    for (int g = 0; g < groups.size(); g++) {
      graph
          .append('[')
          .append(g)
          .append(":v:0]fps=")
          .append(rate)
          .append(":start_time=0:round=near,");
      graph.append("select='").append(selection(groups.get(g))).append("',");
      graph.append(oneByOne("N"));
      graph.append(groups.size() > 1 ? "[g" + g + "];\n" : ",");
    }
    if (groups.size() > 1) {
      for (int g = 0; g < groups.size(); g++) {
        graph.append("[g").append(g).append(']');
      }
      graph
          .append("concat=n=")
          .append(groups.size())
          .append(":v=1:a=0,")
          .append(oneByOne("N"))
          .append(',');
    }
    graph.append(holding());
    graph.append(crop());
    graph.append(",scale=").append(order.width()).append(':').append(order.height());
    graph.append(":flags=bicubic,setsar=1");
    if (!order.captions().isEmpty()) {
      graph.append(
          ",format=gbrp,ass=captions.ass:fontsdir=fonts,scale=out_color_matrix=bt709:out_range=tv");
    }
    if (order.speed() != 1) {
      graph.append(
          String.format(Locale.ROOT, ",settb=AVTB,setpts=PTS/%.6f,fps=%s", order.speed(), rate));
    }
    graph.append(",format=yuv420p[v]");
    return graph.toString();
  }

  /** Frames on a clock that counts frames, so that no time is ever rounded. */
  private String oneByOne(String number) {
    return "settb=" + rate.denominator() + "/" + rate.numerator() + ",setpts=" + number;
  }

  /**
   * Leaves time where a frame is held, and lets the frame rate's filter fill it with that frame.
   */
  private String holding() {
    if (holds.isEmpty()) {
      return "";
    }
    List<FrameExpression.Step> later = new ArrayList<>(List.of(new FrameExpression.Step(0, 0)));
    long waited = 0;
    for (Hold hold : holds) {
      waited += hold.count();
      later.add(new FrameExpression.Step(hold.after(), waited));
    }
    long last = holds.get(holds.size() - 1).count();
    return oneByOne("'N+" + new FrameExpression("N", later).text() + "'")
        + ",fps="
        + rate
        + ":start_time=0:round=near,tpad=stop="
        + last
        + ":stop_mode=clone,";
  }

  private static String selection(List<PictureRun> group) {
    long origin = group.get(0).episodeFrame();
    List<FrameExpression.Step> steps = new ArrayList<>();
    for (PictureRun run : group) {
      long from = run.episodeFrame() - origin;
      steps.add(new FrameExpression.Step(from, 1));
      steps.add(new FrameExpression.Step(from + run.count(), 0));
    }
    return new FrameExpression("n", steps).text();
  }

  private String crop() {
    HeldWindow size = order.windows().get(0);
    return String.format(
        Locale.ROOT,
        "crop=w=%.3f:h=%.3f:x='%s':y='%s':exact=1",
        size.width(),
        size.height(),
        position(true),
        position(false));
  }

  private String position(boolean horizontal) {
    List<FrameExpression.Step> steps =
        WindowRun.of(order.runs(), order.windows(), rate).stream()
            .map(
                w ->
                    new FrameExpression.Step(
                        w.clipFrame(), horizontal ? w.window().x() : w.window().y()))
            .toList();
    return new FrameExpression("n", steps).text();
  }

  private static String seconds(double s) {
    return String.format(Locale.ROOT, "%.6f", s);
  }
}
