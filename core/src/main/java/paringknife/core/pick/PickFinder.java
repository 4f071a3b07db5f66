package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import paringknife.core.listen.LevelCurve;
import paringknife.core.pare.PareEditor;
import paringknife.core.transcript.Transcript;

/**
 * Proposes moments that stand on their own: runs of whole sentences whose pared length fits the
 * brief, scored by what a listener meets first and last, how much of the episode's subject they
 * carry, how lively the voice is, and what the brief asks for. The same input gives the same picks.
 */
public final class PickFinder {
  private static final long SHORTEST_HIGHLIGHT_US = 5_000_000;
  private static final long LONGEST_HIGHLIGHT_US = 40_000_000;

  private final Transcript transcript;
  private final SpokenEpisode spoken;
  private final Appraisal appraisal;

  public PickFinder(Transcript transcript, LevelCurve levels, WordForms forms) {
    this(transcript, levels, forms, new PareEditor(transcript, levels));
  }

  /**
   * @param forms of the transcript's language
   * @param editor tells how long a pick would be when pared
   */
  public PickFinder(Transcript transcript, LevelCurve levels, WordForms forms, PareEditor editor) {
    this.transcript = transcript;
    this.spoken = new SpokenEpisode(transcript, levels, editor, new ContentWords(forms));
    this.appraisal = new Appraisal(spoken);
  }

  /**
   * The best picks for a brief, in order of time; fewer than asked for when there are not as many.
   */
  public List<Pick> find(Brief brief) {
    List<Pick> candidates = candidates(brief);
    List<BestSet.Candidate> weighed =
        candidates.stream().map(p -> new BestSet.Candidate(p.span(), p.score())).toList();
    return BestSet.choose(weighed, brief.count()).stream().map(candidates::get).toList();
  }

  /**
   * Stretches that together make a share of the episode, in order of time: the best ones first, as
   * long as there is room.
   *
   * @throws IllegalArgumentException when the brief asks for no share
   */
  public List<Pick> highlights(Brief brief) {
    Double share = brief.share();
    if (share == null) {
      throw new IllegalArgumentException("the brief asks for no share of the episode");
    }
    if (spoken.sentences().isEmpty()) {
      return List.of();
    }
    long room = Math.round(share * spoken.paredLength(0, transcript.words().size() - 1));
    if (room < 1_000_000) {
      return List.of();
    }
    List<Pick> best =
        new ArrayList<>(
            candidates(
                brief.ofLength(
                    Math.max(1_000_000, Math.min(SHORTEST_HIGHLIGHT_US, room / 2)),
                    Math.min(LONGEST_HIGHLIGHT_US, room))));
    best.sort(Comparator.comparingDouble((Pick p) -> -p.score()).thenComparingInt(Pick::first));
    List<Pick> chosen = new ArrayList<>();
    for (Pick pick : best) {
      if (pick.score() > 0
          && pick.paredUs() <= room
          && chosen.stream().noneMatch(c -> c.span().overlaps(pick.span()))) {
        chosen.add(pick);
        room -= pick.paredUs();
      }
    }
    chosen.sort(Comparator.comparingInt(Pick::first));
    return chosen;
  }

  private List<Pick> candidates(Brief brief) {
    List<Pick> candidates = new ArrayList<>();
    Set<String> unheard = new HashSet<>(brief.unheard());
    for (int s = 0; s < spoken.sentences().size(); s++) {
      for (int e = s; e < spoken.sentences().size(); e++) {
        int first = spoken.sentences().get(s).from();
        int last = spoken.sentences().get(e).to() - 1;
        long pared = spoken.paredLength(first, last);
        if (pared > brief.longestUs()) {
          break;
        }
        if (holdsUnheard(spoken.sentences().get(e).from(), last, unheard)) {
          break;
        }
        if (pared >= brief.shortestUs()) {
          candidates.add(appraisal.appraise(s, e, pared, brief));
        }
      }
    }
    return candidates;
  }

  private boolean holdsUnheard(int first, int last, Set<String> unheard) {
    for (int i = first; i <= last && !unheard.isEmpty(); i++) {
      if (unheard.contains(transcript.words().get(i).bare())) {
        return true;
      }
    }
    return false;
  }
}
