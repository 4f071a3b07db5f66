package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.style.Place;
import paringknife.core.time.Span;
import paringknife.core.writing.Spacing;
import paringknife.core.writing.WordsOfText;

/**
 * One caption.
 *
 * @param span when it shows, on the clip's clock
 * @param lines its words, line by line
 * @param place where it stands; null for where all do
 * @param isAdded whether it stands where nobody speaks; its words bear the id of the one it follows
 */
public record Cue(Span span, List<List<CueWord>> lines, @Nullable Place place, boolean isAdded) {
  public Cue {
    lines = lines.stream().map(List::copyOf).toList();
  }

  public Cue(Span span, List<List<CueWord>> lines) {
    this(span, lines, null, false);
  }

  /** A caption that came with its times; its words share them by how many letters they have. */
  public static Cue given(Span span, String text) {
    List<List<String>> rows =
        text.strip().lines().map(WordsOfText::of).filter(r -> !r.isEmpty()).toList();
    long letters =
        Math.max(1, rows.stream().flatMap(List::stream).mapToLong(w -> w.length() + 1).sum());
    List<List<CueWord>> lines = new ArrayList<>();
    long passed = 0;
    long id = 0;
    for (List<String> row : rows) {
      List<CueWord> line = new ArrayList<>();
      for (String word : row) {
        long from = span.startUs() + span.lengthUs() * passed / letters;
        passed += word.length() + 1;
        long to = span.startUs() + span.lengthUs() * passed / letters;
        line.add(new CueWord(word, new Span(from, to), id++));
      }
      lines.add(line);
    }
    return new Cue(span, lines);
  }

  static Cue added(Span span, CaptionEdit.Added edit) {
    List<List<CueWord>> lines =
        edit.text()
            .strip()
            .lines()
            .map(String::strip)
            .filter(l -> !l.isEmpty())
            .map(line -> List.of(new CueWord(line, span, edit.wordId())))
            .toList();
    return new Cue(span, lines, null, true);
  }

  public List<CueWord> words() {
    return lines.stream().flatMap(List::stream).toList();
  }

  /** The text, lines separated by a line feed. */
  public String text() {
    return String.join(
        "\n",
        lines.stream().map(l -> Spacing.joined(l.stream().map(CueWord::text).toList())).toList());
  }

  /** The same as it shows when the clip plays faster. */
  public Cue played(double speed) {
    return new Cue(
        new Span(Math.round(span.startUs() / speed), Math.round(span.endUs() / speed)),
        lines,
        place,
        isAdded);
  }

  /** Reading speed in characters a second, blanks included. */
  public double charactersPerSecond() {
    return text().length() * 1e6 / Math.max(1, span.lengthUs());
  }
}
