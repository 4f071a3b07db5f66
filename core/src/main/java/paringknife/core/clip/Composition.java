package paringknife.core.clip;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Finished;
import paringknife.core.deliver.LookedThrough;
import paringknife.core.deliver.Planned;
import paringknife.core.deliver.Waiver;
import paringknife.core.deliver.cover.CoverHeading;
import paringknife.core.dress.Logo;
import paringknife.core.formats.TimedText;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.CaptionTracks;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.drawn.Beside;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.core.letter.style.Face;
import paringknife.core.time.FrameRate;

/**
 * A clip worked out for one delivery spec: what plays, through which windows, under which captions.
 * Preview and export are both made from its parts, so they are the same.
 *
 * @param obstacles what captions keep clear of
 * @param behind what is seen behind people; null for what was recorded
 * @param backdrop the picture that is seen as a ground; null where none is
 * @param look what is done to the picture itself
 * @param skin whose skin is smoothed
 * @param colours whether cameras are made to look alike
 * @param logo what stands in a corner of it; null for nothing
 * @param besides texts in the picture that are no captions
 * @param rate frame rate of the recording
 * @param noticed what else was noticed of it
 * @param delivered how it goes out
 */
public record Composition(
    Playback playback,
    FramePath path,
    CaptionTracks captions,
    Obstacles obstacles,
    DeliverySpec spec,
    @Nullable Ground behind,
    @Nullable Backdrop backdrop,
    Look look,
    SmoothedSkin skin,
    CameraColours colours,
    @Nullable Logo logo,
    List<Beside> besides,
    FrameRate rate,
    Noticed noticed,
    Delivered delivered) {
  /** At so many moments captions are looked for in a finished file. */
  private static final int MOMENTS = 3;

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

  /** Holds the finished file against what was asked for, and tells what was noticed of it. */
  public List<Check> measured(Finished finished, LookedThrough through) {
    List<Check> foreseen = found();
    List<Waiver> waived =
        delivered.waivedFor(spec.id()).stream()
            .filter(w -> foreseen.stream().anyMatch(w::isOf))
            .toList();
    return Stream.concat(spec.measured(finished).stream(), through.checks().stream())
        .map(c -> c.foreseenBy(waived))
        .toList();
  }

  /**
   * Moments at which captions can be looked for in the picture, on the clip's clock in
   * microseconds: the first caption, one in the middle, the last. None where none are burnt in.
   */
  public List<Long> burntMoments() {
    if (script().isEmpty()) {
      return List.of();
    }
    List<Cue> cues =
        captions.all().stream()
            .filter(t -> t.use().isBurnt())
            .flatMap(t -> t.cues().stream())
            .sorted(Comparator.comparing(Cue::span))
            .toList();
    return IntStream.range(0, Math.min(MOMENTS, cues.size()))
        .mapToObj(i -> cues.get(i * (cues.size() - 1) / Math.max(1, MOMENTS - 1)))
        .map(Composition::middleOfAWord)
        .distinct()
        .toList();
  }

  /**
   * A frame of the clip by itself.
   *
   * @param hasHeading whether the clip's title stands on it
   */
  public Still still(long clipFrame, boolean hasHeading) {
    PictureRun shown = PictureRun.at(playback.runs(), clipFrame);
    long last = shown.clipFrame() + shown.count() - 1;
    return new Still(
        shown.shownAt(Math.min(clipFrame, last)),
        path.only(clipFrame),
        behind,
        backdrop,
        look,
        skin,
        colours,
        logo,
        spec.canvas(),
        hasHeading
            ? CoverHeading.script(
                delivered.title(), captions.spoken().lettering(), spec.canvas(), obstacles)
            : "");
  }

  /** Where nothing that marks words begins or ends. */
  private static long middleOfAWord(Cue cue) {
    List<CueWord> words = cue.words();
    long us = words.get(words.size() / 2).span().middleUs();
    return cue.span().contains(us) ? us : cue.span().middleUs();
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
    return spec.encoding().codec().hasPicture()
        ? captions.burnt(spec.canvas(), obstacles, besides)
        : "";
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
