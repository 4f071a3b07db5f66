package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;

/**
 * Where a text and the sound do not say the same.
 *
 * @param unheard stretches of the text that were not heard, by identity of their words
 * @param untold stretches of sound in which something is said that the text does not have
 */
public record Misfits(List<Stretch> unheard, List<Span> untold) {
  public static final Misfits NONE = new Misfits(List.of(), List.of());

  /** Words of a text that were not heard, by identity; both ends included. */
  public record Stretch(long firstWord, long lastWord) {}

  public Misfits {
    unheard = List.copyOf(unheard);
    untold = List.copyOf(untold);
  }

  /** What laying a text onto its sound showed. */
  public static Misfits of(TextOnSound laid) {
    List<Word> words = laid.transcript().words();
    return new Misfits(
        laid.unmatched().stream()
            .map(p -> new Stretch(words.get(p.from()).id(), words.get(p.to() - 1).id()))
            .toList(),
        laid.untold());
  }

  public boolean isEmpty() {
    return unheard.isEmpty() && untold.isEmpty();
  }

  /**
   * What is left of them in a transcript that has been corrected since: a stretch goes once all its
   * words were looked at or are gone, an untold one once words were typed into it.
   */
  public Misfits left(Transcript transcript) {
    List<Stretch> stillUnheard = new ArrayList<>();
    for (Stretch stretch : unheard) {
      int first = transcript.indexOf(stretch.firstWord());
      int last = transcript.indexOf(stretch.lastWord());
      if (first >= 0
          && last >= first
          && transcript.words().subList(first, last + 1).stream().anyMatch(w -> !w.isLookedAt())) {
        stillUnheard.add(stretch);
      }
    }
    return new Misfits(
        stillUnheard,
        untold.stream()
            .filter(span -> transcript.within(span).stream().noneMatch(Word::isLookedAt))
            .toList());
  }
}
