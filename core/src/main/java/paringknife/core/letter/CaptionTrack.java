package paringknife.core.letter;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in one language.
 *
 * @param language BCP 47 tag; {@link Lettered#SPOKEN} for what is said
 * @param cues by the clip's own time at speed 1
 * @param lettering what they are set in
 * @param use where they go
 */
public record CaptionTrack(String language, List<Cue> cues, Lettering lettering, CaptionUse use) {

  /**
   * The captions of what is said.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   */
  public static CaptionTrack spoken(
      Lettered lettered, CutList cuts, List<Span> uncaptioned, Transcript transcript) {
    Lettering lettering = lettered.asSet();
    List<Cue> cues =
        new CueBreaker(lettering.breaking())
            .cues(cuts, transcript, uncaptioned, lettered.editsOf(Lettered.SPOKEN));
    return new CaptionTrack(Lettered.SPOKEN, cues, lettering, lettered.used());
  }

  /** What goes into the picture, as drawing instructions; empty where nothing does. */
  public String burnt(Canvas canvas) {
    return use.isBurnt() ? ass(canvas) : "";
  }

  /** The drawing instructions (ASS v4+) that preview and export follow. */
  public String ass(Canvas canvas) {
    return new AssScript(lettering.style(), canvas).write(cues);
  }
}
