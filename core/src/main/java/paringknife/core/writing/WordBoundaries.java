package paringknife.core.writing;

import java.util.List;

/**
 * Finds words where no blank says where they begin, by a dictionary of the script. What implements
 * it is found by {@link java.util.ServiceLoader}.
 */
public interface WordBoundaries {
  /**
   * Parts of a text, one after the other: words, and marks by themselves.
   *
   * @param text without white space
   * @return what joined again is the text
   */
  List<String> parts(String text);
}
