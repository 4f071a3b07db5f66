package paringknife.core.letter;

import java.util.Optional;

/** How the spoken word is marked; each way writes its own ASS tags. */
public sealed interface SpokenMark {
  /** A word of the caption, marked; the text is escaped already. */
  String around(String word);

  /** The style that marked words are drawn in where the caption's own will not do. */
  default Optional<Box> style() {
    return Optional.empty();
  }

  /** Another colour. */
  record InColour(Colour text) implements SpokenMark {
    @Override
    public String around(String word) {
      return "{\\1c" + text.assTag() + "}" + word + "{\\1c}";
    }
  }

  /** A box behind it. */
  record Box(Colour text, Colour ground) implements SpokenMark {
    static final String STYLE = "Spoken";

    @Override
    public String around(String word) {
      return "{\\r" + STYLE + "}" + word + "{\\r}";
    }

    @Override
    public Optional<Box> style() {
      return Optional.of(this);
    }
  }
}
