package paringknife.core.clip;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.Removal;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.FalseStarts;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerFinder;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/** What of a clip is heard and gets no caption: by hand, and by what is left out of all. */
final class Uncaptioned {
  private Uncaptioned() {}

  static List<Span> of(ClipDocument clip, Transcript transcript) {
    List<Span> spans = new ArrayList<>();
    for (Removal removal : clip.pared().removals()) {
      if (removal.means().uncaptions()) {
        spans.add(removal.span());
      }
    }
    Lettered.LeftOut leftOut = clip.lettered().leavesOut();
    if (leftOut != null && leftOut.fillers()) {
      for (Filler filler : FillerFinder.of(transcript).find(transcript)) {
        for (int i = filler.first(); i <= filler.last(); i++) {
          spans.add(transcript.words().get(i).span());
        }
      }
    }
    if (leftOut != null && leftOut.falseStarts()) {
      spans.addAll(FalseStarts.find(transcript));
    }
    return spans;
  }
}
