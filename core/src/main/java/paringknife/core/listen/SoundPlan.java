package paringknife.core.listen;

import java.util.List;
import paringknife.core.time.Span;

/**
 * What a clip sounds like: segments one after the other, joined by cross-fades, and room tone laid
 * under some of them.
 */
public record SoundPlan(List<Segment> segments, List<Bed> beds) {
  public SoundPlan {
    segments = List.copyOf(segments);
    beds = List.copyOf(beds);
  }

  /** A stretch of the clip. */
  public sealed interface Segment permits Recorded, Tone {
    long lengthUs();
  }

  /** Sound as it was recorded. */
  public record Recorded(Span span) implements Segment {
    @Override
    public long lengthUs() {
      return span.lengthUs();
    }
  }

  /**
   * Room tone by itself.
   *
   * @param from the quiet stretch of the episode it is made of; an empty one is silence
   */
  public record Tone(Span from, long lengthUs) implements Segment {}

  /**
   * Room tone under what is heard, so that the noise of the room goes on over a join.
   *
   * @param atUs where it begins on the clip's clock
   * @param gainAtStart factor at its beginning; it changes evenly to the end
   */
  public record Bed(long atUs, long lengthUs, Span from, double gainAtStart, double gainAtEnd) {}

  /** Recorded sound only. */
  public static SoundPlan of(List<Span> kept) {
    return new SoundPlan(kept.stream().map(s -> (Segment) new Recorded(s)).toList(), List.of());
  }

  public long lengthUs() {
    return segments.stream().mapToLong(Segment::lengthUs).sum();
  }

  /** Whether it is the recording and nothing else. */
  public boolean isRecordedOnly() {
    return beds.isEmpty() && segments.stream().allMatch(Recorded.class::isInstance);
  }
}
