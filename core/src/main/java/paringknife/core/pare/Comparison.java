package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Two states of a clip side by side.
 *
 * @param words those in the stretches of either, in order of time, with where they are heard
 */
public record Comparison(long firstLengthUs, long secondLengthUs, List<ComparedWord> words) {
  /** A word, and in which of the two it is heard. */
  public record ComparedWord(int index, String text, boolean inFirst, boolean inSecond) {}

  public static Comparison of(Pared first, Pared second, Transcript transcript) {
    CutList a = first.cuts(transcript);
    CutList b = second.cuts(transcript);
    KeptIndex inA = a.index();
    KeptIndex inB = b.index();
    long from = start(first, second);
    long to = end(first, second);
    List<ComparedWord> words = new ArrayList<>();
    for (int i = transcript.firstEndingAfter(from); i < transcript.words().size(); i++) {
      Word word = transcript.words().get(i);
      if (word.startUs() >= to) {
        break;
      }
      if (!holds(first, word) && !holds(second, word)) {
        continue;
      }
      boolean keptA = inA.toClip(word.span().middleUs()).isPresent() && !isSilenced(first, word);
      boolean keptB = inB.toClip(word.span().middleUs()).isPresent() && !isSilenced(second, word);
      words.add(new ComparedWord(i, word.text(), keptA, keptB));
    }
    return new Comparison(
        Math.round(a.lengthUs() / first.speed()), Math.round(b.lengthUs() / second.speed()), words);
  }

  private static boolean isSilenced(Pared clip, Word word) {
    return clip.removals().stream()
        .anyMatch(r -> r.means().silences() && r.span().contains(word.span().middleUs()));
  }

  private static boolean holds(Pared clip, Word word) {
    return clip.stretches().stream().anyMatch(s -> s.contains(word.span().middleUs()));
  }

  private static long start(Pared a, Pared b) {
    return Math.min(start(a), start(b));
  }

  private static long start(Pared clip) {
    return clip.stretches().stream().mapToLong(Span::startUs).min().orElse(0);
  }

  private static long end(Pared a, Pared b) {
    return Math.max(end(a), end(b));
  }

  private static long end(Pared clip) {
    return clip.stretches().stream().mapToLong(Span::endUs).max().orElse(0);
  }
}
