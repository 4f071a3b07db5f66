package paringknife.core.frame;

import paringknife.core.frame.colour.SeenColours;
import paringknife.core.time.Span;

/**
 * Where clips of one episode are framed.
 *
 * @param people how many people are in the picture
 * @param cameras how many cameras there are
 * @param durationUs length of the episode, microseconds
 * @param pushIns proposes push-ins
 * @param colours that the cameras see
 */
public record FrameDesk(
    int people, int cameras, long durationUs, PushInFinder pushIns, SeenColours.Source colours) {
  Span within(Span span) {
    if (span.startUs() < 0 || span.endUs() > durationUs || span.lengthUs() <= 0) {
      throw new IllegalArgumentException("That is not within the episode.");
    }
    return span;
  }
}
