package paringknife.core.letter.translated;

/**
 * What a sentence is in another language.
 *
 * @param first identity of the first word of the sentence when it was translated
 * @param last identity of the last
 * @param source what was said then
 * @param text the translation; nothing where there is none yet
 */
public record TranslatedSentence(long first, long last, String source, String text, State state) {
  /** Most characters of a sentence, in either language. */
  public static final int LONGEST = 2_000;

  /** How far a translation has come. */
  public enum State {
    /** Nobody has translated it, or only in part; no caption shows it. */
    OPEN,
    /** A translator's proposal that nobody has looked at. */
    PROPOSED,
    /** Somebody has read it and said yes. */
    REVIEWED
  }

  public TranslatedSentence {
    if (source.length() > LONGEST || text.length() > LONGEST) {
      throw new IllegalArgumentException(
          "A sentence and its translation have up to " + LONGEST + " characters each.");
    }
  }

  /** Whether captions show it. */
  boolean shows() {
    return state != State.OPEN && !text.isBlank();
  }
}
