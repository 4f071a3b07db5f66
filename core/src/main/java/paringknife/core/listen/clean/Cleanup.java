package paringknife.core.listen.clean;

/**
 * What is done to a voice before it is heard. The recording stays as it is.
 *
 * @param hum mains hum and rumble are taken out
 * @param noise steady noise is held down
 * @param even what is said softly and loudly comes nearer together
 * @param sibilance sharp s sounds are softened
 */
public record Cleanup(boolean hum, boolean noise, boolean even, boolean sibilance) {
  public static final Cleanup NONE = new Cleanup(false, false, false, false);

  /** Whether the voice is heard as it was recorded. */
  public boolean asksForNothing() {
    return equals(NONE);
  }
}
