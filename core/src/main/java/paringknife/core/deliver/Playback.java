package paringknife.core.deliver;

import java.util.List;
import paringknife.core.frame.FramePlanner;
import paringknife.core.frame.HeldWindow;
import paringknife.core.frame.Shape;
import paringknife.core.frame.WindowRun;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.CutList;
import paringknife.core.pare.PictureRun;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.FrameRate;
import paringknife.core.transcript.Transcript;

/**
 * Which sound and pictures of the episode a clip plays, and through which windows.
 *
 * @param sound what it sounds like, at speed 1
 * @param cleanup what is done to the voice first
 * @param speed how fast all of it plays; the times of the other parts are those at speed 1
 */
public record Playback(
    CutList cuts,
    SoundPlan sound,
    Cleanup cleanup,
    List<PictureRun> runs,
    List<HeldWindow> windows,
    List<WindowRun> windowRuns,
    double speed) {

  public static Playback of(
      ClipDocument clip,
      Transcript transcript,
      FramePlanner planner,
      SoundPlanner sound,
      FrameRate rate,
      Shape shape) {
    CutList cuts = CutList.of(clip, transcript);
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    List<HeldWindow> windows = planner.plan(clip, cuts, shape);
    return new Playback(
        cuts,
        sound.plan(clip, cuts),
        clip.settings().cleanup(),
        runs,
        windows,
        WindowRun.of(runs, windows, rate),
        clip.settings().speed());
  }

  /** Whether the sound is more than the recording cut: room tone, or a cleaned voice. */
  public boolean isDressed() {
    return !sound.isRecordedOnly() || !cleanup.asksForNothing();
  }

  /** How long it plays, in microseconds. */
  public long lengthUs() {
    return Math.round(cuts.lengthUs() / speed);
  }
}
