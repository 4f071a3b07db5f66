package paringknife.core.deliver;

import java.util.List;
import paringknife.core.letter.AssScript;
import paringknife.core.letter.Cue;
import paringknife.core.letter.CueBreaker;
import paringknife.core.letter.Lettering;
import paringknife.core.letter.Letterings;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.CutList;
import paringknife.core.pare.Removal;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in its lettering, laid out for one delivery spec.
 *
 * @param cues by the clip's own time at speed 1
 * @param ass the same as the drawing instructions (ASS v4+) that preview and export follow
 */
public record CaptionTrack(List<Cue> cues, String ass) {

  public static CaptionTrack of(
      ClipDocument clip, CutList cuts, Transcript transcript, DeliverySpec spec) {
    Lettering lettering = Letterings.byId(clip.settings().lettering());
    List<Span> uncaptioned =
        clip.removals().stream().filter(r -> r.means().uncaptions()).map(Removal::span).toList();
    List<Cue> cues = new CueBreaker(lettering.limits()).cues(cuts, transcript, uncaptioned);
    return new CaptionTrack(cues, new AssScript(lettering, spec).write(cues));
  }
}
