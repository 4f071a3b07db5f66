package paringknife.core.letter;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in one language.
 *
 * @param language BCP 47 tag; {@link Lettered#SPOKEN} for what is said
 * @param cues by the clip's own time at speed 1
 * @param lettering what they are set in
 */
public record CaptionTrack(String language, List<Cue> cues, Lettering lettering) {

  /**
   * The captions of what is said.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   */
  public static CaptionTrack spoken(
      Lettered lettered, CutList cuts, List<Span> uncaptioned, Transcript transcript) {
    Lettering lettering = Letterings.byId(lettered.lettering());
    List<Cue> cues =
        new CueBreaker(lettering.limits())
            .cues(cuts, transcript, uncaptioned, lettered.editsOf(Lettered.SPOKEN));
    return new CaptionTrack(Lettered.SPOKEN, cues, lettering);
  }

  /** The drawing instructions (ASS v4+) that preview and export follow. */
  public String ass(Canvas canvas) {
    return new AssScript(lettering, canvas).write(cues);
  }
}
