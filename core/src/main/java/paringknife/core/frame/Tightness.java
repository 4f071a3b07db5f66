package paringknife.core.frame;

/** How much of a person is seen. */
public enum Tightness {
  HEAD_AND_SHOULDERS(3.6),
  TO_THE_WAIST(6),
  /** As much as the picture has. */
  ALL(Double.POSITIVE_INFINITY);

  private final double faces;

  Tightness(double faces) {
    this.faces = faces;
  }

  /** Height of the window in heights of the face's box (common practice). */
  double faces() {
    return faces;
  }
}
