package paringknife.core.pare;

import paringknife.core.time.Span;

/**
 * One piece taken out of a clip.
 *
 * @param id identity within the clip
 * @param reason why it went
 * @param span what goes, on the episode's clock
 * @param text the words that went, empty for a pause
 */
public record Removal(long id, Reason reason, Span span, String text)
    implements Comparable<Removal> {
  @Override
  public int compareTo(Removal other) {
    int byTime = span.compareTo(other.span);
    return byTime != 0 ? byTime : Long.compare(id, other.id);
  }
}
