package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.time.FrameRate;

/**
 * The recorded frames of a clip, one after the other. Runs that lie near one another are read
 * through in one input; a longer leap gets an input of its own that seeks.
 */
final class PictureSource implements RenderPart {
  /** Reading through up to this many seconds costs less than opening the file anew. */
  private static final double READ_THROUGH_S = 8;

  private static final String IN_BT709 =
      ",scale=out_color_matrix=bt709:out_range=tv,format=yuv420p";

  private final Cameras cameras;
  private final FrameRate rate;
  private final List<List<PictureRun>> groups = new ArrayList<>();

  PictureSource(Cameras cameras, List<PictureRun> runs) {
    this.cameras = cameras;
    this.rate = cameras.rate();
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

  /** A quarter of a frame before its first frame, so that rounding never loses that frame. */
  private long fromUs(List<PictureRun> group) {
    return Math.max(0, rate.startUs(group.get(0).episodeFrame()) - quarterFrameUs());
  }

  private long quarterFrameUs() {
    return Math.round(1e6 / rate.perSecond() / 4);
  }

  private long toUs(List<PictureRun> group) {
    PictureRun last = group.get(group.size() - 1);
    return rate.startUs(last.episodeFrame() + last.count() + 2);
  }

  /** Where in a camera's recording a group begins; at its beginning where that came later. */
  private long openedAtUs(Camera camera, List<PictureRun> group) {
    return Math.max(0, camera.placement().toRecording(fromUs(group)));
  }

  /** Whether a camera ran at some time of a group. */
  private boolean ran(Camera camera, List<PictureRun> group) {
    return camera.isOnTheClock()
        || camera.placement().toRecording(toUs(group)) > 0
            && openedAtUs(camera, group) < camera.recording().durationUs() - 4 * quarterFrameUs();
  }

  /** Opens the recordings once a group. */
  @Override
  public int open(Ffmpeg run) {
    int inputs = 0;
    for (List<PictureRun> group : groups) {
      String length = Ffmpeg.seconds((toUs(group) - fromUs(group)) / 1e6);
      for (Camera camera : cameras.all()) {
        if (ran(camera, group)) {
          String from = Ffmpeg.seconds(openedAtUs(camera, group) / 1e6);
          run.recording(camera.recording().file(), "-ss", from, "-t", length);
          inputs++;
        }
      }
    }
    return inputs;
  }

  @Override
  public String filters() {
    StringBuilder graph = new StringBuilder();
    int input = 0;
    for (int g = 0; g < groups.size(); g++) {
      List<PictureRun> group = groups.get(g);
      input = seen(g, group, input, graph);
      graph.append("select='").append(selection(group)).append("',");
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

  /** What the cameras see during a group; answers the next input. */
  private int seen(int number, List<PictureRun> group, int firstInput, StringBuilder graph) {
    int input = firstInput;
    if (cameras.isOne()) {
      Camera camera = cameras.all().get(0);
      input = seenBy(camera, group, input, graph);
      if (!camera.colours().changesNothing()) {
        graph.append(IN_BT709).append(mapped(camera, number, 0));
      }
      graph.append(',');
      return input;
    }
    CameraGrid grid = cameras.grid();
    StringBuilder tiles = new StringBuilder();
    for (int c = 0; c < cameras.all().size(); c++) {
      input = seenBy(cameras.all().get(c), group, input, graph);
      graph.append(IN_BT709).append(mapped(cameras.all().get(c), number, c)).append(",pad=");
      graph.append(grid.roomAcross()).append(':').append(grid.roomDown());
      graph.append(":0:0,setsar=1");
      String tile = "[g" + number + "c" + c + "]";
      graph.append(tile).append(';');
      tiles.append(tile);
    }
    graph.append(tiles);
    graph.append(Cameras.sideBySide(grid, grid.roomAcross(), grid.roomDown(), false)).append(',');
    return input;
  }

  private static String mapped(Camera camera, int group, int number) {
    return new MappedColours(camera.colours()).filters("g" + group + "m" + number);
  }

  /**
   * What one camera sees during a group, on the episode's clock. Where it began later or ended
   * earlier it stands still; where it did not run at all it is black.
   */
  private int seenBy(Camera camera, List<PictureRun> group, int input, StringBuilder graph) {
    String lasts = ",trim=duration=" + Ffmpeg.seconds((toUs(group) - fromUs(group)) / 1e6);
    if (!ran(camera, group)) {
      graph.append("color=black:s=").append(camera.picture().width()).append('x');
      graph.append(camera.picture().height()).append(":r=").append(rate);
      graph.append(",setparams=colorspace=bt709:range=tv").append(lasts);
      return input;
    }
    graph.append('[').append(input).append(":v:0]");
    graph.append(camera.filters(fromUs(group), openedAtUs(camera, group)));
    graph.append("fps=").append(rate).append(":start_time=0:round=near");
    if (!camera.isOnTheClock()) {
      graph.append(",tpad=stop=-1:stop_mode=clone").append(lasts);
    }
    return input + 1;
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
