package paringknife.core.listen;

/**
 * Where a recording lies on the episode's clock: its moment {@code t} is the episode's {@code
 * offset + t * (1 + drift)}.
 *
 * @param offsetUs episode time of its first moment, in microseconds; negative when it began earlier
 * @param driftPpm how much slower than the episode's its clock ran, in parts per million
 * @param agreeing share of the places compared that agree on this, 0 to 1
 */
public record Placement(long offsetUs, double driftPpm, double agreeing) {
  public static final Placement SAME = new Placement(0, 0, 1);

  /** Episode time of a moment of the recording. */
  public long toEpisode(long us) {
    return offsetUs + Math.round(us * (1 + driftPpm / 1e6));
  }

  /** Moment of the recording at an episode time; may lie outside the recording. */
  public long toRecording(long episodeUs) {
    return Math.round((episodeUs - offsetUs) / (1 + driftPpm / 1e6));
  }

  public Placement movedBy(long us) {
    return new Placement(offsetUs + us, driftPpm, agreeing);
  }
}
