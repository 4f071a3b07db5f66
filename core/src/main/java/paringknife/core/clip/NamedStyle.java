package paringknife.core.clip;

import java.util.List;
import java.util.Optional;
import paringknife.core.dress.Names;
import paringknife.core.frame.Liveliness;
import paringknife.core.frame.Manner;
import paringknife.core.frame.PushIn;
import paringknife.core.frame.PushInHabit;
import paringknife.core.frame.Tightness;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.writing.OneLine;

/**
 * A house style under the name by which shows have it.
 *
 * @param name one line of up to {@value #LONGEST_NAME} characters; no two differ in their capitals
 *     only
 * @param habits what it brings along for a show that is given it
 */
public record NamedStyle(String name, HouseStyle style, Habits habits) {
  public static final int LONGEST_NAME = 80;

  /** A conversation that is listened to: captions stay low, the frame hardly moves. */
  public static final NamedStyle FIRESIDE =
      new NamedStyle(
          "Fireside",
          styled(
              Letterings.QUAY.id(),
              new Manner(Liveliness.STILL, Tightness.TO_THE_WAIST),
              PushInHabit.NONE,
              new Cleanup(true, false, true, true),
              Letterings.HERON.id()));

  /** Something to stop at in passing: loud captions, a near frame that goes along. */
  public static final NamedStyle MARKET_DAY =
      new NamedStyle(
          "Market day",
          styled(
              Letterings.SLUICE.id(),
              new Manner(Liveliness.LIVELY, Tightness.HEAD_AND_SHOULDERS),
              new PushInHabit(0.12, 0.08, PushIn.Move.GLIDE),
              new Cleanup(true, true, true, false),
              Letterings.BROADSIDE.id()));

  /** Those that ship. */
  public static final List<NamedStyle> SHIPPED = List.of(FIRESIDE, MARKET_DAY);

  public NamedStyle {
    name = name == null ? "" : OneLine.of(name);
    boolean isText = name.codePoints().noneMatch(Character::isISOControl);
    if (name.isEmpty() || name.length() > LONGEST_NAME || !isText) {
      throw new IllegalArgumentException(
          "A house style needs a name of up to " + LONGEST_NAME + " characters.");
    }
  }

  /** One that brings nothing along. */
  public NamedStyle(String name, HouseStyle style) {
    this(name, style, Habits.NONE);
  }

  private static HouseStyle styled(
      String lettering, Manner manner, PushInHabit pushIns, Cleanup cleanup, String callOuts) {
    return new HouseStyle(
        lettering,
        null,
        null,
        null,
        null,
        manner,
        pushIns,
        cleanup,
        null,
        Names.NONE,
        callOuts,
        null,
        null);
  }

  /** The same under another name. */
  public NamedStyle called(String other) {
    return new NamedStyle(other, style, habits);
  }

  /** The one that ships under a name. */
  public static Optional<NamedStyle> shipped(String name) {
    return SHIPPED.stream().filter(s -> s.name().equalsIgnoreCase(name.strip())).findFirst();
  }
}
