package paringknife.core.frame;

import paringknife.core.steps.Intent;

/** What a producer wants done to the framing of a clip. */
public sealed interface FrameIntent extends Intent {
  /**
   * The framing after this was done.
   *
   * @param people how many people are in the picture
   */
  Framed apply(Framed framed, int people);

  /** Choose the shape on the plate, written like {@code 9:16}, and whom the frame holds. */
  record Reframe(String shape, Framing.Mode mode, int person) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, int people) {
      boolean one = mode == Framing.Mode.PERSON;
      if (one && (person < 0 || person >= people)) {
        throw new IllegalArgumentException("There is no such person in the picture.");
      }
      return new Framed(Shape.parse(shape), new Framing(mode, one ? person : -1));
    }

    @Override
    public String label() {
      return "reframe";
    }
  }
}
