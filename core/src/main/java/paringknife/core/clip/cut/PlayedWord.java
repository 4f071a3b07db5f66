package paringknife.core.clip.cut;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * A word as far as a clip plays it.
 *
 * @param span when it is heard, on the clip's clock
 * @param kept the kept span it is heard in, by index
 */
public record PlayedWord(Word word, Span span, int kept) {

  /** All of them in playing order; a word whose middle is cut is not heard. */
  public static List<PlayedWord> of(CutList cuts, Transcript transcript) {
    List<PlayedWord> heard = new ArrayList<>();
    long[] starts = cuts.startsUs();
    for (int i = 0; i < starts.length; i++) {
      Span kept = cuts.kept().get(i);
      long played = starts[i];
      int at = transcript.firstEndingAfter(kept.startUs());
      for (; at < transcript.words().size(); at++) {
        Word word = transcript.words().get(at);
        if (word.startUs() >= kept.endUs()) {
          break;
        }
        if (kept.contains(word.span().middleUs())) {
          long start = Math.max(word.startUs(), kept.startUs()) - kept.startUs() + played;
          long end = Math.min(word.endUs(), kept.endUs()) - kept.startUs() + played;
          heard.add(new PlayedWord(word, new Span(start, end), i));
        }
      }
    }
    return heard;
  }
}
