package paringknife.core.time;

/**
 * A half-open stretch of time, {@code startUs} included and {@code endUs} not, in microseconds.
 *
 * @throws IllegalArgumentException when the end lies before the start
 */
public record Span(long startUs, long endUs) implements Comparable<Span> {
  public Span {
    if (endUs < startUs) {
      throw new IllegalArgumentException("span ends before it starts: " + startUs + ".." + endUs);
    }
  }

  public long lengthUs() {
    return endUs - startUs;
  }

  public boolean contains(long us) {
    return us >= startUs && us < endUs;
  }

  public boolean overlaps(Span other) {
    return startUs < other.endUs && other.startUs < endUs;
  }

  /** Length of the common part in microseconds; 0 when there is none. */
  public long overlapUs(Span other) {
    return Math.max(0, Math.min(endUs, other.endUs) - Math.max(startUs, other.startUs));
  }

  public long middleUs() {
    return startUs + (endUs - startUs) / 2;
  }

  /** Orders by start, then by end. */
  @Override
  public int compareTo(Span other) {
    int byStart = Long.compare(startUs, other.startUs);
    return byStart != 0 ? byStart : Long.compare(endUs, other.endUs);
  }
}
