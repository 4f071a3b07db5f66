package paringknife.server.outbox;

import java.nio.file.Path;
import java.util.List;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.outbox.Rules;

/**
 * The way to where posts are published. Whoever implements it keeps to what the outbox relies on
 * when it is killed in the middle: asking twice is as asking once.
 */
interface Outlet {
  /**
   * One thing to be posted.
   *
   * @param key the same for every try at it, and for nothing else; up to 100 letters, digits,
   *     hyphens
   * @param destination where to, by name
   * @param rules what is taken there
   * @param file the film, whole
   */
  record Consignment(String key, String destination, Rules rules, Path file, PostTexts texts) {}

  /** What is said to it. */
  sealed interface Answer {
    /**
     * It is out.
     *
     * @param reference by which the destination knows it
     */
    record Accepted(String reference) implements Answer {}

    /** It will not be taken as it is, however often it is tried. */
    record Refused(List<String> reasons) implements Answer {}

    /** Not now; it may be tried again. */
    record Busy(String reason) implements Answer {}
  }

  /**
   * Posts something; a second time with the same key it answers as the first time and posts
   * nothing. What was withdrawn before it came is refused.
   */
  Answer post(Consignment consignment);

  /**
   * Takes something back, or sees to it that it is never taken, whether it is known there or not.
   *
   * @return false when it could not be done now and has to be tried again
   */
  boolean withdraw(String key);
}
