package paringknife.core.clip;

import java.util.List;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Planned;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Look;
import paringknife.core.frame.ShownFace;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.cue.Cue;
import paringknife.core.time.FrameRate;

/**
 * A clip worked out for one delivery spec: what plays, through which windows, under which captions.
 * Preview and export are both made from its parts, so they are the same.
 *
 * @param faces where they are seen, for captions to keep clear of
 * @param look what is done to the picture itself
 * @param rate frame rate of the recording
 */
public record Composition(
    Playback playback,
    FramePath path,
    CaptionTrack captions,
    List<ShownFace> faces,
    DeliverySpec spec,
    Look look,
    FrameRate rate) {

  /** The checks of the delivery sheet for this composition. */
  public List<Check> preflight() {
    return spec.preflight(new Planned(playback.lengthUs(), playedCues(), path.leastLines(), rate));
  }

  /** What is drawn into the picture (ASS v4+) on the canvas of the spec; empty for nothing. */
  public String script() {
    return captions.burnt(spec.canvas(), faces);
  }

  /** The captions as long as they show. */
  List<Cue> playedCues() {
    return captions.cues().stream().map(c -> c.played(playback.speed())).toList();
  }

  /** The captions as the file beside the picture carries them; none where there is no such file. */
  public List<TimedText> subtitles() {
    return (captions.use().isBeside() ? playedCues() : List.<Cue>of())
        .stream().map(c -> new TimedText(c.span(), c.text())).toList();
  }
}
