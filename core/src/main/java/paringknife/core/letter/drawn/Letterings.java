package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Edge;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.Ground;
import paringknife.core.letter.style.Motion;
import paringknife.core.letter.style.Shadow;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.letter.style.WordStyle;

/** The letterings that ship, from loud to quiet. */
public final class Letterings {
  private static final Colour INK = Colour.rgb(0x1E1B1A);
  private static final Colour PAPER = Colour.rgb(0xFBF8F1);
  private static final Colour SAND = Colour.rgb(0xE9E4DA);
  private static final Colour AMBER = Colour.rgb(0xF2B35B);

  public static final Lettering SLUICE =
      new Lettering(
          "sluice",
          "Sluice",
          Style.of(Face.of("Archivo Black", 114), new SpokenMark.Box(INK, PAPER))
              .withEdges(new Edge(INK, 8, 0)),
          Breaking.of(6, 2, 16));

  public static final Lettering BELL =
      new Lettering(
          "bell",
          "Bell",
          Style.of(
                  Face.of("Anton", 230).in(Face.LetterCase.CAPITALS).spaced(2, 0.8),
                  new SpokenMark.Unmarked())
              .withText(PAPER)
              .withEdges(new Edge(Colour.rgb(0x2B3A3F), 7, 0))
              .withShadow(new Shadow(Colour.rgba(0x10181A, 170), 6, 9, 4))
              .withMotion(Motion.of(new Entrance.Pop(110, 0.7))),
          Breaking.of(1, 1, 16));

  public static final Lettering PEBBLE =
      new Lettering(
          "pebble",
          "Pebble",
          Style.of(
                  Face.of("Baloo 2", 150).asBold().spaced(0, 0.78),
                  new SpokenMark.Larger(Colour.rgb(0xFFD98A), 1.12))
              .withEdges(new Edge(Colour.rgb(0x37596B), 7, 0), new Edge(Colour.rgb(0xF4EFE4), 6, 0))
              .withMotion(Motion.of(new Entrance.Pop(160, 0.8))),
          Breaking.of(4, 2, 16));

  public static final Lettering TIDELINE =
      new Lettering(
          "tideline",
          "Tideline",
          Style.of(
                  Face.of("Bitter", 128).asBold().spaced(0, 0.86),
                  new SpokenMark.Filled(Colour.rgb(0xB9C4C4)))
              .withText(Colour.rgb(0xF3CE8E))
              .withEdges(new Edge(Colour.rgb(0x1F2C30), 6, 0))
              .withMotion(new Motion(Entrance.NONE, 0, 120)),
          Breaking.of(6, 2, 18));

  public static final Lettering LEDGER =
      new Lettering(
          "ledger",
          "Ledger",
          Style.of(Face.of("Barlow Condensed SemiBold", 118), new SpokenMark.InColour(AMBER))
              .withText(SAND)
              .withGround(new Ground(Ground.Extent.LINE, Colour.rgba(0x221E1D, 218), 10, 0)),
          Breaking.of(9, 2, 24));

  public static final Lettering QUAY =
      new Lettering(
          "quay",
          "Quay",
          Style.of(
                  Face.of("Oswald Medium", 128).in(Face.LetterCase.CAPITALS).spaced(3, 0.88),
                  new SpokenMark.Underlined(Colour.rgb(0x8A2F1F)))
              .withText(INK)
              .withGround(new Ground(Ground.Extent.BLOCK, Colour.rgba(0xF7F0E0, 240), 26, 22))
              .withKey(new WordStyle(Colour.rgb(0x8A2F1F), 1, false))
              .withMotion(Motion.of(new Entrance.Rise(140, 26))),
          Breaking.of(7, 2, 22));

  public static final Lettering TWOFOLD =
      new Lettering(
          "twofold",
          "Twofold",
          Style.of(Face.of("Archivo Light", 118), new SpokenMark.InColour(AMBER))
              .withLower(Face.of("Archivo Black", 128).spaced(0, 0.9))
              .withShadow(new Shadow(Colour.rgba(0x10181A, 200), 0, 4, 8))
              .withMotion(Motion.of(new Entrance.Fade(120))),
          new Breaking(7, 2, 20, false, Breaking.LineShape.WIDE_LOWER, Breaking.Timing.USUAL));

  public static final Lettering CHALK =
      new Lettering(
          "chalk",
          "Chalk",
          Style.of(
                  Face.of("Kalam", 136).asBold().spaced(0, 0.78),
                  new SpokenMark.Underlined(Colour.rgb(0xFFE6A8)))
              .withText(Colour.rgb(0xF6F3EA))
              .withEdges(new Edge(Colour.rgba(0x22302C, 235), 5, 3))
              .withMotion(Motion.of(Entrance.NONE)),
          Breaking.of(6, 2, 20));

  public static final Lettering TELEGRAPH =
      new Lettering(
          "telegraph",
          "Telegraph",
          Style.of(Face.of("Courier Prime", 96).asBold(), new SpokenMark.Unmarked())
              .withText(Colour.rgb(0x2A2620))
              .withGround(new Ground(Ground.Extent.LINE, Colour.rgba(0xEFE7D3, 245), 12, 0))
              .aligned(Style.Align.LEFT)
              .withKey(new WordStyle(Colour.rgb(0x9A3324), 1, false))
              .withMotion(Motion.of(new Entrance.WordByWord())),
          Breaking.of(8, 2, 20));

  public static final Lettering PRIMER =
      new Lettering(
          "primer",
          "Primer",
          Style.of(
                  Face.of("Atkinson Hyperlegible", 104).asBold(),
                  new SpokenMark.Box(PAPER, Colour.rgb(0x2C5A73)))
              .withText(Colour.rgb(0x1B2A33))
              .withGround(new Ground(Ground.Extent.LINE, Colour.rgba(0xFBFAF4, 242), 14, 0))
              .withKey(new WordStyle(Colour.rgb(0x2C5A73), 1, false)),
          Breaking.of(9, 2, 24));

  public static final Lettering LECTERN =
      new Lettering(
          "lectern",
          "Lectern",
          Style.of(
                  Face.of("Libre Franklin", 92).asBold().spaced(0, 1.02),
                  new SpokenMark.Lit(Colour.rgba(0xFFFFFF, 120)))
              .withGround(new Ground(Ground.Extent.BLOCK, Colour.rgba(0x14181B, 190), 24, 14)),
          Breaking.of(12, 3, 26));

  public static final Lettering BROADSIDE =
      new Lettering(
          "broadside",
          "Broadside",
          Style.of(
                  Face.of("Source Serif 4 SemiBold", 132).spaced(-1, 0.84),
                  new SpokenMark.InColour(Colour.rgb(0xF0C9A0)))
              .withText(PAPER)
              .withEdges(new Edge(Colour.rgba(0x1E1B1A, 210), 3, 2))
              .withShadow(new Shadow(Colour.rgba(0x000000, 150), 0, 5, 10))
              .withMotion(new Motion(new Entrance.Rise(160, 18), 0.03, 100)),
          Breaking.of(6, 2, 18));

  public static final Lettering MATINEE =
      new Lettering(
          "matinee",
          "Matinee",
          Style.of(Face.of("Libre Franklin Medium", 74), new SpokenMark.Unmarked())
              .withText(Colour.rgb(0xF7F5EF))
              .withEdges(new Edge(Colour.rgba(0x000000, 220), 2.5, 1))
              .withShadow(new Shadow(Colour.rgba(0x000000, 170), 0, 3, 5)),
          Breaking.of(14, 2, 34).bySentences());

  public static final Lettering HERON =
      new Lettering(
          "heron",
          "Heron",
          Style.of(
                  Face.of("Lora SemiBold", 104).asItalic().spaced(0, 0.86),
                  new SpokenMark.Unmarked())
              .withText(Colour.rgb(0xF4EEE2))
              .withShadow(new Shadow(Colour.rgba(0x0E1214, 210), 0, 3, 9))
              .withKey(new WordStyle(Colour.rgb(0xE8C58C), 1.08, true))
              .withMotion(new Motion(new Entrance.Fade(220), 0, 180)),
          Breaking.of(8, 2, 24));

  public static final Lettering EDDY =
      new Lettering(
          "eddy",
          "Eddy",
          Style.of(
                  Face.of("Work Sans Light", 88).in(Face.LetterCase.SMALL).spaced(4, 0.95),
                  new SpokenMark.Lit(Colour.rgba(0xFFFFFF, 110)))
              .withShadow(new Shadow(Colour.rgba(0x0E1214, 220), 0, 2, 8))
              .withMotion(new Motion(new Entrance.Fade(260), 0.04, 200)),
          Breaking.of(7, 2, 24));

  private static final List<Lettering> ALL =
      List.of(
          SLUICE, BELL, PEBBLE, TIDELINE, LEDGER, QUAY, TWOFOLD, CHALK, TELEGRAPH, PRIMER, LECTERN,
          BROADSIDE, MATINEE, HERON, EDDY);

  private Letterings() {}

  public static List<Lettering> all() {
    return ALL;
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
