package paringknife.core.formats;

/** Counts the frames of a cut as they play at its speed; what is rounded never adds up. */
final class PlayedFrames {
  private final double speed;
  private long counted;

  PlayedFrames(double speed) {
    this.speed = speed;
  }

  /** Where the next piece begins. */
  long at() {
    return Math.round(counted / speed);
  }

  /** Where a piece of so many frames that begins here ends. */
  long after(long frames) {
    return Math.round((counted + frames) / speed);
  }

  void add(long frames) {
    counted += frames;
  }
}
