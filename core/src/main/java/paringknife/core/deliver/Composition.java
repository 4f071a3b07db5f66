package paringknife.core.deliver;

import java.util.List;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.FramePlanner;
import paringknife.core.frame.HeldWindow;
import paringknife.core.frame.WindowRun;
import paringknife.core.letter.AssScript;
import paringknife.core.letter.Cue;
import paringknife.core.letter.CueBreaker;
import paringknife.core.letter.Lettering;
import paringknife.core.letter.Letterings;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.CutList;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.PictureRun;
import paringknife.core.pare.Removal;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * A clip worked out for one delivery spec: which sound and pictures play, through which windows,
 * under which captions. Preview and export are both made from it, so they are the same.
 *
 * @param sound what it sounds like, at speed 1
 * @param cleanup what is done to the voice first
 * @param speed how fast all of it plays; the times of the other parts are those at speed 1
 */
public record Composition(
    CutList cuts,
    SoundPlan sound,
    Cleanup cleanup,
    List<PictureRun> runs,
    List<HeldWindow> windows,
    List<WindowRun> windowRuns,
    List<Cue> cues,
    String ass,
    DeliverySpec spec,
    double speed) {

  public static Composition of(
      ClipDocument clip,
      Transcript transcript,
      FramePlanner planner,
      SoundPlanner sound,
      FrameRate rate,
      DeliverySpec spec) {
    CutList cuts = CutList.of(clip, transcript);
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    List<HeldWindow> windows = planner.plan(clip, cuts, spec.shape());
    Lettering lettering = Letterings.byId(clip.settings().lettering());
    List<Span> uncaptioned = clip.removals().stream().filter(r -> r.means().uncaptions()).map(Removal::span).toList();
    List<Cue> cues = new CueBreaker(lettering.limits()).cues(cuts, transcript, uncaptioned);
    String ass = new AssScript(lettering, spec).write(cues);
    return new Composition(
        cuts, sound.plan(clip, cuts), clip.settings().cleanup(), runs, windows, WindowRun.of(runs, windows, rate), cues, ass, spec, clip.settings().speed());
  }

  /** The checks of the delivery sheet for this composition. */
  public List<Check> preflight() {
    double height = windows.isEmpty() ? spec.height() : windows.get(0).height();
    List<Cue> shown = cues.stream().map(c -> new Cue(played(c.span()), c.lines())).toList();
    return new Preflight(spec).check(lengthUs(), shown, height);
  }

  /** The captions as subtitle files carry them. */
  public List<TimedText> subtitles() {
    return cues.stream().map(c -> new TimedText(played(c.span()), c.text())).toList();
  }

  /** How long it plays, in microseconds. */
  public long lengthUs() {
    return Math.round(cuts.lengthUs() / speed);
  }

  /** How many pictures it plays. */
  public long frames() {
    return Math.round(PictureRun.total(runs) / speed);
  }

  private Span played(Span span) {
    return new Span(Math.round(span.startUs() / speed), Math.round(span.endUs() / speed));
  }
}
