package paringknife.core.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Planned;
import paringknife.core.deliver.post.Post;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Look;
import paringknife.core.frame.ShownFace;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.CaptionTracks;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.Cue;
import paringknife.core.time.FrameRate;

/**
 * A clip worked out for one delivery spec: what plays, through which windows, under which captions.
 * Preview and export are both made from its parts, so they are the same.
 *
 * @param faces where they are seen, for captions to keep clear of
 * @param look what is done to the picture itself
 * @param rate frame rate of the recording
 * @param post what somebody wrote to be posted with it; null for what is proposed
 */
public record Composition(
    Playback playback,
    FramePath path,
    CaptionTracks captions,
    List<ShownFace> faces,
    DeliverySpec spec,
    Look look,
    FrameRate rate,
    @Nullable Post post) {

  /** The checks of the delivery sheet for this composition. */
  public List<Check> preflight() {
    List<Check> checks =
        new ArrayList<>(
            spec.preflight(
                new Planned(playback.lengthUs(), playedCues(), path.leastLines(), rate, post)));
    for (CaptionTrack track : captions.translated()) {
      if (track.use() != CaptionUse.NONE && track.open() > 0) {
        String language =
            Locale.forLanguageTag(track.language()).getDisplayLanguage(Locale.ENGLISH);
        checks.add(
            new Check(
                "translation",
                Check.Verdict.NOTE,
                language + ": " + sentences(track.open()) + " to translate or to look at"));
      }
    }
    return checks;
  }

  private static String sentences(int count) {
    return count == 1 ? "1 sentence is still" : count + " sentences are still";
  }

  /** What is drawn into the picture (ASS v4+) on the canvas of the spec; empty for nothing. */
  public String script() {
    return spec.encoding().codec().hasPicture() ? captions.burnt(spec.canvas(), faces) : "";
  }

  /** The captions as long as they show. */
  List<Cue> playedCues() {
    return played(captions.spoken());
  }

  private List<Cue> played(CaptionTrack track) {
    return track.cues().stream().map(c -> c.played(playback.speed())).toList();
  }

  /**
   * The captions as files beside the picture carry them, by language: {@link Lettered#SPOKEN} for
   * what is said; none where there is no such file.
   */
  public Map<String, List<TimedText>> subtitles() {
    Map<String, List<TimedText>> beside = new TreeMap<>();
    for (CaptionTrack track : captions.all()) {
      if (track.use().isBeside() && !track.cues().isEmpty()) {
        beside.put(
            track.language(),
            played(track).stream().map(c -> new TimedText(c.span(), c.text())).toList());
      }
    }
    return beside;
  }
}
