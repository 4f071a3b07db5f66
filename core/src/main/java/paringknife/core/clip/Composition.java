package paringknife.core.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Finished;
import paringknife.core.deliver.Planned;
import paringknife.core.deliver.Waiver;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.ShownFace;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.colour.MatchedColours;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.CaptionTracks;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.core.letter.style.Face;
import paringknife.core.time.FrameRate;

/**
 * A clip worked out for one delivery spec: what plays, through which windows, under which captions.
 * Preview and export are both made from its parts, so they are the same.
 *
 * @param faces where they are seen, for captions to keep clear of
 * @param look what is done to the picture itself
 * @param colours whether cameras are made to look alike
 * @param rate frame rate of the recording
 * @param noticed what else was noticed of it
 * @param delivered how it goes out
 */
public record Composition(
    Playback playback,
    FramePath path,
    CaptionTracks captions,
    List<ShownFace> faces,
    DeliverySpec spec,
    Look look,
    MatchedColours colours,
    FrameRate rate,
    Noticed noticed,
    Delivered delivered) {
  /** Less than a line of a picture. */
  private static final double EDGE = 0.001;

  /**
   * What is worth knowing before a clip goes out.
   *
   * @param faces where they are not seen as they should be
   * @param doubtfulWords how many are heard
   */
  record Noticed(List<FaceWarning> faces, int doubtfulWords) {}

  /** The checks of the delivery sheet for this composition. */
  public List<Check> preflight() {
    List<Waiver> waived = delivered.waivedFor(spec.id());
    return found().stream().map(c -> c.waivedBy(waived)).toList();
  }

  /** Holds the finished file against what was asked for. */
  public List<Check> measured(Finished finished) {
    List<Check> foreseen = found();
    List<Waiver> waived =
        delivered.waivedFor(spec.id()).stream()
            .filter(w -> foreseen.stream().anyMatch(w::isOf))
            .toList();
    return spec.measured(finished).stream().map(c -> c.foreseenBy(waived)).toList();
  }

  private List<Check> found() {
    List<Check> checks =
        new ArrayList<>(
            spec.preflight(
                new Planned(
                    playback.lengthUs(), playedCues(), path.leastLines(), rate, delivered.post())));
    for (CaptionTrack track : captions.translated()) {
      if (track.use() != CaptionUse.NONE && track.open() > 0) {
        String language =
            Locale.forLanguageTag(track.language()).getDisplayLanguage(Locale.ENGLISH);
        checks.add(
            Check.notes(
                "translation",
                language + ": " + sentences(track.open()) + " to translate or to look at",
                Check.Repair.CAPTIONS));
      }
    }
    if (spec.encoding().codec().hasPicture()) {
      addPictured(checks);
    }
    if (noticed.doubtfulWords() > 0) {
      checks.add(
          Check.notes(
              "words",
              noticed.doubtfulWords() == 1
                  ? "1 word is doubtful"
                  : noticed.doubtfulWords() + " words are doubtful",
              Check.Repair.WORDS));
    }
    return checks;
  }

  private void addPictured(List<Check> checks) {
    long cut = noticed.faces().stream().filter(f -> f.problem() == FaceWarning.Problem.CUT).count();
    if (cut > 0) {
      checks.add(
          Check.notes(
              "faces",
              cut == 1 ? "a face is cut in one place" : "faces are cut in " + cut + " places",
              Check.Repair.FRAME));
    }
    for (Face face : missing()) {
      checks.add(
          Check.notes(
              "font",
              face.family() + " is not there any more: captions are set in another font",
              Check.Repair.CAPTIONS));
    }
    long covered = covered();
    if (covered > 0) {
      checks.add(
          Check.notes(
              "captions",
              covered == 1
                  ? "1 caption lies where the destination covers the picture"
                  : covered + " captions lie where the destination covers the picture",
              Check.Repair.CAPTIONS));
    }
  }

  /** Faces that captions are to be burnt in of which there is no font. */
  private List<Face> missing() {
    CaptionTrack spoken = captions.spoken();
    return spoken.use().isBurnt()
        ? Stream.of(spoken.lettering().style().face(), spoken.lettering().style().lowerFace())
            .filter(f -> f != null && Typefaces.of(f).isEmpty())
            .toList()
        : List.of();
  }

  /** How many captions were put where they will be covered. */
  private long covered() {
    CaptionTrack spoken = captions.spoken();
    if (!spoken.use().isBurnt()) {
      return 0;
    }
    SafeArea safe = spec.canvas().safe();
    return spoken.cues().stream()
        .map(c -> c.place() == null ? spoken.lettering().style().place() : c.place())
        .filter(p -> p != null && (p.y() > 1 - safe.bottom() + EDGE || p.y() < safe.top()))
        .count();
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
