package paringknife.server.clips;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueFault;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.time.Span;

/**
 * A caption as the browser shows it.
 *
 * @param span when it shows, on the clip's own clock at speed 1
 * @param played when it shows as the clip plays
 * @param charactersPerSecond how fast it is to read as the clip plays
 * @param faults what may be wrong with it
 * @param added whether it stands where nobody speaks
 * @param beginsLaterUs how much later than its first word it has been set to begin
 * @param endsLaterUs how much later than its last word it ends, set or not
 * @param setByHand what of it a producer has changed
 */
record ShownCue(
    Span span,
    Span played,
    List<List<CueWord>> lines,
    double charactersPerSecond,
    Set<CueFault> faults,
    boolean added,
    long beginsLaterUs,
    long endsLaterUs,
    Set<CaptionEdit.Subject> setByHand) {

  static List<ShownCue> all(List<Cue> cues, double speed, Lettered lettered) {
    Map<Long, Set<CaptionEdit.Subject>> edited = new HashMap<>();
    for (CaptionEdit edit : lettered.editsOf(Lettered.SPOKEN)) {
      edited
          .computeIfAbsent(edit.wordId(), id -> EnumSet.noneOf(CaptionEdit.Subject.class))
          .add(edit.subject());
    }
    Breaking breaking = lettered.asSet().breaking();
    List<ShownCue> shown = new ArrayList<>();
    for (Cue cue : cues) {
      shown.add(of(cue, cue.played(speed), breaking, edited));
    }
    return shown;
  }

  private static ShownCue of(
      Cue cue, Cue played, Breaking breaking, Map<Long, Set<CaptionEdit.Subject>> edited) {
    List<CueWord> words = cue.words();
    CueWord last = words.get(words.size() - 1);
    Set<CaptionEdit.Subject> byHand = EnumSet.noneOf(CaptionEdit.Subject.class);
    if (cue.isAdded()) {
      byHand.add(CaptionEdit.Subject.ADDED);
    } else {
      words.forEach(w -> byHand.addAll(edited.getOrDefault(w.wordId(), Set.of())));
      byHand.remove(CaptionEdit.Subject.ADDED);
    }
    return new ShownCue(
        cue.span(),
        played.span(),
        cue.lines(),
        played.charactersPerSecond(),
        CueFault.of(played, breaking),
        cue.isAdded(),
        cue.span().startUs() - words.get(0).span().startUs(),
        cue.span().endUs() - last.span().endUs(),
        byHand);
  }
}
