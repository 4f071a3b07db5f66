package paringknife.core.letter;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.ClearPlace;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.translated.SentencePair;
import paringknife.core.letter.translated.TranslatedCues;
import paringknife.core.letter.translated.Translation;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in one language.
 *
 * @param language BCP 47 tag; {@link Lettered#SPOKEN} for what is said
 * @param cues by the clip's own time at speed 1
 * @param lettering what they are set in
 * @param use where they go
 * @param open how many sentences have no caption yet, or one of what was said before
 */
public record CaptionTrack(
    String language, List<Cue> cues, Lettering lettering, CaptionUse use, int open) {

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
    return new CaptionTrack(Lettered.SPOKEN, cues, lettering, lettered.used(), 0);
  }

  /**
   * The captions in another language; nothing marks in them which word is heard.
   *
   * @param said what there is to translate
   */
  static CaptionTrack translated(
      Lettered lettered,
      String language,
      List<SaidSentence> said,
      Transcript transcript,
      long clipEndUs) {
    Lettering set = lettered.asSet();
    Translation translation = lettered.translation(language);
    List<SentencePair> pairs = SentencePair.pair(said, translation.sentences(), transcript).pairs();
    Lettering lettering =
        new Lettering(
            set.id(), set.name(), set.style().withMark(new SpokenMark.Unmarked()), set.breaking());
    return new CaptionTrack(
        language,
        new TranslatedCues(set.breaking(), language).of(pairs, clipEndUs),
        lettering,
        translation.use(),
        (int) pairs.stream().filter(p -> !p.shows() || p.isChanged()).count());
  }

  /** The drawing instructions (ASS v4+) that preview and export follow. */
  public String ass(Canvas canvas, Obstacles obstacles) {
    return AssScript.write(canvas, List.of(part(canvas, obstacles)));
  }

  CaptionTrack with(CaptionUse changed) {
    return new CaptionTrack(language, cues, lettering, changed, open);
  }

  AssScript.Part part() {
    return new AssScript.Part(lettering.style(), cues);
  }

  /** Where it stands, clear of obstacles as far as that goes. */
  AssScript.Part part(Canvas canvas, Obstacles obstacles) {
    return AssScript.clearOf(obstacles, lettering.style(), canvas, cues);
  }

  /** Where captions stand that have no place of their own. */
  public Place place(Canvas canvas, Obstacles obstacles) {
    return new ClearPlace(lettering.style(), canvas, cues).among(obstacles);
  }
}
