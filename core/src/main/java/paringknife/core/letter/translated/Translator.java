package paringknife.core.letter.translated;

import java.util.List;

/**
 * A service that proposes translations. What it answers is a proposal that somebody reviews, like
 * any other.
 */
public interface Translator {
  /** What it is called; one that only stands in for a real service says so. */
  String name();

  /** Whether it knows how to go from one language to another; BCP 47 tags. */
  boolean translates(String from, String to);

  /**
   * A proposal.
   *
   * @param text the translation; nothing where it has none
   * @param isWhole whether all of it is translated; what is not stands as it was, in brackets
   */
  record Proposal(String text, boolean isWhole) {}

  /**
   * Translates sentences.
   *
   * @return one proposal for each sentence
   * @throws IllegalArgumentException with a message for the user when it does not know the
   *     languages
   */
  List<Proposal> translate(String from, String to, List<String> sentences);
}
