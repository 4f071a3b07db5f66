package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.Removal;
import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;

/**
 * Arranges what a clip plays: moves words to another place, pulls words in from elsewhere in the
 * episode, drops them. Edges lie where a cut would lie. What was pared stays pared, wherever it
 * plays.
 */
public final class StretchEditor {
  /** What is left of a stretch below this is not worth keeping, microseconds. */
  private static final long LEAST_US = 20_000;

  private final Transcript transcript;
  private final JoinPlacement placement;

  public StretchEditor(Transcript transcript, LevelCurve levels) {
    this.transcript = transcript;
    this.placement = new JoinPlacement(transcript, levels);
  }

  /** The words of each stretch, in playing order. */
  public List<Passage> pieces(Pared clip) {
    List<Passage> pieces = new ArrayList<>();
    for (Span stretch : clip.stretches()) {
      int from = firstFrom(stretch.startUs());
      int to = Math.max(from, firstFrom(stretch.endUs()));
      pieces.add(new Passage(from, to, from < to ? transcript.words().get(from).speaker() : -1));
    }
    return pieces;
  }

  /** Index of the first word that has its middle at a time or after it. */
  private int firstFrom(long us) {
    int word = transcript.firstEndingAfter(us);
    while (word < transcript.words().size()
        && transcript.words().get(word).span().middleUs() < us) {
      word++;
    }
    return word;
  }

  /**
   * Moves words {@code first} to {@code last} (indexes, both included) before another word of the
   * clip.
   *
   * @param before index of the word they will be heard before; -1 for the end of the clip
   * @throws IllegalArgumentException when the clip does not hold them, or the place is among them
   */
  public Pared move(Pared clip, int first, int last, int before) {
    if (before >= first && before <= last) {
      throw new IllegalArgumentException("Words cannot be moved into themselves.");
    }
    Span moved = withSilence(clip, placement.around(first, last));
    List<Span> parts = inside(clip, moved);
    if (parts.isEmpty()) {
      throw new IllegalArgumentException("These words are not in this clip.");
    }
    List<Span> rest = without(clip.stretches(), moved);
    return clip.withStretches(put(rest, parts, before));
  }

  /**
   * Puts words of anywhere in the episode before another word of the clip; they may be in it
   * already and are heard again then.
   *
   * @param before index of the word they will be heard before; -1 for the end of the clip
   */
  Pared pull(Pared clip, int first, int last, int before) {
    return clip.withStretches(
        put(clip.stretches(), List.of(placement.around(first, last)), before));
  }

  /**
   * Drops one stretch.
   *
   * @param place of the stretch in playing order
   * @throws IllegalArgumentException when there is none, or it is the only one
   */
  public Pared drop(Pared clip, int place) {
    List<Span> stretches = new ArrayList<>(clip.stretches());
    if (place < 0 || place >= stretches.size() || stretches.size() == 1) {
      throw new IllegalArgumentException("A clip keeps at least one stretch.");
    }
    stretches.remove(place);
    return clip.withStretches(stretches);
  }

  /**
   * Moves the edges of the seam between two stretches.
   *
   * @param place of the stretch after the seam, in playing order
   * @param outUs where the stretch before it ends
   * @param inUs where the stretch after it begins
   * @throws IllegalArgumentException when there is no such seam, or too little would be left of a
   *     stretch
   */
  public Pared moveSeam(Pared clip, int place, long outUs, long inUs) {
    List<Span> stretches = new ArrayList<>(clip.stretches());
    if (place < 1 || place >= stretches.size()) {
      throw new IllegalArgumentException("This join is not there any more.");
    }
    Span before = stretches.get(place - 1);
    Span after = stretches.get(place);
    if (outUs - before.startUs() < LEAST_US || after.endUs() - inUs < LEAST_US || inUs < 0) {
      throw new IllegalArgumentException(
          "Too little would be left beside this join; drop the stretch instead.");
    }
    stretches.set(place - 1, new Span(before.startUs(), outUs));
    stretches.set(place, new Span(inUs, after.endUs()));
    return clip.withStretches(stretches);
  }

  /** The two clips that come of parting one. */
  public record Parted(Pared first, Pared second) {}

  /**
   * Parts a clip in two before a word (by index). Each keeps what was pared of it.
   *
   * @throws IllegalArgumentException when the word is not in the clip, or nothing would be left
   *     before it
   */
  public Parted part(Pared clip, int word) {
    long at = placement.edgeBefore(word);
    long middle = transcript.words().get(word).span().middleUs();
    List<Span> first = new ArrayList<>();
    List<Span> second = new ArrayList<>();
    boolean passed = false;
    for (Span stretch : clip.stretches()) {
      if (!passed && stretch.contains(middle)) {
        passed = true;
        add(first, stretch.startUs(), Math.max(stretch.startUs(), at));
        add(second, Math.max(stretch.startUs(), at), stretch.endUs());
      } else {
        (passed ? second : first).add(stretch);
      }
    }
    if (!passed) {
      throw new IllegalArgumentException("This word is not in this clip.");
    }
    if (first.stream().allMatch(s -> isWordless(s.startUs(), s.endUs()))) {
      throw new IllegalArgumentException(
          "This is where the clip begins; there is nothing before it to part from.");
    }
    return new Parted(
        onlyInside(clip.withStretches(first)), onlyInside(clip.withStretches(second)));
  }

  private static Pared onlyInside(Pared clip) {
    List<Span> stretches = clip.stretches();
    List<Gap> gaps =
        clip.gaps().stream()
            .filter(
                g ->
                    stretches.stream()
                        .anyMatch(s -> g.atUs() > s.startUs() && g.atUs() <= s.endUs()))
            .toList();
    return clip.withGaps(gaps, clip.nextId())
        .withRemovals(
            clip.removals().stream()
                .filter(r -> stretches.stream().anyMatch(s -> s.overlaps(r.span())))
                .toList(),
            clip.nextId());
  }

  /** A clip with another one of the same episode after it, what was pared of either still pared. */
  public Pared append(Pared clip, Pared other) {
    List<Span> stretches = new ArrayList<>(clip.stretches());
    stretches.addAll(other.stretches());
    List<Removal> removals = new ArrayList<>(clip.removals());
    List<Gap> gaps = new ArrayList<>(clip.gaps());
    long next = clip.nextId();
    for (Removal removal : other.removals()) {
      if (removals.stream()
          .noneMatch(r -> r.span().equals(removal.span()) && r.means() == removal.means())) {
        removals.add(
            new Removal(next++, removal.reason(), removal.span(), removal.text(), removal.means()));
      }
    }
    for (Gap gap : other.gaps()) {
      if (gaps.stream().noneMatch(g -> g.atUs() == gap.atUs())) {
        gaps.add(new Gap(next++, gap.atUs(), gap.lengthUs()));
      }
    }
    return clip.withGaps(gaps, clip.nextId())
        .withStretches(joined(stretches))
        .withRemovals(removals, next);
  }

  private static List<Span> inside(Pared clip, Span span) {
    List<Span> parts = new ArrayList<>();
    for (Span stretch : clip.stretches()) {
      if (stretch.overlapUs(span) >= LEAST_US) {
        parts.add(
            new Span(
                Math.max(stretch.startUs(), span.startUs()),
                Math.min(stretch.endUs(), span.endUs())));
      }
    }
    return parts;
  }

  private static List<Span> without(List<Span> stretches, Span gone) {
    List<Span> rest = new ArrayList<>();
    for (Span stretch : stretches) {
      if (stretch.overlapUs(gone) < LEAST_US) {
        rest.add(stretch);
        continue;
      }
      add(rest, stretch.startUs(), gone.startUs());
      add(rest, gone.endUs(), stretch.endUs());
    }
    return rest;
  }

  private List<Span> put(List<Span> stretches, List<Span> parts, int before) {
    List<Span> all = new ArrayList<>();
    boolean placed = false;
    long at = before < 0 ? -1 : placement.edgeBefore(before);
    long word = before < 0 ? -1 : transcript.words().get(before).span().middleUs();
    for (Span stretch : stretches) {
      if (!placed && before >= 0 && stretch.contains(word) && isWordless(stretch.startUs(), at)) {
        all.addAll(parts);
        all.add(stretch);
        placed = true;
      } else if (!placed && before >= 0 && stretch.contains(word)) {
        add(all, stretch.startUs(), at);
        all.addAll(parts);
        add(all, Math.max(stretch.startUs(), at), stretch.endUs());
        placed = true;
      } else {
        all.add(stretch);
      }
    }
    if (!placed && before >= 0) {
      throw new IllegalArgumentException("The place to put them is not in this clip.");
    }
    if (!placed) {
      all.addAll(parts);
    }
    return joined(all);
  }

  /** A span with the silence between it and the ends of its stretch, so that none is left alone. */
  private Span withSilence(Pared clip, Span span) {
    long from = span.startUs();
    long to = span.endUs();
    for (Span stretch : clip.stretches()) {
      if (stretch.overlapUs(span) >= LEAST_US) {
        from =
            stretch.startUs() < from && isWordless(stretch.startUs(), from)
                ? stretch.startUs()
                : from;
        to = stretch.endUs() > to && isWordless(to, stretch.endUs()) ? stretch.endUs() : to;
      }
    }
    return new Span(from, to);
  }

  private boolean isWordless(long fromUs, long toUs) {
    int next = transcript.firstEndingAfter(fromUs);
    while (next < transcript.words().size()
        && transcript.words().get(next).span().middleUs() < fromUs) {
      next++;
    }
    return next == transcript.words().size()
        || transcript.words().get(next).span().middleUs() >= toUs;
  }

  private static void add(List<Span> spans, long from, long to) {
    if (to - from >= LEAST_US) {
      spans.add(new Span(from, to));
    }
  }

  /** Stretches that go on where the one before ends are one again. */
  private static List<Span> joined(List<Span> stretches) {
    List<Span> joined = new ArrayList<>();
    for (Span stretch : stretches) {
      Span last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (last != null
          && Math.abs(stretch.startUs() - last.endUs()) < LEAST_US
          && stretch.endUs() > last.startUs()) {
        joined.set(joined.size() - 1, new Span(last.startUs(), stretch.endUs()));
      } else {
        joined.add(stretch);
      }
    }
    return joined;
  }
}
