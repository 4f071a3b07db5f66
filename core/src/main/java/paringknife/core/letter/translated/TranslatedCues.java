package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.GivenCues;
import paringknife.core.time.Span;

/**
 * Captions of translated sentences: each has the time in which its sentence is said, and is broken
 * within it; its words share it by how many letters they have.
 */
public final class TranslatedCues {
  /** How long a sentence stays after it has been said, where nobody goes on, microseconds. */
  private static final long LINGERS_US = 400_000;

  private final Breaking breaking;
  private final String language;

  public TranslatedCues(Breaking breaking, String language) {
    this.breaking = breaking;
    this.language = language;
  }

  /** Captions of those pairs that have a translation, in playing order. */
  public List<Cue> of(List<SentencePair> pairs, long clipEndUs) {
    List<Cue> given = new ArrayList<>();
    for (int i = 0; i < pairs.size(); i++) {
      SentencePair pair = pairs.get(i);
      if (!pair.shows()) {
        continue;
      }
      Span said = pair.said().span();
      long next = i + 1 < pairs.size() ? pairs.get(i + 1).said().span().startUs() : clipEndUs;
      long end = Math.max(said.endUs(), Math.min(next, said.endUs() + LINGERS_US));
      given.add(Cue.given(new Span(said.startUs(), Math.min(end, clipEndUs)), pair.text()));
    }
    return new GivenCues(breaking, language).fitted(given);
  }
}
