package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.HouseStyle;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.fonts.FontFile;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.server.letterings.CarriedPictures;
import paringknife.server.letterings.StyleFile;
import picocli.CommandLine.Option;

/** How captions are set, on the command line. */
final class LetteringOptions {
  /** As much as a style with its fonts may come with over HTTP. */
  private static final long LARGEST = 12 << 20;

  private static final String USUAL = "sluice";

  @Option(
      names = "--lettering",
      description = "the id of a lettering, sluice by default; tool letterings lists them")
  private @Nullable String lettering;

  @Option(
      names = "--style",
      description =
          "a house style as it is saved from a clip, or a lettering as tool letterings prints one")
  private @Nullable Path style;

  @Option(
      names = "--captions",
      description = "burnt, beside, both or none; as the style has it, or both")
  private @Nullable String captions;

  @Option(names = "--words", description = "most words in a caption; 1 shows them one at a time")
  private @Nullable Integer words;

  @Option(names = "--lines", description = "most lines in a caption, 1 to 3")
  private @Nullable Integer lines;

  @Option(names = "--characters", description = "most characters in a line")
  private @Nullable Integer characters;

  @Option(names = "--sentences", description = "captions end with sentences where one has room")
  private boolean sentences;

  @Option(
      names = "--font",
      description = "a font file of your own, which the style names by its family; may be repeated")
  private List<Path> fonts = List.of();

  /**
   * The fonts that there are, laid out in a folder.
   *
   * @throws IllegalArgumentException when one of them cannot be used
   */
  CaptionFonts laidOut(Path folder) throws IOException {
    CaptionFonts laidOut = new CaptionFonts(folder);
    for (Path font : fonts) {
      try {
        laidOut.add(Files.size(font) > FontFile.LARGEST ? new byte[0] : Files.readAllBytes(font));
      } catch (IllegalArgumentException refused) {
        throw new IllegalArgumentException(font.getFileName() + ": " + refused.getMessage());
      }
    }
    if (style != null) {
      laidOut.addMissing(StyleFile.content(textOf(style), nameOf(style)).fonts());
    }
    return laidOut;
  }

  /**
   * What is asked for, with the pictures that come with the style taken in.
   *
   * @throws IllegalArgumentException when one is missing
   */
  HouseStyle house(StylePictures pictures) throws IOException {
    return style == null
        ? house()
        : new CarriedPictures(pictures)
            .takenIn(house(), StyleFile.content(textOf(style), nameOf(style)).pictures());
  }

  /** The lettering that is asked for, with what was changed of how it breaks captions. */
  Lettering asked() throws IOException {
    return house().lettered().asSet();
  }

  private Breaking changed(Breaking given) {
    Breaking counted =
        words == null && lines == null && characters == null
            ? given
            : Breaking.of(
                words == null ? given.words() : words,
                lines == null ? given.lines() : lines,
                characters == null ? given.characters() : characters);
    return sentences ? counted.bySentences() : counted;
  }

  private @Nullable CaptionUse use() {
    if (captions == null) {
      return null;
    }
    for (CaptionUse use : CaptionUse.values()) {
      if (use.name().toLowerCase(Locale.ROOT).equals(captions)) {
        return use;
      }
    }
    throw new IllegalArgumentException("--captions is burnt, beside, both or none.");
  }

  /** All that is asked for, over the style of the file where there is one. */
  HouseStyle house() throws IOException {
    HouseStyle given = given();
    String id = lettering == null ? given.lettering() : Letterings.byId(lettering).id();
    Lettered lettered = id.equals(given.lettering()) ? given.lettered() : Lettered.in(id);
    Lettering set = lettered.asSet();
    Lettered broken =
        lettered.as(new Lettering(set.id(), set.name(), set.style(), changed(set.breaking())));
    CaptionUse use = use();
    Lettered used = use == null ? broken : broken.with(use);
    return new HouseStyle(
        used.lettering(),
        used.style(),
        used.breaking(),
        used.leavesOut(),
        used.use(),
        given.manner(),
        given.pushIns(),
        given.cleanup(),
        given.logo(),
        given.names(),
        given.callOuts(),
        given.behind(),
        given.backdrop());
  }

  private HouseStyle given() throws IOException {
    if (style == null) {
      return HouseStyle.of(Lettered.in(USUAL));
    }
    return StyleFile.read(textOf(style), nameOf(style));
  }

  private static String nameOf(Path style) {
    return style.getFileName().toString();
  }

  private static String textOf(Path style) throws IOException {
    if (Files.size(style) > LARGEST) {
      throw new IllegalArgumentException(nameOf(style) + " is no style.");
    }
    return Files.readString(style);
  }
}
