package paringknife.media.ffmpeg;

import java.util.List;
import paringknife.core.clip.cut.PictureRun;

/** Which frame of the episode each frame of a clip is; asked in the order of the clip. */
final class FrameNumbers {
  private final List<PictureRun> runs;
  private int run;

  FrameNumbers(List<PictureRun> runs) {
    this.runs = runs;
  }

  long episodeFrame(long clipFrame) {
    while (run + 1 < runs.size() && runs.get(run + 1).clipFrame() <= clipFrame) {
      run++;
    }
    PictureRun now = runs.get(run);
    return now.episodeFrame() + (now.held() ? 0 : clipFrame - now.clipFrame());
  }
}
