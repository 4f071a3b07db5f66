package paringknife.core.letter.cue;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.clip.cut.PlayedWord;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * The words that are heard in a clip, in playing order, with the seams between them: cuts that
 * leave out words for as long as a silence, or join what was said in another order. A pared pause
 * or filler is no seam.
 */
final class ClipWords {
  /** What parts captions, microseconds. */
  static final long SILENCE_US = 900_000;

  private ClipWords() {}

  static List<SpokenWord> of(CutList cuts, Transcript transcript) {
    long[] seams = seamsUs(cuts, transcript);
    return PlayedWord.of(cuts, transcript).stream()
        .map(h -> new SpokenWord(h.word(), h.span(), seams[h.kept()]))
        .toList();
  }

  /** Those of them that captions show, with what is left over where words went mended. */
  static List<SpokenWord> shown(CutList cuts, Transcript transcript, List<Span> uncaptioned) {
    List<SpokenWord> shown = of(cuts, transcript);
    if (!uncaptioned.isEmpty()) {
      KeptIndex without =
          new CutList(uncaptioned.stream().sorted().distinct().toList(), List.of()).index();
      shown =
          shown.stream().filter(h -> without.toClip(h.word().span().middleUs()).isEmpty()).toList();
    }
    return new MendedMarks(transcript).mend(shown);
  }

  /** For each kept span, where on the clip's clock the next seam is, or the clip's end. */
  private static long[] seamsUs(CutList cuts, Transcript transcript) {
    List<Span> kept = cuts.kept();
    long[] starts = cuts.startsUs();
    long[] seams = new long[kept.size()];
    for (int i = kept.size() - 1; i >= 0; i--) {
      if (i == kept.size() - 1) {
        seams[i] = cuts.lengthUs();
      } else if (isSeam(kept.get(i).endUs(), kept.get(i + 1).startUs(), transcript)) {
        seams[i] = starts[i] + kept.get(i).lengthUs();
      } else {
        seams[i] = seams[i + 1];
      }
    }
    return seams;
  }

  private static boolean isSeam(long outUs, long inUs, Transcript transcript) {
    if (inUs < outUs) {
      return true;
    }
    if (inUs - outUs < SILENCE_US) {
      return false;
    }
    List<Word> words = transcript.words();
    for (int at = transcript.firstEndingAfter(outUs);
        at < words.size() && words.get(at).startUs() < inUs;
        at++) {
      long middle = words.get(at).span().middleUs();
      if (middle >= outUs && middle < inUs) {
        return true;
      }
    }
    return false;
  }
}
