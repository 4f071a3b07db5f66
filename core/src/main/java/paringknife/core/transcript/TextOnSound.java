package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;

/**
 * Lays a text that is known to be right onto what a recogniser heard: words heard alike take their
 * times, the words between them share the time between by their syllables. Stretches that do not
 * match are told, not smeared over.
 *
 * @param transcript the text with its times; the confidence of a word in a stretch that does not
 *     match is {@value #UNMATCHED}
 * @param matched share of the words that were heard alike, 0 to 1
 * @param unmatched stretches of at least {@value #LONG_STRETCH} words of the text that were not
 *     heard
 * @param untold stretches of sound in which at least {@value #LONG_STRETCH} words were heard that
 *     the text does not have
 */
public record TextOnSound(
    Transcript transcript, double matched, List<Passage> unmatched, List<Span> untold) {
  private static final double UNMATCHED = 0.3;
  private static final double MATCHED = 0.95;
  private static final int LONG_STRETCH = 3;
  private static final long LONGEST_SYLLABLE_US = 350_000;

  /**
   * Lays the words of a transcript onto what was heard; texts, speakers and identities stay.
   *
   * @param durationUs length of the sound
   */
  public static TextOnSound lay(Transcript text, List<HeardWord> heard, long durationUs) {
    List<Word> words = text.words();
    int[] match =
        TokenAlignment.match(
            words.stream().map(Word::bare).toList(), heard.stream().map(HeardWord::token).toList());
    List<Word> timed = new ArrayList<>();
    List<Passage> unmatched = new ArrayList<>();
    int found = 0;
    for (int i = 0; i < words.size(); ) {
      if (match[i] >= 0) {
        HeardWord same = heard.get(match[i]);
        timed.add(at(words.get(i), same.startUs(), same.endUs(), MATCHED));
        found++;
        i++;
        continue;
      }
      int end = i;
      while (end < words.size() && match[end] < 0) {
        end++;
      }
      int heardFrom = i == 0 ? 0 : match[i - 1] + 1;
      int heardTo = end == words.size() ? heard.size() : match[end];
      long from = i == 0 ? 0 : heard.get(match[i - 1]).endUs();
      long to = end == words.size() ? durationUs : heard.get(match[end]).startUs();
      boolean wrong = end - i >= LONG_STRETCH;
      double confidence = wrong ? UNMATCHED : 0.8;
      if (heardTo > heardFrom) {
        Span other = new Span(heard.get(heardFrom).startUs(), heard.get(heardTo - 1).endUs());
        share(words.subList(i, end), other.startUs(), other.endUs(), false, confidence, timed);
      } else {
        int next = firstOfNextSentence(words, i, end);
        long middle = from + (Math.max(from, to) - from) / 2;
        share(
            words.subList(i, next),
            from,
            next == end ? Math.max(from, to) : middle,
            false,
            confidence,
            timed);
        share(
            words.subList(next, end),
            next == i ? from : middle,
            Math.max(from, to),
            true,
            confidence,
            timed);
      }
      if (wrong) {
        unmatched.add(new Passage(i, end, words.get(i).speaker()));
      }
      i = end;
    }
    return new TextOnSound(
        new Transcript(text.language(), text.speakers(), timed, text.paragraphChoices()),
        words.isEmpty() ? 0 : found / (double) words.size(),
        unmatched,
        untold(match, heard));
  }

  private static Word at(Word word, long startUs, long endUs, double confidence) {
    return new Word(
        word.id(), word.text(), startUs, Math.max(startUs, endUs), word.speaker(), confidence);
  }

  /** Where a sentence begins in a run of words; its end when none does. */
  private static int firstOfNextSentence(List<Word> words, int from, int end) {
    for (int i = from; i < end; i++) {
      if (i == 0 || words.get(i - 1).endsSentence()) {
        return i;
      }
    }
    return end;
  }

  /** Words that were not heard lie close to one another, beside the words they belong to. */
  private static void share(
      List<Word> words,
      long from,
      long to,
      boolean beforeNext,
      double confidence,
      List<Word> timed) {
    if (words.isEmpty()) {
      return;
    }
    long syllables = words.stream().mapToLong(w -> Syllables.of(w.text())).sum();
    long length = Math.min(to - from, syllables * LONGEST_SYLLABLE_US);
    long start = beforeNext ? to - length : from;
    long passed = 0;
    long at = start;
    for (Word word : words) {
      passed += Syllables.of(word.text());
      long end = start + length * passed / syllables;
      timed.add(at(word, at, end, confidence));
      at = end;
    }
  }

  private static List<Span> untold(int[] match, List<HeardWord> heard) {
    boolean[] told = new boolean[heard.size()];
    for (int m : match) {
      if (m >= 0) {
        told[m] = true;
      }
    }
    List<Span> untold = new ArrayList<>();
    for (int i = 0; i < told.length; ) {
      int end = i;
      while (end < told.length && !told[end]) {
        end++;
      }
      if (end - i >= LONG_STRETCH) {
        untold.add(new Span(heard.get(i).startUs(), heard.get(end - 1).endUs()));
      }
      i = Math.max(i + 1, end);
    }
    return untold;
  }
}
