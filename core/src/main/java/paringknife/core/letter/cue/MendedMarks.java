package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Mends the marks that are left over where words were left out. What stood between two commas takes
 * both along ("and, uh, a veil" reads "and a veil"); where a sentence lost its end, what is left
 * takes its mark; where it lost its beginning, what is left takes its capital.
 */
final class MendedMarks {
  private final List<Word> all;

  MendedMarks(Transcript transcript) {
    this.all = transcript.words();
  }

  List<SpokenWord> mend(List<SpokenWord> heard) {
    List<SpokenWord> mended = new ArrayList<>(heard);
    int at = -1;
    for (int i = 0; i < heard.size(); i++) {
      int before = at;
      at = placeOf(heard.get(i).word(), before + 1);
      boolean follows = i > 0 && before >= 0 && before < at;
      if (follows && before + 1 < at) {
        join(mended, i, before, at);
      } else if (i == 0) {
        begin(mended, 0, at);
      }
    }
    if (!heard.isEmpty() && at >= 0) {
      end(mended, heard.size() - 1, at);
    }
    return mended;
  }

  /** Where a word stands; words mostly follow one another. */
  private int placeOf(Word word, int guess) {
    if (guess >= 0 && guess < all.size() && all.get(guess).id() == word.id()) {
      return guess;
    }
    int from = 0;
    int to = all.size() - 1;
    while (from <= to) {
      int middle = (from + to) / 2;
      long start = all.get(middle).startUs();
      if (all.get(middle).id() == word.id()) {
        return middle;
      }
      if (start < word.startUs()) {
        from = middle + 1;
      } else if (start > word.startUs()) {
        to = middle - 1;
      } else {
        return sameStart(middle, word);
      }
    }
    return -1;
  }

  private int sameStart(int near, Word word) {
    for (int i = near; i < all.size() && all.get(i).startUs() == word.startUs(); i++) {
      if (all.get(i).id() == word.id()) {
        return i;
      }
    }
    for (int i = near; i >= 0 && all.get(i).startUs() == word.startUs(); i--) {
      if (all.get(i).id() == word.id()) {
        return i;
      }
    }
    return -1;
  }

  /** Words between two that are shown were left out. */
  private void join(List<SpokenWord> mended, int i, int before, int at) {
    SpokenWord last = mended.get(i - 1);
    SpokenWord next = mended.get(i);
    Word leftOut = all.get(at - 1);
    boolean sentenceLost = firstEnd(before + 1, at) >= 0;
    if (last.endsSentence()) {
      begin(mended, i, at);
    } else if (!sentenceLost) {
      if (endsWithComma(last.text()) && endsWithComma(leftOut.text())) {
        mended.set(i - 1, last.shownAs(withoutMark(last.text())));
      }
    } else if (leftOut.endsSentence() && startsSentence(at)) {
      mended.set(i - 1, last.shownAs(withoutMark(last.text()) + mark(leftOut.text())));
    } else if (isCapital(next.text())) {
      mended.set(i - 1, last.shownAs(withoutMark(last.text()) + "."));
    }
  }

  private int firstEnd(int from, int to) {
    for (int i = from; i < to; i++) {
      if (all.get(i).endsSentence()) {
        return i;
      }
    }
    return -1;
  }

  private boolean startsSentence(int at) {
    return at == 0 || all.get(at - 1).endsSentence();
  }

  /** A sentence whose first words were left out begins with what is left. */
  private void begin(List<SpokenWord> mended, int i, int at) {
    int first = at;
    while (first > 0 && !all.get(first - 1).endsSentence() && at - first < 4) {
      first--;
    }
    boolean lostBeginning = first < at && startsSentence(first) && isCapital(all.get(first).text());
    if (lostBeginning) {
      SpokenWord word = mended.get(i);
      mended.set(i, word.shownAs(capital(word.text())));
    }
  }

  /** A comma at the very end of what is shown becomes the mark of its sentence, if words follow. */
  private void end(List<SpokenWord> mended, int i, int at) {
    SpokenWord last = mended.get(i);
    if (at + 1 < all.size() && endsWithComma(last.text())) {
      int end = firstEnd(at + 1, Math.min(all.size(), at + 4));
      if (end >= 0) {
        mended.set(i, last.shownAs(withoutMark(last.text()) + mark(all.get(end).text())));
      }
    }
  }

  private static boolean endsWithComma(String text) {
    return text.endsWith(",") || text.endsWith("\u060c") || text.endsWith("\u3001");
  }

  private static String withoutMark(String text) {
    int end = text.length();
    while (end > 1 && ",;:\u2013\u2014-\u060c\u3001".indexOf(text.charAt(end - 1)) >= 0) {
      end--;
    }
    return text.substring(0, end);
  }

  private static String mark(String text) {
    char last = text.charAt(text.length() - 1);
    return ".?!\u2026".indexOf(last) >= 0 ? String.valueOf(last) : ".";
  }

  private static boolean isCapital(String text) {
    return !text.isEmpty() && Character.isUpperCase(text.codePointAt(0));
  }

  private static String capital(String text) {
    if (text.isEmpty()) {
      return text;
    }
    int first = text.codePointAt(0);
    return Character.toString(Character.toTitleCase(first))
        + text.substring(Character.charCount(first));
  }
}
