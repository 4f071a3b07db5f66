package paringknife.core.clip.cut;

import paringknife.core.time.Span;

/**
 * One piece taken out of a clip.
 *
 * @param id identity within the clip
 * @param reason why it went
 * @param span what goes, on the episode's clock
 * @param text the words that went, empty for a pause
 * @param means how it went; where a stored clip does not say, it was cut
 */
public record Removal(long id, Reason reason, Span span, String text, Means means)
    implements Comparable<Removal> {
  public Removal {
    means = means == null ? Means.CUT : means;
  }

  /** Something cut out with its time. */
  public Removal(long id, Reason reason, Span span, String text) {
    this(id, reason, span, text, Means.CUT);
  }

  @Override
  public int compareTo(Removal other) {
    int byTime = span.compareTo(other.span);
    return byTime != 0 ? byTime : Long.compare(id, other.id);
  }
}
