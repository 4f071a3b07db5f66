package paringknife.server.letterings;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.fonts.Typefaces;

/** The letterings and the fonts that they are set in. */
@RestController
@RequestMapping("/api")
class LetteringController {

  /**
   * A typeface that can be chosen.
   *
   * @param bold whether it is only there in bold
   * @param italic whether it is only there in italic
   */
  record TypefaceShown(String family, boolean bold, boolean italic) {
    static TypefaceShown of(Typeface face) {
      return new TypefaceShown(face.family(), face.isBold(), face.isItalic());
    }
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
        Typefaces.all().stream().map(TypefaceShown::of).toList(),
        Typefaces.files());
  }
}
