package paringknife.core.letter;

import java.util.List;

/** The letterings that ship. */
public final class Letterings {
  public static final Lettering SLUICE =
      Lettering.of(
              "sluice",
              "Sluice",
              new Lettering.Face("Archivo Black", 114),
              new SpokenMark.Box(Colour.rgb(0x1E1B1A), Colour.rgb(0xFBF8F1)),
              new CueLimits(6, 2, 16))
          .withEdge(new Lettering.Edge(Colour.rgb(0x1E1B1A), 8, 0));

  public static final Lettering LEDGER =
      Lettering.of(
              "ledger",
              "Ledger",
              new Lettering.Face("Barlow Condensed SemiBold", 118),
              new SpokenMark.InColour(Colour.rgb(0xF2B35B)),
              new CueLimits(9, 2, 24))
          .withText(Colour.rgb(0xE9E4DA))
          .withGround(Colour.rgba(0x221E1D, 218));

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
