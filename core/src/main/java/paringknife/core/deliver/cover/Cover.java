package paringknife.core.deliver.cover;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;

/**
 * What a producer wants of the still that stands for a clip.
 *
 * @param episodeUs the moment, on the episode's clock in microseconds; null for the one proposed
 * @param hasHeading whether the clip's title stands on it
 */
public record Cover(@Nullable Long episodeUs, boolean hasHeading) {
  /** What is proposed, as it is. */
  public static final Cover PROPOSED = new Cover(null, false);

  public Cover {
    if (episodeUs != null && episodeUs < 0) {
      throw new IllegalArgumentException("A cover is a moment of the episode.");
    }
  }

  /** The frame of the clip that shows the moment; empty where it was pared away, or none is set. */
  public Optional<Long> frameIn(List<PictureRun> runs, FrameRate rate) {
    if (episodeUs == null) {
      return Optional.empty();
    }
    long frame = rate.nearestFrame(episodeUs);
    return runs.stream()
        .filter(
            r -> frame >= r.episodeFrame() && frame < r.episodeFrame() + (r.held() ? 1 : r.count()))
        .map(r -> r.clipFrame() + frame - r.episodeFrame())
        .findFirst();
  }
}
