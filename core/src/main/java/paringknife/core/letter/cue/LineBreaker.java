package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.writing.Columns;
import paringknife.core.writing.JapanesePhrases;
import paringknife.core.writing.Spacing;

/**
 * Breaks a run of words into lines: as few as do, and of those breaks the best, tried all. Words
 * that belong together stay together, no short word is alone on a line, a line ends with a clause
 * where it can.
 */
final class LineBreaker {
  /** A break that is there only where every other is as bad. */
  static final double NEVER = 40;

  /** What outweighs everything but room. */
  static final double UNWANTED = 1_000;

  private static final int SHORT_WORD = 4;
  private static final double CLAUSE = 2;

  private final List<SpokenWord> words;
  private final Breaking breaking;

  /** Columns before each word, with the blanks. */
  private final int[] upTo;

  /** 1 for a word that a blank follows. */
  private final int[] blankAfter;

  private final double[] partingAfter;

  LineBreaker(List<SpokenWord> words, Breaking breaking, BoundWords bound) {
    this.words = words;
    this.breaking = breaking;
    this.upTo = new int[words.size() + 1];
    this.blankAfter = new int[words.size()];
    this.partingAfter = new double[words.size()];
    for (int i = 0; i < words.size(); i++) {
      String text = words.get(i).text();
      boolean isLast = i + 1 == words.size();
      blankAfter[i] = isLast || Spacing.isBetween(text, words.get(i + 1).text()) ? 1 : 0;
      upTo[i + 1] = upTo[i] + Columns.of(text) + blankAfter[i];
      partingAfter[i] = i + 1 < words.size() ? parting(words.get(i), words.get(i + 1), bound) : 0;
    }
  }

  private static double parting(SpokenWord word, SpokenWord next, BoundWords bound) {
    if (next.wishes().staysOnLine()) {
      return UNWANTED;
    }
    if (next.wishes().opensLine()) {
      return -UNWANTED;
    }
    if (bound.bindsToNext(word.asShown()) || JapanesePhrases.goesOn(word.text(), next.text())) {
      return NEVER;
    }
    return word.endsClause() ? -CLAUSE : 0;
  }

  /** Columns of a run of words on one line. */
  int length(int start, int end) {
    return upTo[end] - upTo[start] - blankAfter[end - 1];
  }

  /** A way to break a run. */
  private static final class Best {
    int first;
    int second;
    double badness = Double.MAX_VALUE;
  }

  /**
   * How bad the best way to break a run into lines is; infinite where it has no room.
   *
   * @param end after the last word
   */
  double badness(int start, int end) {
    Best best = best(start, end);
    return best == null ? Double.POSITIVE_INFINITY : best.badness;
  }

  /** The lines of a run; where it has no room all of it is one. */
  List<List<CueWord>> lines(int start, int end) {
    Best best = best(start, end);
    List<List<CueWord>> lines = new ArrayList<>();
    int from = start;
    for (int at : best == null ? new int[] {} : new int[] {best.first, best.second}) {
      if (at > from) {
        lines.add(cueWords(from, at));
        from = at;
      }
    }
    lines.add(cueWords(from, end));
    return lines;
  }

  private List<CueWord> cueWords(int from, int to) {
    return words.subList(from, to).stream().map(SpokenWord::inCue).toList();
  }

  private @Nullable Best best(int start, int end) {
    int wished = 0;
    for (int i = start + 1; i < end; i++) {
      wished += words.get(i).wishes().opensLine() ? 1 : 0;
    }
    int most = Math.max(breaking.lines(), Math.min(Breaking.MOST_LINES, wished + 1));
    for (int lines = Math.min(most, wished + 1); lines <= most; lines++) {
      Best best = best(start, end, lines);
      if (best != null) {
        return best;
      }
    }
    return null;
  }

  private @Nullable Best best(int start, int end, int lines) {
    Best best = new Best();
    best.first = start;
    best.second = start;
    if (lines == 1) {
      best.badness = 0;
      return hasRoom(start, end) ? best : null;
    }
    for (int first = start + 1; first < end; first++) {
      if (!hasRoom(start, first)) {
        break;
      }
      if (lines == 2) {
        if (hasRoom(first, end)) {
          take(best, first, start, badness(start, first, end));
        }
        continue;
      }
      for (int second = first + 1; second < end; second++) {
        if (hasRoom(first, second) && hasRoom(second, end)) {
          take(best, first, second, badness(start, first, second) + badness(first, second, end));
        }
      }
    }
    return best.badness == Double.MAX_VALUE ? null : best;
  }

  private static void take(Best best, int first, int second, double badness) {
    if (badness < best.badness) {
      best.first = first;
      best.second = second;
      best.badness = badness;
    }
  }

  private boolean hasRoom(int from, int to) {
    return to - from == 1 || length(from, to) <= breaking.characters();
  }

  /** How bad it is to break between two lines. */
  private double badness(int from, int at, int to) {
    int upper = length(from, at);
    int lower = length(at, to);
    double uneven =
        breaking.lineShape() == Breaking.LineShape.EVEN
            ? Math.abs(upper - lower)
            : Math.max(0, upper - lower) * 4 + Math.max(0, lower - 2 * upper) * 0.5;
    return 0.08 * uneven + partingAfter[at - 1] + lone(from, at) + lone(at, to);
  }

  private double lone(int from, int to) {
    return to - from == 1 && length(from, to) <= SHORT_WORD ? NEVER : 0;
  }
}
