package paringknife.core.pare;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.Reason;
import paringknife.core.clip.cut.Removal;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.RoomLevel;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.Spacing;

/**
 * The intentions a producer can have with a clip. Each takes a state and answers the next one; a
 * state that nothing changes comes back as it was.
 */
public final class PareEditor {
  /** Room left before the first word and after the last one of a new clip. */
  private static final long ROOM_US = 200_000;

  /** Reasons for which pauses go. */
  private static final Set<Reason> PAUSES = EnumSet.of(Reason.PAUSE, Reason.TO_FIT);

  private final Transcript transcript;
  private final LevelCurve levels;
  private final JoinPlacement placement;
  private final FillerFinder fillers;
  private final LatestCutLists cutLists;
  private final RepeatEditor repeats;
  private volatile @Nullable Double quiet;

  /** What is said in the episode. */
  public Transcript transcript() {
    return transcript;
  }

  /** With the shipped filler words of the transcript's language. */
  public PareEditor(Transcript transcript, LevelCurve levels) {
    this(transcript, levels, FillerList.of(transcript.language()));
  }

  public PareEditor(Transcript transcript, LevelCurve levels, FillerList fillers) {
    this.fillers = new FillerFinder(fillers);
    this.transcript = transcript;
    this.levels = levels;
    this.placement = new JoinPlacement(transcript, levels);
    this.cutLists = new LatestCutLists(transcript);
    this.repeats = new RepeatEditor(this, transcript, placement);
  }

  /** Finds the filler words that count here. */
  public FillerFinder fillerFinder() {
    return fillers;
  }

  /** Below which level this recording is quiet, dBFS; see {@link RoomLevel}. */
  public double quietBelowDb() {
    Double known = quiet;
    if (known == null) {
      known = RoomLevel.quietBelowDb(levels, transcript);
      quiet = known;
    }
    return known;
  }

  /** What a producer can want of what is said more than once. */
  public RepeatEditor repeats() {
    return repeats;
  }

  /** What a clip plays. */
  public CutList cuts(Pared clip) {
    return cutLists.of(clip);
  }

  /** The stretch that holds words {@code first} to {@code last} (indexes, both included). */
  public Span stretchOf(int first, int last) {
    Word from = transcript.words().get(first);
    Word to = transcript.words().get(last);
    long start = Math.max(placement.edgeBefore(first), from.startUs() - ROOM_US);
    long end = Math.min(placement.edgeAfter(last), to.endUs() + ROOM_US);
    return new Span(Math.max(0, start), Math.max(end, to.endUs()));
  }

  /** Takes words out by hand; words already out stay as they are. */
  public Pared pareWords(Pared clip, int first, int last) {
    return with(
        clip,
        Reason.BY_HAND,
        List.of(placement.around(first, last)),
        List.of(transcript.text(first, last + 1)));
  }

  /** The pauses that {@link #parePauses} would take out of this clip. */
  public List<Pause> pauses(Pared clip, PauseSettings settings) {
    KeptIndex cuts = cuts(clip).index();
    return new PauseDetector(settings)
        .pauses(levels, transcript).stream()
            .filter(p -> insideStretch(clip, p.cut()))
            .filter(p -> cuts.keptUs(p.cut()) > LevelCurve.WINDOW_US)
            .toList();
  }

  /** Takes out every pause of the clip by the settings given. */
  public Pared parePauses(Pared clip, PauseSettings settings) {
    return parePauses(clip, pauses(clip, settings));
  }

  /** Takes out single pauses. */
  public Pared parePauses(Pared clip, List<Pause> chosen) {
    return parePauses(clip, chosen, Reason.PAUSE);
  }

  Pared parePauses(Pared clip, List<Pause> chosen, Reason reason) {
    List<Span> spans = chosen.stream().map(Pause::cut).toList();
    return with(clip, reason, spans, spans.stream().map(s -> "").toList());
  }

  /**
   * Takes out the pause after a word (by index), with the room around speech left that pauses leave
   * by default.
   *
   * @throws IllegalArgumentException when nothing can be taken out there
   */
  public Pared parePauseAfter(Pared clip, int word) {
    long end = transcript.words().get(word).endUs();
    long next =
        word + 1 < transcript.words().size()
            ? transcript.words().get(word + 1).startUs()
            : Math.max(end, levels.durationUs());
    long from = end + PauseSettings.DEFAULT.tailUs();
    long to = next - PauseSettings.DEFAULT.headUs();
    if (to - from < LevelCurve.WINDOW_US) {
      throw new IllegalArgumentException("This pause is too short to take anything out of it.");
    }
    return with(clip, Reason.PAUSE, List.of(new Span(from, to)), List.of(""));
  }

  /** The fillers still in the clip. */
  public List<Filler> fillers(Pared clip) {
    KeptIndex cuts = cuts(clip).index();
    return fillers.find(transcript).stream()
        .filter(
            f -> {
              Span span =
                  new Span(
                      transcript.words().get(f.first()).startUs(),
                      Math.max(
                          transcript.words().get(f.first()).startUs(),
                          transcript.words().get(f.last()).endUs()));
              return insideStretch(clip, span)
                  && cuts.keptUs(span) * 2 > span.lengthUs()
                  && !isTreated(clip, span);
            })
        .toList();
  }

  /** Takes out every sure filler of the clip. */
  public Pared pareSureFillers(Pared clip) {
    return pareFillers(clip, fillers(clip).stream().filter(Filler::sure).toList());
  }

  /** Takes out single fillers. */
  public Pared pareFillers(Pared clip, List<Filler> chosen) {
    return pareFillers(clip, chosen, Reason.FILLER);
  }

  Pared pareFillers(Pared clip, List<Filler> chosen, Reason reason) {
    return with(
        clip,
        reason,
        chosen.stream().map(this::spanOf).toList(),
        chosen.stream().map(f -> transcript.text(f.first(), f.last() + 1)).toList());
  }

  /** What goes when a filler goes. */
  Span spanOf(Filler filler) {
    return placement.around(filler.first(), filler.last());
  }

  private static boolean isTreated(Pared clip, Span span) {
    return clip.removals().stream()
        .anyMatch(r -> r.means() != Means.CUT && r.span().overlapUs(span) * 2 > span.lengthUs());
  }

  /**
   * Takes single fillers out by other means than a cut.
   *
   * @param means as {@link Means}; {@link Means#CUT} cuts them
   */
  Pared takeFillers(Pared clip, List<Filler> chosen, Means means) {
    if (means == Means.CUT) {
      return pareFillers(clip, chosen);
    }
    Pared now = clip;
    for (Filler filler : chosen) {
      now = treat(now, filler.first(), filler.last(), Reason.FILLER, means);
    }
    return now;
  }

  /**
   * Silences words, or takes them out of the captions only. Words that were cut come back for it;
   * pauses pared beside them stay pared.
   */
  public Pared treatWords(Pared clip, int first, int last, Means means) {
    return means == Means.CUT
        ? pareWords(clip, first, last)
        : treat(clip, first, last, Reason.BY_HAND, means);
  }

  private Pared treat(Pared clip, int first, int last, Reason reason, Means means) {
    Span span = placement.around(first, last);
    if (!insideStretch(clip, span)) {
      throw new IllegalArgumentException("These words are not in this clip.");
    }
    Span said =
        new Span(
            transcript.words().get(first).startUs(),
            Math.max(
                transcript.words().get(first).startUs(), transcript.words().get(last).endUs()));
    List<Removal> pausesBeside =
        clip.removals().stream()
            .filter(r -> PAUSES.contains(r.reason()) && !r.span().overlaps(said))
            .toList();
    List<Removal> others = clip.removals().stream().filter(r -> !pausesBeside.contains(r)).toList();
    Pared back = putBackWords(clip.withRemovals(others, clip.nextId()), first, last);
    List<Removal> removals = new ArrayList<>(back.removals());
    removals.addAll(pausesBeside);
    removals.add(new Removal(back.nextId(), reason, span, transcript.text(first, last + 1), means));
    return back.withRemovals(removals, back.nextId() + 1);
  }

  /**
   * Puts room tone of a measured length after a word; where there is some already, it gets this
   * length.
   *
   * @param word by index
   * @throws IllegalArgumentException when the word is not in the clip, or the length is not that of
   *     a {@link Gap}
   */
  public Pared putGapAfter(Pared clip, int word, long lengthUs) {
    if (!insideStretch(clip, transcript.words().get(word).span())) {
      throw new IllegalArgumentException("This word is not in this clip.");
    }
    long edge = placement.edgeAfter(word);
    long end =
        clip.stretches().stream()
            .filter(s -> s.overlaps(transcript.words().get(word).span()))
            .mapToLong(Span::endUs)
            .max()
            .orElse(edge);
    long id = clip.nextId();
    Gap gap = new Gap(id, Math.min(edge, end), lengthUs);
    List<Gap> gaps =
        new ArrayList<>(clip.gaps().stream().filter(g -> g.atUs() != gap.atUs()).toList());
    gaps.add(gap);
    return clip.withGaps(gaps, id + 1);
  }

  /**
   * Gives a gap another length, or takes it out.
   *
   * @param lengthUs 0 takes it out
   * @throws IllegalArgumentException when it is not there
   */
  Pared changeGapLength(Pared clip, long id, long lengthUs) {
    Gap gap =
        clip.gaps().stream()
            .filter(g -> g.id() == id)
            .findFirst()
            .orElseThrow(() -> new IllegalArgumentException("This gap is not there any more."));
    List<Gap> gaps = new ArrayList<>(clip.gaps());
    gaps.remove(gap);
    if (lengthUs > 0) {
      gaps.add(new Gap(id, gap.atUs(), lengthUs));
    }
    return clip.withGaps(gaps, clip.nextId());
  }

  /**
   * Moves the edges of one removal, where the ear wants them; its reason stays.
   *
   * @throws IllegalArgumentException when the removal is not there, or nothing would be left of it
   */
  public Pared moveCut(Pared clip, long removalId, Span span) {
    if (span.lengthUs() < LevelCurve.WINDOW_US || span.startUs() < 0) {
      throw new IllegalArgumentException(
          "A cut must take out at least a hundredth of a second; put it back instead.");
    }
    if (clip.removals().stream().noneMatch(r -> r.id() == removalId)) {
      throw new IllegalArgumentException("This cut is not there any more.");
    }
    return clip.withRemovals(
        clip.removals().stream()
            .map(
                r ->
                    r.id() == removalId
                        ? new Removal(r.id(), r.reason(), span, textIn(span), r.means())
                        : r)
            .toList(),
        clip.nextId());
  }

  /** How long the clip plays, in microseconds, its speed counted. */
  public long lengthUs(Pared clip) {
    return Math.round(cuts(clip).lengthUs() / clip.speed());
  }

  /** Puts removals back by identity; unknown identities are ignored. */
  public Pared putBack(Pared clip, Collection<Long> removalIds) {
    Set<Long> back = new HashSet<>(removalIds);
    return clip.withRemovals(
        clip.removals().stream().filter(r -> !back.contains(r.id())).toList(), clip.nextId());
  }

  /** Puts back all that was taken out for a reason. */
  public Pared putBack(Pared clip, Reason reason) {
    return clip.withRemovals(
        clip.removals().stream().filter(r -> r.reason() != reason).toList(), clip.nextId());
  }

  /**
   * Puts words {@code first} to {@code last} back: removals inside go, and those that reach beyond
   * are shortened to what lies outside.
   */
  public Pared putBackWords(Pared clip, int first, int last) {
    Span back = placement.around(first, last);
    List<Removal> removals = new ArrayList<>();
    long next = clip.nextId();
    for (Removal removal : clip.removals()) {
      if (!removal.span().overlaps(back)) {
        removals.add(removal);
        continue;
      }
      Span before = remainder(removal.span().startUs(), back.startUs());
      Span after = remainder(back.endUs(), removal.span().endUs());
      for (Span rest : List.of(before, after)) {
        if (rest.lengthUs() > 0) {
          removals.add(new Removal(next++, removal.reason(), rest, textIn(rest), removal.means()));
        }
      }
    }
    return clip.withRemovals(removals, next);
  }

  private static Span remainder(long from, long to) {
    return to - from < LevelCurve.WINDOW_US ? new Span(from, from) : new Span(from, to);
  }

  private String textIn(Span span) {
    return Spacing.joined(transcript.within(span).stream().map(Word::text).toList());
  }

  static boolean insideStretch(Pared clip, Span span) {
    return clip.stretches().stream().anyMatch(s -> s.overlaps(span));
  }

  /** Takes spans out for a reason, with the words each of them takes. */
  Pared with(Pared clip, Reason reason, List<Span> spans, List<String> texts) {
    KeptIndex cuts = cuts(clip).index();
    List<Removal> removals = new ArrayList<>(clip.removals());
    long next = clip.nextId();
    for (int i = 0; i < spans.size(); i++) {
      if (spans.get(i).lengthUs() > 0 && cuts.keptUs(spans.get(i)) > 0) {
        removals.add(new Removal(next++, reason, spans.get(i), texts.get(i)));
      }
    }
    return clip.withRemovals(removals, next);
  }
}
