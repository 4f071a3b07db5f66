package paringknife.core.pick;

/**
 * What the grammar of one language says of a word. The core knows no language's grammar; whoever
 * does provides it. It may be asked by several threads at once.
 */
public interface WordForms {
  /**
   * What the forms of a word have in common: "winds" and "winding" have one stem.
   *
   * @param bare a word in small letters, without marks
   */
  String stem(String bare);

  /** Whether a word holds sentences together and tells no subject: articles, prepositions. */
  boolean isFunctionWord(String bare);
}
