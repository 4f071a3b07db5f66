package paringknife.core.clip;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;

/**
 * Which sound and pictures of the episode a clip plays, whatever shape it is shown in.
 *
 * @param sound what it sounds like, at speed 1
 * @param cleanup what is done to the voice first
 * @param runs its pictures, frame by frame
 * @param speed how fast all of it plays; the times of the other parts are those at speed 1
 */
public record Playback(
    CutList cuts, SoundPlan sound, Cleanup cleanup, List<PictureRun> runs, double speed) {

  /** Whether the sound is more than the recording cut: room tone, or a cleaned voice. */
  public boolean isDressed() {
    return !sound.isRecordedOnly() || !cleanup.asksForNothing();
  }

  /** How long it plays, in microseconds. */
  public long lengthUs() {
    return Math.round(cuts.lengthUs() / speed);
  }
}
