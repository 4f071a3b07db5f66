package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;

/**
 * Puts another text of the same recording in the place of a transcript: a word that both have keeps
 * its identity, so what was done with it (in captions, in paragraphs) stays with it. Clips refer to
 * times, so none of their cuts moves.
 */
public final class CarriedOver {
  private CarriedOver() {}

  /**
   * The new text with the identities of the old one; speakers of the old one go along where the new
   * one names none.
   */
  public static Transcript onto(Transcript old, Transcript fresh) {
    int[] match = TokenAlignment.match(tokens(fresh), tokens(old));
    boolean nameless = fresh.speakers().isEmpty();
    List<Word> words = new ArrayList<>();
    long nextId = old.nextWordId();
    int speaker = old.words().isEmpty() ? -1 : old.words().get(0).speaker();
    for (int i = 0; i < match.length; i++) {
      Word word = fresh.words().get(i);
      long id = match[i] >= 0 ? old.words().get(match[i]).id() : nextId++;
      speaker = match[i] >= 0 ? old.words().get(match[i]).speaker() : speaker;
      words.add(
          new Word(
              id,
              word.text(),
              word.startUs(),
              word.endUs(),
              nameless ? speaker : word.speaker(),
              word.confidence()));
    }
    return new Transcript(
        fresh.language(),
        nameless ? old.speakers() : fresh.speakers(),
        words,
        old.paragraphChoices());
  }

  /**
   * A text without times laid onto the words of the old one, as a start until it is timed against
   * the sound.
   *
   * @param durationUs length of the recording
   */
  public static Transcript untimed(Transcript old, Transcript text, long durationUs) {
    List<HeardWord> heard =
        old.words().stream()
            .map(w -> new HeardWord(w.bare(), w.startUs(), w.endUs(), w.confidence()))
            .toList();
    return onto(old, TextOnSound.lay(text, heard, durationUs).transcript());
  }

  private static List<String> tokens(Transcript transcript) {
    return transcript.words().stream().map(Word::bare).toList();
  }
}
