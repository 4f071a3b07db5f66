package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.Columns;

/**
 * Captions that came with a film, for a lettering: those that have room in it stay as they are, the
 * others are broken anew within their own times.
 */
public final class GivenCues {
  private final Breaking breaking;
  private final String language;

  public GivenCues(Breaking breaking, String language) {
    this.breaking = breaking;
    this.language = language;
  }

  /** Captions in order, none over another. */
  public List<Cue> fitted(List<Cue> given) {
    List<Cue> fitted = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      Cue cue = given.get(i);
      long end = i + 1 < given.size() ? given.get(i + 1).span().startUs() : Long.MAX_VALUE;
      if (cue.lines().isEmpty() || end <= cue.span().startUs()) {
        continue;
      }
      Span span = new Span(cue.span().startUs(), Math.min(end, cue.span().endUs()));
      if (hasRoom(cue)) {
        fitted.add(new Cue(span, cue.lines(), cue.place(), cue.isAdded()));
      } else {
        fitted.addAll(broken(cue, span));
      }
    }
    return fitted;
  }

  private boolean hasRoom(Cue cue) {
    return cue.words().size() <= breaking.words()
        && cue.lines().size() <= breaking.lines()
        && cue.text().lines().allMatch(l -> Columns.of(l) <= breaking.characters());
  }

  private List<Cue> broken(Cue cue, Span span) {
    List<Word> words =
        cue.words().stream()
            .filter(w -> w.span().startUs() < span.endUs())
            .map(
                w ->
                    new Word(
                        w.wordId(),
                        w.text(),
                        w.span().startUs(),
                        Math.min(span.endUs(), w.span().endUs()),
                        0,
                        1))
            .toList();
    Transcript said = new Transcript(language, List.of(""), words);
    long startUs = span.startUs();
    List<Cue> cues = new CueBreaker(breaking).cues(new CutList(List.of(span), List.of()), said);
    List<Cue> placed = new ArrayList<>();
    for (Cue part : cues) {
      placed.add(
          new Cue(
              moved(part.span(), startUs),
              part.lines().stream()
                  .map(
                      line ->
                          line.stream()
                              .map(w -> new CueWord(w.text(), moved(w.span(), startUs), w.wordId()))
                              .toList())
                  .toList()));
    }
    return placed;
  }

  private static Span moved(Span span, long byUs) {
    return new Span(span.startUs() + byUs, span.endUs() + byUs);
  }
}
