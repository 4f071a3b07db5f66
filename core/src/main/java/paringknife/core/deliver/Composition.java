package paringknife.core.deliver;

import java.util.List;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.FramePlanner;
import paringknife.core.letter.Cue;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * A clip worked out for one delivery spec: what plays, under which captions. Preview and export are
 * both made from its parts, so they are the same.
 */
public record Composition(Playback playback, CaptionTrack captions, DeliverySpec spec) {

  public static Composition of(
      ClipDocument clip,
      Transcript transcript,
      FramePlanner planner,
      SoundPlanner sound,
      FrameRate rate,
      DeliverySpec spec) {
    Playback playback = Playback.of(clip, transcript, planner, sound, rate, spec.shape());
    return new Composition(
        playback, CaptionTrack.of(clip, playback.cuts(), transcript, spec), spec);
  }

  /** The checks of the delivery sheet for this composition. */
  public List<Check> preflight() {
    double height =
        playback.windows().isEmpty() ? spec.height() : playback.windows().get(0).height();
    List<Cue> shown =
        captions.cues().stream().map(c -> new Cue(played(c.span()), c.lines())).toList();
    return new Preflight(spec).check(playback.lengthUs(), shown, height);
  }

  /** The captions as subtitle files carry them. */
  public List<TimedText> subtitles() {
    return captions.cues().stream().map(c -> new TimedText(played(c.span()), c.text())).toList();
  }

  private Span played(Span span) {
    return new Span(
        Math.round(span.startUs() / playback.speed()), Math.round(span.endUs() / playback.speed()));
  }
}
