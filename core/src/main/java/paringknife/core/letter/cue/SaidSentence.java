package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.writing.Spacing;

/**
 * A sentence as far as a clip keeps it.
 *
 * @param first identity of the first word of it that is heard
 * @param last identity of the last
 * @param text as captions would show it, on one line
 * @param span when it is heard, on the clip's clock
 * @param speaker who says it, by index
 */
public record SaidSentence(long first, long last, String text, Span span, int speaker) {
  /** Speech whose marks are missing is parted where it has gone on for so many words. */
  private static final int MOST_WORDS = 40;

  /**
   * The sentences of a clip in playing order. Besides at their marks they end where somebody else
   * speaks and at seams.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   */
  public static List<SaidSentence> of(CutList cuts, Transcript transcript, List<Span> uncaptioned) {
    List<SpokenWord> words = ClipWords.shown(cuts, transcript, uncaptioned);
    List<SaidSentence> sentences = new ArrayList<>();
    int from = 0;
    for (int i = 0; i < words.size(); i++) {
      if (i + 1 == words.size()
          || i + 1 - from == MOST_WORDS
          || endsAt(words.get(i), words.get(i + 1))) {
        sentences.add(of(words.subList(from, i + 1)));
        from = i + 1;
      }
    }
    return sentences;
  }

  private static boolean endsAt(SpokenWord here, SpokenWord next) {
    return here.endsSentence()
        || here.seamUs() != next.seamUs()
        || here.word().speaker() != next.word().speaker();
  }

  private static SaidSentence of(List<SpokenWord> words) {
    SpokenWord first = words.get(0);
    SpokenWord last = words.get(words.size() - 1);
    return new SaidSentence(
        first.word().id(),
        last.word().id(),
        Spacing.joined(words.stream().map(SpokenWord::text).toList()),
        new Span(first.span().startUs(), last.span().endUs()),
        first.word().speaker());
  }
}
