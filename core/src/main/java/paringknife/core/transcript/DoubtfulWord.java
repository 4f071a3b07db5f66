package paringknife.core.transcript;

/**
 * A word worth a look.
 *
 * @param index of the word
 * @param why what makes it doubtful
 */
public record DoubtfulWord(int index, Why why) {
  /** What makes a word doubtful. */
  public enum Why {
    /** Its punctuation was proposed and could as well be another. */
    CLOSE_CALL,
    /** The recogniser was not sure. */
    HARDLY_HEARD,
    /** No dictionary has it, and the glossary does not either. */
    UNKNOWN_SPELLING,
    /** The same word twice. */
    SAID_TWICE,
    /** A sentence that begins small. */
    SMALL_BEGINNING,
    /** A sentence that ends without a mark. */
    NO_END
  }
}
