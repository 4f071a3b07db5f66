package paringknife.core.deliver;

import paringknife.core.frame.Shape;

/**
 * What one destination takes.
 *
 * @param id stable name, lower case
 * @param name shown to the producer
 * @param shape aspect ratio
 * @param width in pixels
 * @param height in pixels
 * @param longestUs longest length taken, microseconds
 * @param marginUs how far under the limit to aim, microseconds
 * @param mostFramesPerSecond highest frame rate taken
 * @param lufs integrated loudness aimed at
 * @param ceilingDbtp highest true peak taken
 * @param safe margins to keep captions out of
 */
public record DeliverySpec(
    String id,
    String name,
    Shape shape,
    int width,
    int height,
    long longestUs,
    long marginUs,
    int mostFramesPerSecond,
    double lufs,
    double ceilingDbtp,
    SafeZone safe) {

  /** The length to stay under: the limit less the margin. */
  public long aimUs() {
    return longestUs - marginUs;
  }
}
