package paringknife.core.proof;

import java.util.List;
import paringknife.core.clip.Playback;
import paringknife.core.clip.cut.PlayedWord;
import paringknife.core.transcript.Transcript;

/**
 * A word of a finished file.
 *
 * @param fromUs when it begins, by the file's own time, microseconds
 * @param toUs when it ends, likewise
 * @param sourceUs when it begins on the episode's clock: what a remark stays with when the clip is
 *     pared or put in another order
 * @param speaker by index
 */
public record ProofWord(String text, long fromUs, long toUs, long sourceUs, int speaker) {

  /** All that is said in a file, in playing order. */
  public static List<ProofWord> of(Playback playback, Transcript transcript) {
    double speed = playback.speed();
    return PlayedWord.of(playback.cuts(), transcript).stream()
        .map(
            h ->
                new ProofWord(
                    h.word().text(),
                    Math.round(h.span().startUs() / speed),
                    Math.round(h.span().endUs() / speed),
                    h.word().startUs(),
                    h.word().speaker()))
        .toList();
  }

  /**
   * The word that is heard at a time, or the last before it.
   *
   * @param words not empty
   * @param atUs by the file's own time
   */
  public static ProofWord at(List<ProofWord> words, long atUs) {
    ProofWord found = words.get(0);
    for (ProofWord word : words) {
      if (word.fromUs() <= atUs) {
        found = word;
      }
    }
    return found;
  }

  boolean isSaidAs(ProofWord other) {
    return sourceUs == other.sourceUs && text.equals(other.text);
  }
}
