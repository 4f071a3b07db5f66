package paringknife.core.letter.style;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Colours that words have by what they are; a colour of a word's own, of key words and of the
 * spoken word counts before them.
 *
 * @param speakers by who speaks, in the order of the transcript's speakers; empty for one for all
 * @param numbers of words with digits; null for the others' colour
 */
public record Tints(List<Colour> speakers, @Nullable Colour numbers) {
  public static final int MOST_SPEAKERS = 24;
  public static final Tints NONE = new Tints(List.of(), null);

  public Tints {
    speakers = List.copyOf(speakers);
    if (speakers.size() > MOST_SPEAKERS) {
      throw new IllegalArgumentException(
          "Up to " + MOST_SPEAKERS + " speakers have colours of their own.");
    }
  }

  /** The colour of a word; empty for the text's. */
  public Optional<Colour> of(String text, int speaker) {
    if (numbers != null && text.codePoints().anyMatch(Character::isDigit)) {
      return Optional.of(numbers);
    }
    return speaker >= 0 && speaker < speakers.size()
        ? Optional.of(speakers.get(speaker))
        : Optional.empty();
  }
}
