package paringknife.core.frame;

/**
 * The section of a clip that says how it is framed.
 *
 * @param shape the aspect ratio shown on the plate
 * @param framing whom the frame holds
 */
public record Framed(Shape shape, Framing framing) {
  /** Upright, on whoever speaks. */
  public static final Framed UPRIGHT = new Framed(new Shape(9, 16), Framing.SPEAKER);
}
