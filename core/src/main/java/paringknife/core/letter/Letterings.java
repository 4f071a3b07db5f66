package paringknife.core.letter;

import java.util.List;
import paringknife.core.letter.Lettering.Colour;
import paringknife.core.letter.Lettering.Mark;

/** The letterings that ship. */
public final class Letterings {
  public static final Lettering SLUICE =
      new Lettering(
          "sluice",
          "Sluice",
          "Archivo Black",
          114,
          false,
          false,
          Colour.rgb(0xFFFFFF),
          Colour.rgb(0x1E1B1A),
          8,
          0,
          Mark.BOX,
          Colour.rgb(0x1E1B1A),
          Colour.rgb(0xFBF8F1),
          Colour.rgba(0, 0),
          new CueLimits(6, 2, 16));

  public static final Lettering LEDGER =
      new Lettering(
          "ledger",
          "Ledger",
          "Barlow Condensed SemiBold",
          118,
          false,
          false,
          Colour.rgb(0xE9E4DA),
          Colour.rgba(0x1E1B1A, 255),
          0,
          0,
          Mark.COLOUR,
          Colour.rgb(0xF2B35B),
          Colour.rgba(0, 0),
          Colour.rgba(0x221E1D, 218),
          new CueLimits(9, 2, 24));

  private Letterings() {}

  public static List<Lettering> all() {
    return List.of(SLUICE, LEDGER);
  }

  /**
   * A lettering by its id.
   *
   * @throws IllegalArgumentException when there is none
   */
  public static Lettering byId(String id) {
    return all().stream()
        .filter(l -> l.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("there is no lettering \"" + id + "\""));
  }
}
