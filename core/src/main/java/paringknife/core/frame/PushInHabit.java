package paringknife.core.frame;

/**
 * How often and how far windows come nearer in a show's clips.
 *
 * @param alternating how much nearer every second piece is between joins within one shot; 0 for not
 *     at all
 * @param share how much nearer windows come for the strongest words; 0 for not at all
 * @param move how they do
 */
public record PushInHabit(double alternating, double share, PushIn.Move move) {
  /** They never do. */
  public static final PushInHabit NONE = new PushInHabit(0, 0, PushIn.Move.GLIDE);

  public PushInHabit {
    for (double nearer : new double[] {alternating, share}) {
      if (nearer != 0) {
        PushIn.checkShare(nearer);
      }
    }
    if (move == null) {
      throw new IllegalArgumentException("A push-in steps or glides.");
    }
  }

  /** As a clip has it. */
  public static PushInHabit of(Framed framed) {
    return framed.pushIns().stream()
        .filter(p -> p.why() != PushIn.Why.BY_HAND)
        .findFirst()
        .map(p -> new PushInHabit(framed.alternating(), p.share(), p.move()))
        .orElse(new PushInHabit(framed.alternating(), 0, PushIn.Move.GLIDE));
  }

  /** A clip's framing with sizes alternating so, and of its push-ins those by hand. */
  public Framed onJoins(Framed framed) {
    return framed
        .withPushIns(framed.pushIns().stream().filter(p -> p.why() == PushIn.Why.BY_HAND).toList())
        .withAlternating(alternating);
  }
}
