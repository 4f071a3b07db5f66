package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/** Leaves time where a frame is held, and lets the frame rate's filter fill it with that frame. */
final class HeldFrames implements RenderPart {
  private final FrameRate rate;
  private final List<Hold> holds = new ArrayList<>();

  /** Frames that go by while one is held: {@code after} have moved, then {@code count} do not. */
  private record Hold(long after, long count) {}

  HeldFrames(List<PictureRun> runs, FrameRate rate) {
    this.rate = rate;
    long moved = 0;
    for (PictureRun run : runs) {
      if (run.held()) {
        holds.add(new Hold(moved, run.count()));
      } else {
        moved += run.count();
      }
    }
  }

  @Override
  public String filters() {
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
    return FrameClock.counting(rate, "'N+" + new FrameExpression("N", later).text() + "'")
        + ",fps="
        + rate
        + ":start_time=0:round=near,tpad=stop="
        + last
        + ":stop_mode=clone";
  }
}
