package paringknife.core.letter;

import java.util.List;
import paringknife.core.time.Span;

/**
 * One caption.
 *
 * @param span when it shows, on the clip's clock
 * @param lines its words, line by line
 */
public record Cue(Span span, List<List<CueWord>> lines) {
  public Cue {
    lines = lines.stream().map(List::copyOf).toList();
  }

  public List<CueWord> words() {
    return lines.stream().flatMap(List::stream).toList();
  }

  /** The text, lines separated by a line feed. */
  public String text() {
    return String.join(
        "\n",
        lines.stream().map(l -> String.join(" ", l.stream().map(CueWord::text).toList())).toList());
  }

  /** The same as it shows when the clip plays faster. */
  public Cue played(double speed) {
    return new Cue(
        new Span(Math.round(span.startUs() / speed), Math.round(span.endUs() / speed)), lines);
  }

  /** Reading speed in characters a second, blanks included. */
  public double charactersPerSecond() {
    return text().length() * 1e6 / Math.max(1, span.lengthUs());
  }
}
