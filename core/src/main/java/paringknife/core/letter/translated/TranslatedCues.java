package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.GivenCues;
import paringknife.core.time.Span;

/**
 * Captions of translated sentences: each has the time in which its sentence is said, or was moved
 * from there, and is broken within it as it was by hand or where there is no room; its words share
 * it by how many letters they have.
 */
public final class TranslatedCues {
  /** How long a sentence stays after it has been said, where nobody goes on, microseconds. */
  private static final long LINGERS_US = 400_000;

  /** Shorter nothing stands that was moved. */
  private static final long SHORTEST_US = 300_000;

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
      addTo(given, pair.translated(), new Span(said.startUs(), end), clipEndUs);
    }
    given.sort(Comparator.comparing(Cue::span));
    return new GivenCues(breaking, language).fitted(given);
  }

  /** The captions of a sentence share its time by how many letters they have. */
  private static void addTo(
      List<Cue> given, TranslatedSentence sentence, Span said, long clipEndUs) {
    Span shown = shown(sentence.moved(), said, clipEndUs);
    List<String> captions = sentence.captions();
    double letters = captions.stream().mapToInt(String::length).sum();
    long passed = 0;
    for (String caption : captions) {
      long from = shown.startUs() + Math.round(shown.lengthUs() * (passed / letters));
      passed += caption.length();
      long to = shown.startUs() + Math.round(shown.lengthUs() * (passed / letters));
      given.add(Cue.given(new Span(from, to), caption));
    }
  }

  private static Span shown(TranslatedSentence.@Nullable Moved moved, Span said, long clipEndUs) {
    long end = Math.min(said.endUs(), clipEndUs);
    if (moved == null) {
      return new Span(said.startUs(), end);
    }
    long latest = Math.max(0, clipEndUs - SHORTEST_US);
    long from = Math.max(0, Math.min(latest, said.startUs() + moved.beginsLaterUs()));
    long to = Math.min(clipEndUs, end + moved.endsLaterUs());
    return new Span(from, Math.max(to, Math.min(clipEndUs, from + SHORTEST_US)));
  }
}
