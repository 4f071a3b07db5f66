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
    return rate.startUs(PictureRun.at(runs, clipFrame).shownAt(clipFrame));
  }
}
