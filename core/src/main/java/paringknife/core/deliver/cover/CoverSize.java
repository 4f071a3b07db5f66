package paringknife.core.deliver.cover;

/**
 * How large covers are where a destination wants them otherwise than the film.
 *
 * @param width pixels, from {@value #LEAST} to {@value #MOST}
 * @param height pixels, the same; neither side is more than four times as long as the other
 */
public record CoverSize(int width, int height) {
  static final int LEAST = 64;
  static final int MOST = 4096;
  private static final int LONGER = 4;

  public CoverSize {
    if (Math.min(width, height) < LEAST || Math.max(width, height) > MOST) {
      throw new IllegalArgumentException(
          "A cover has from " + LEAST + " to " + MOST + " pixels each way.");
    }
    if (Math.max(width, height) > LONGER * Math.min(width, height)) {
      throw new IllegalArgumentException(
          "No side of a cover is more than " + LONGER + " times as long as the other.");
    }
  }
}
