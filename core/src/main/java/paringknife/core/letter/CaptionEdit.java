package paringknife.core.letter;

/**
 * What a producer has changed of the captions that the breaker proposes. An edit is keyed by a
 * word's identity, so that it stays with its word whatever is pared or corrected around it, and
 * does nothing while that word is not heard.
 */
public sealed interface CaptionEdit {
  /** Identity of the word that it stays with. */
  long wordId();

  /** A caption begins at this word. */
  record BreakBefore(long wordId) implements CaptionEdit {}

  /** No caption begins at this word, as long as there is room for it in the one before. */
  record GoOnWith(long wordId) implements CaptionEdit {}

  /** The caption shows another text for this word; what is said keeps its times. */
  record ShowAs(long wordId, String text) implements CaptionEdit {
    public static final int LONGEST = 200;

    public ShowAs {
      if (text.length() > LONGEST) {
        throw new IllegalArgumentException(
            "What is shown for a word has up to " + LONGEST + " characters.");
      }
    }
  }
}
