package paringknife.core.frame;

import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * When the frames of a clip were filmed.
 *
 * @param runs what of the recording's picture plays
 */
record FilmedTime(List<PictureRun> runs, FrameRate rate) {
  /** When on the episode's clock a frame of the clip was filmed. */
  long episodeUs(long clipFrame) {
    int from = 0;
    int to = runs.size() - 1;
    while (from < to) {
      int middle = (from + to + 1) / 2;
      if (runs.get(middle).clipFrame() <= clipFrame) {
        from = middle;
      } else {
        to = middle - 1;
      }
    }
    PictureRun now = runs.get(from);
    return rate.startUs(now.episodeFrame() + (now.held() ? 0 : clipFrame - now.clipFrame()));
  }
}
