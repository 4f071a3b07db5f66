package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.clip.cut.Reason;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/** What a producer can want of what is said more than once in a clip. */
public final class RepeatEditor {
  private final PareEditor editor;
  private final Transcript transcript;
  private final JoinPlacement placement;
  private volatile @Nullable List<RepeatGroup> groups;

  RepeatEditor(PareEditor editor, Transcript transcript, JoinPlacement placement) {
    this.editor = editor;
    this.transcript = transcript;
    this.placement = placement;
  }

  /** What is said more than once in the clip, where at least two attempts are still in it. */
  public List<RepeatGroup> in(Pared clip) {
    KeptIndex cuts = editor.cuts(clip).index();
    return groups().stream()
        .filter(g -> g.attempts().stream().filter(a -> isIn(clip, cuts, a)).count() >= 2)
        .toList();
  }

  /** What is said more than once inside the clip's stretches, whatever has been pared of it. */
  public List<RepeatGroup> groupsIn(Pared clip) {
    return groups().stream()
        .filter(
            g ->
                PareEditor.insideStretch(clip, wordsSpan(g.attempts().get(0)))
                    && PareEditor.insideStretch(clip, wordsSpan(g.attempts().get(g.indexOfLast()))))
        .toList();
  }

  /** Whether most of an attempt is kept. */
  public boolean isKept(Pared clip, RepeatGroup.Attempt attempt) {
    return isIn(clip, editor.cuts(clip).index(), attempt);
  }

  private Span wordsSpan(RepeatGroup.Attempt attempt) {
    return new Span(
        transcript.words().get(attempt.first()).startUs(),
        transcript.words().get(attempt.last()).endUs());
  }

  private List<RepeatGroup> groups() {
    List<RepeatGroup> found = groups;
    if (found == null) {
      found = new RepeatFinder(transcript, editor.fillerFinder()).find();
      groups = found;
    }
    return found;
  }

  private boolean isIn(Pared clip, KeptIndex cuts, RepeatGroup.Attempt attempt) {
    Span span = wordsSpan(attempt);
    return PareEditor.insideStretch(clip, span) && cuts.keptUs(span) * 3 > span.lengthUs();
  }

  /** Takes out every attempt but the last of each group. */
  public Pared pare(Pared clip) {
    return pare(clip, in(clip));
  }

  /** Takes out every attempt but the last of the groups given. */
  public Pared pare(Pared clip, List<RepeatGroup> chosen) {
    Pared now = clip;
    for (RepeatGroup group : chosen) {
      now = keepAttempt(now, group, group.indexOfLast());
    }
    return now;
  }

  /**
   * Keeps one attempt of a group: the others go, it comes back where it was taken out for this
   * reason.
   */
  public Pared keepAttempt(Pared clip, RepeatGroup group, int kept) {
    Span stays = attemptSpan(group, kept);
    Pared now =
        clip.withRemovals(
            clip.removals().stream()
                .filter(r -> r.reason() != Reason.REPEAT || !r.span().overlaps(stays))
                .toList(),
            clip.nextId());
    List<Span> spans = new ArrayList<>();
    List<String> texts = new ArrayList<>();
    for (RepeatGroup.Attempt attempt : group.without(kept)) {
      spans.add(attemptSpan(group, group.attempts().indexOf(attempt)));
      texts.add(transcript.text(attempt.first(), attempt.last() + 1));
    }
    return editor.with(now, Reason.REPEAT, spans, texts);
  }

  /** What goes of a group when its last attempt stays: from its first attempt up to the last. */
  Span spanOf(RepeatGroup group) {
    return new Span(
        attemptSpan(group, 0).startUs(), attemptSpan(group, group.indexOfLast() - 1).endUs());
  }

  /** An attempt with the pause that follows it, up to the next attempt. */
  private Span attemptSpan(RepeatGroup group, int which) {
    RepeatGroup.Attempt attempt = group.attempts().get(which);
    return which + 1 < group.attempts().size()
        ? placement.upTo(attempt.first(), group.attempts().get(which + 1).first())
        : placement.around(attempt.first(), attempt.last());
  }
}
