package paringknife.server.letterings;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.media.store.CaptionFonts;
import paringknife.server.web.NotThere;

/** The letterings and the fonts that they are set in. */
@RestController
@RequestMapping("/api")
class LetteringController {

  /**
   * A typeface that can be chosen.
   *
   * @param bold whether it is only there in bold
   * @param italic whether it is only there in italic
   * @param own its file, where it is one's own
   * @param lacks usual letters that it does not have
   */
  record TypefaceShown(
      String family, boolean bold, boolean italic, @Nullable String own, String lacks) {
    static TypefaceShown of(Typeface face) {
      boolean isOwn = Typefaces.installed().contains(face);
      return new TypefaceShown(
          face.family(),
          face.isBold(),
          face.isItalic(),
          isOwn ? face.files().get(0) : null,
          isOwn ? face.lacks() : "");
    }
  }

  private final CaptionFonts fonts;

  LetteringController(CaptionFonts fonts) {
    this.fonts = fonts;
  }

  /**
   * What captions are set in.
   *
   * @param files of all fonts, which captions of any script are drawn from
   */
  record Specimens(List<Lettering> letterings, List<TypefaceShown> typefaces, List<String> files) {}

  @GetMapping("/letterings")
  Specimens letterings() {
    return new Specimens(
        Letterings.all(),
        Typefaces.choices().stream().map(TypefaceShown::of).toList(),
        fonts.files());
  }

  /** Adds a font of one's own: a TrueType, OpenType or WOFF file. */
  @PostMapping(path = "/fonts", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  TypefaceShown addFont(@RequestBody byte[] font) {
    return TypefaceShown.of(fonts.add(font));
  }

  /** Removes one. */
  @DeleteMapping("/fonts/{file}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeFont(@PathVariable String file) {
    if (!fonts.remove(file)) {
      throw new NotThere("That font is not there any more.");
    }
  }
}
