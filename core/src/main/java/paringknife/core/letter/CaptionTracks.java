package paringknife.core.letter;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Beside;
import paringknife.core.letter.drawn.Besides;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.TwoLanguages;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in all its languages.
 *
 * @param translated in order of their tags
 */
public record CaptionTracks(CaptionTrack spoken, List<CaptionTrack> translated) {
  /** Most languages in one picture. */
  public static final int MOST_BURNT = 2;

  public CaptionTracks {
    translated = List.copyOf(translated);
  }

  /**
   * Works all of them out.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   */
  public static CaptionTracks of(
      Lettered lettered, CutList cuts, List<Span> uncaptioned, Transcript transcript) {
    CaptionTrack spoken = CaptionTrack.spoken(lettered, cuts, uncaptioned, transcript);
    if (lettered.translations().isEmpty()) {
      return new CaptionTracks(spoken, List.of());
    }
    List<SaidSentence> said = SaidSentence.of(cuts, transcript, uncaptioned);
    return new CaptionTracks(
        spoken,
        lettered.translations().keySet().stream()
            .sorted()
            .map(
                language ->
                    CaptionTrack.translated(lettered, language, said, transcript, cuts.lengthUs()))
            .toList());
  }

  /** All of them, what is spoken first. */
  public List<CaptionTrack> all() {
    List<CaptionTrack> all = new ArrayList<>(List.of(spoken));
    all.addAll(translated);
    return all;
  }

  /**
   * The same, going elsewhere.
   *
   * @param asked where what is said goes; other languages go there as far as the clip has them
   *     there, or beside; null as the clip says
   */
  public CaptionTracks usedAs(@Nullable CaptionUse asked) {
    if (asked == null) {
      return this;
    }
    return new CaptionTracks(
        spoken.with(asked),
        translated.stream()
            .map(
                t ->
                    t.with(
                        CaptionUse.of(
                            asked.isBurnt() && t.use().isBurnt(),
                            asked.isBeside() && t.use() != CaptionUse.NONE)))
            .toList());
  }

  /**
   * The captions in a language.
   *
   * @throws IllegalArgumentException when the clip has none in it
   */
  public CaptionTrack in(String language) {
    return translated.stream()
        .filter(t -> t.language().equals(language))
        .findFirst()
        .orElseThrow(
            () -> new IllegalArgumentException("This clip has no captions in that language."));
  }

  /**
   * What goes into the picture, as drawing instructions (ASS v4+); empty where nothing does.
   *
   * @param obstacles to keep clear of
   * @param besides what stands there besides captions
   */
  public String burnt(Canvas canvas, Obstacles obstacles, List<Beside> besides) {
    return script(burntParts(canvas, obstacles), canvas, obstacles, besides);
  }

  /** The same with what is spoken where no captions go into the picture. */
  public String shown(Canvas canvas, Obstacles obstacles, List<Beside> besides) {
    List<AssScript.Part> burnt = burntParts(canvas, obstacles);
    List<AssScript.Part> shown = burnt.isEmpty() ? List.of(spoken.part(canvas, obstacles)) : burnt;
    return script(shown, canvas, obstacles, besides);
  }

  private static String script(
      List<AssScript.Part> captions, Canvas canvas, Obstacles obstacles, List<Beside> besides) {
    List<AssScript.Part> parts = new Besides(canvas).with(captions, besides, obstacles);
    return parts.isEmpty() ? "" : AssScript.write(canvas, parts);
  }

  private List<AssScript.Part> burntParts(Canvas canvas, Obstacles obstacles) {
    List<CaptionTrack> burnt =
        all().stream().filter(t -> t.use().isBurnt()).limit(MOST_BURNT).toList();
    if (burnt.isEmpty()) {
      return List.of();
    }
    return burnt.size() == 1 || burnt.get(1).cues().isEmpty()
        ? List.of(burnt.get(0).part(canvas, obstacles))
        : new TwoLanguages(canvas, burnt.get(0).part(), burnt.get(1).part()).parts(obstacles);
  }
}
