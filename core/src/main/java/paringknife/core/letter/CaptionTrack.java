package paringknife.core.letter;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.ShownFace;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.ClearPlace;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.style.Place;
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

  /**
   * What goes into the picture, as drawing instructions (ASS v4+); empty where nothing does.
   *
   * @param faces to keep clear of
   */
  public String burnt(Canvas canvas, List<ShownFace> faces) {
    return use.isBurnt() ? ass(canvas, faces) : "";
  }

  /** The drawing instructions (ASS v4+) that preview and export follow. */
  public String ass(Canvas canvas, List<ShownFace> faces) {
    return AssScript.clearOf(faces, lettering.style(), canvas, cues).write(cues);
  }

  /** Where captions stand that have no place of their own. */
  public Place place(Canvas canvas, List<ShownFace> faces) {
    return new ClearPlace(lettering.style(), canvas, cues).among(faces);
  }
}
