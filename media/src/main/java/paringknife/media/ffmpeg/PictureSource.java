package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * The recorded frames of a clip, one after the other. Runs that lie near one another are read
 * through in one input; a longer leap gets an input of its own that seeks.
 */
final class PictureSource implements RenderPart {
  /** Reading through up to this many seconds costs less than opening the file anew. */
  private static final double READ_THROUGH_S = 8;

  private final Recording recording;
  private final FrameRate rate;
  private final List<List<PictureRun>> groups = new ArrayList<>();

  PictureSource(Recording recording, List<PictureRun> runs, FrameRate rate) {
    this.recording = recording;
    this.rate = rate;
    for (PictureRun run : runs) {
      if (run.held()) {
        continue;
      }
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

  /**
   * Opens the recording once a group, a quarter of a frame before its first frame, so that rounding
   * never loses that frame.
   */
  @Override
  public int open(Ffmpeg run) {
    for (List<PictureRun> group : groups) {
      PictureRun last = group.get(group.size() - 1);
      double frame = 1 / rate.perSecond();
      double from = Math.max(0, rate.startUs(group.get(0).episodeFrame()) / 1e6 - frame / 4);
      double to = rate.startUs(last.episodeFrame() + last.count() + 2) / 1e6;
      run.recording(recording.file(), "-ss", Ffmpeg.seconds(from), "-t", Ffmpeg.seconds(to - from));
    }
    return groups.size();
  }

  @Override
  public String filters() {
    String straight = recording.picture() == null ? "" : Straightened.filters(recording.picture());
    StringBuilder graph = new StringBuilder();
    for (int g = 0; g < groups.size(); g++) {
      graph.append('[').append(g).append(":v:0]").append(straight);
      graph.append("fps=").append(rate).append(":start_time=0:round=near,");
      graph.append("select='").append(selection(groups.get(g))).append("',");
      graph.append(FrameClock.counting(rate, "N"));
      graph.append(groups.size() > 1 ? "[g" + g + "];\n" : "");
    }
    if (groups.size() > 1) {
      for (int g = 0; g < groups.size(); g++) {
        graph.append("[g").append(g).append(']');
      }
      graph.append("concat=n=").append(groups.size()).append(":v=1:a=0,");
      graph.append(FrameClock.counting(rate, "N"));
    }
    return graph.toString();
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
}
