package paringknife.core.letter.style;

/**
 * How captions come, stand and leave.
 *
 * @param growth how much larger a caption is in the end than when it came, as a share, 0 to 0.3
 * @param leaveMs how long it takes to fade away, milliseconds, 0 to 2000
 */
public record Motion(Entrance entrance, double growth, int leaveMs) {
  public static final Motion NONE = new Motion(Entrance.NONE, 0, 0);

  public Motion {
    Bounds.check(growth, 0, 0.3, "How much a caption grows");
    Bounds.check(leaveMs, 0, 2_000, "A caption's leaving");
  }

  public static Motion of(Entrance entrance) {
    return new Motion(entrance, 0, 0);
  }
}
