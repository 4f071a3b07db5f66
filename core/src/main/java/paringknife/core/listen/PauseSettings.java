package paringknife.core.listen;

/**
 * What counts as a pause and how much of it stays.
 *
 * @param thresholdDb below this it is quiet, dBFS; -35 to -40 usual (common practice)
 * @param shortestUs shortest quiet stretch that counts, microseconds
 * @param headUs room kept before speech starts again, microseconds
 * @param tailUs room kept after speech ends, microseconds
 */
public record PauseSettings(double thresholdDb, long shortestUs, long headUs, long tailUs) {
  public static final PauseSettings DEFAULT = new PauseSettings(-38, 500_000, 20_000, 150_000);

  public PauseSettings {
    if (thresholdDb > 0 || thresholdDb < -100) {
      throw new IllegalArgumentException("the pause threshold must lie between -100 and 0 dBFS");
    }
    if (shortestUs < 50_000 || headUs < 0 || tailUs < 0) {
      throw new IllegalArgumentException(
          "the shortest pause must be at least 0.05 s, and head and tail room not negative");
    }
  }

  /**
   * The same for a room in which quiet lies below a level: the threshold is raised to it, never
   * lowered.
   *
   * @param quietBelowDb of {@link RoomLevel}, dBFS
   */
  public PauseSettings inRoom(double quietBelowDb) {
    return new PauseSettings(
        Math.max(thresholdDb, Math.min(0, quietBelowDb)), shortestUs, headUs, tailUs);
  }
}
