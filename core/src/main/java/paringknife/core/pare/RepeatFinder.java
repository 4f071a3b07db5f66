package paringknife.core.pare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Finds second attempts: a speaker breaks off, or ends a line and pauses, and says it again. The
 * words from where the line began are aligned with those from where it begins again, up to {@value
 * #REACH_US} microseconds later; fillers between them do not count. What is repeated for effect (a
 * whole sentence said again without a pause) is left alone.
 */
public final class RepeatFinder {
  private static final long REACH_US = 90_000_000;
  private static final int LONGEST_WORDS = 250;
  private static final int SEED_WORDS = 3;
  private static final int STUTTER_WORDS = 2;
  private static final long PAUSE_US = 800_000;
  private static final int APOLOGY_REACH_WORDS = 4;
  private static final Set<String> APOLOGIES =
      Set.of("sorry", "again", "wait", "scratch", "restart", "redo");

  private final Transcript transcript;
  private final List<Word> words;

  /** Words that are not sure fillers, by their place in the transcript. */
  private final List<Integer> places = new ArrayList<>();

  private final List<String> tokens = new ArrayList<>();

  public RepeatFinder(Transcript transcript, FillerFinder fillers) {
    this.transcript = transcript;
    this.words = transcript.words();
    for (int i = 0; i < words.size(); i++) {
      String bare = words.get(i).bare();
      if (!bare.isEmpty() && !fillers.isSure(bare)) {
        places.add(i);
        tokens.add(bare);
      }
    }
  }

  /** An earlier attempt and the later one that takes its place; indexes of tokens. */
  private record Restart(int from, int again, int end) {}

  /**
   * All groups, in order of their first words; a group may lie inside the last attempt of another.
   */
  public List<RepeatGroup> find() {
    List<List<Restart>> chains = new ArrayList<>();
    for (Restart restart : outermost(restarts())) {
      List<Restart> chain = chains.isEmpty() ? null : chains.get(chains.size() - 1);
      Restart last = chain == null ? null : chain.get(chain.size() - 1);
      if (last != null
          && restart.from() >= last.again()
          && restart.from() < last.end()
          && restart.again() - last.again() >= (last.again() - last.from()) / 2) {
        chain.add(new Restart(last.again(), restart.again(), restart.end()));
      } else {
        chains.add(new ArrayList<>(List.of(restart)));
      }
    }
    return chains.stream().map(this::group).toList();
  }

  private List<Restart> restarts() {
    List<Restart> restarts = new ArrayList<>();
    Map<String, List<Integer>> seen = new HashMap<>();
    for (int at = 0; at < tokens.size(); at++) {
      Restart restart = restartAt(at, seen);
      if (restart != null) {
        restarts.add(restart);
      }
      seen.computeIfAbsent(key(at), k -> new ArrayList<>()).add(at);
    }
    return restarts;
  }

  /**
   * Without those that lie wholly in an attempt that goes anyway, or tell of a repeat only its
   * middle.
   */
  private static List<Restart> outermost(List<Restart> restarts) {
    List<Restart> kept = new ArrayList<>();
    for (int i = 0; i < restarts.size(); i++) {
      Restart inner = restarts.get(i);
      boolean goes = false;
      for (int k = i + 1;
          k < restarts.size() && restarts.get(k).from() < inner.again() + LONGEST_WORDS && !goes;
          k++) {
        Restart outer = restarts.get(k);
        goes = outer.from() <= inner.from() && inner.end() <= outer.again() + 1;
      }
      Restart before = kept.isEmpty() ? null : kept.get(kept.size() - 1);
      boolean tellsMiddle =
          before != null
              && inner.from() > before.from()
              && inner.from() < before.again()
              && inner.again() > before.again()
              && inner.again() < before.end();
      if (!goes && !tellsMiddle) {
        kept.add(inner);
      }
    }
    return kept;
  }

  private String key(int token) {
    return token + 1 < tokens.size()
        ? tokens.get(token) + ' ' + tokens.get(token + 1)
        : tokens.get(token);
  }

  private Restart restartAt(int again, Map<String, List<Integer>> seen) {
    List<Integer> earlier = seen.getOrDefault(key(again), List.of());
    for (int k = earlier.size() - 1; k >= 0; k--) {
      int from = earlier.get(k);
      if (again - from > LONGEST_WORDS || word(again).startUs() - word(from).endUs() > REACH_US) {
        return null;
      }
      Restart restart = restart(from, again);
      if (restart != null) {
        return restart;
      }
    }
    return null;
  }

  private Restart restart(int from, int again) {
    if (!oneSpeaker(from, again) || beganEarlier(from, again)) {
      return null;
    }
    List<String> first = tokens.subList(from, again);
    List<String> second = tokens.subList(again, Math.min(tokens.size(), again + first.size() + 8));
    LocalAlignment alignment = LocalAlignment.fromStart(first, second);
    int left = first.size() - alignment.endA();
    boolean replaced =
        isStutter(from, again, alignment, left)
            || leadsAlike(from, again)
                && (isBrokenOff(from, again, alignment, left)
                    || isSaidAgain(again, alignment, left));
    return replaced ? new Restart(from, again, again + alignment.endB()) : null;
  }

  /** Whether the word before is the same both times, so that this is no beginning. */
  private boolean beganEarlier(int from, int again) {
    return from > 0 && tokens.get(from - 1).equals(tokens.get(again - 1));
  }

  private boolean oneSpeaker(int from, int again) {
    for (int t = from; t <= again; t++) {
      if (word(t).speaker() != word(from).speaker()) {
        return false;
      }
    }
    return true;
  }

  private boolean leadsAlike(int from, int again) {
    for (int k = 0; k < SEED_WORDS; k++) {
      if (from + k >= again
          || again + k >= tokens.size()
          || !tokens.get(from + k).equals(tokens.get(again + k))) {
        return false;
      }
    }
    return true;
  }

  /** Two words said again at once, with a comma or a filler between. */
  private boolean isStutter(int from, int again, LocalAlignment alignment, int left) {
    boolean apart = word(again - 1).endsClause() || places.get(again) - places.get(again - 1) > 1;
    return left == 0
        && again - from >= STUTTER_WORDS
        && again - from < SEED_WORDS
        && alignment.alike() >= again - from
        && apart
        && !word(again - 1).endsSentence();
  }

  /** The line before does not end: it is begun anew with little in between. */
  private boolean isBrokenOff(int from, int again, LocalAlignment alignment, int left) {
    return !holdsSentenceEnd(from, again)
        && alignment.alike() >= SEED_WORDS
        && left <= Math.max(1, alignment.alike() / 2);
  }

  /** The line ends, and after a pause or an apology it is said again. */
  private boolean isSaidAgain(int again, LocalAlignment alignment, int left) {
    if (alignment.alike() < SEED_WORDS) {
      return false;
    }
    if (apologises(again)) {
      return true;
    }
    long pause = word(again).startUs() - words.get(places.get(again) - 1).endUs();
    return pause >= PAUSE_US && alignment.alike() > SEED_WORDS && left <= alignment.alike() / 2;
  }

  private boolean holdsSentenceEnd(int from, int again) {
    for (int t = from; t < again; t++) {
      if (word(t).endsSentence()) {
        return true;
      }
    }
    return false;
  }

  private boolean apologises(int again) {
    for (int t = Math.max(0, again - APOLOGY_REACH_WORDS); t < again; t++) {
      if (APOLOGIES.contains(tokens.get(t))) {
        return true;
      }
    }
    return false;
  }

  private Word word(int token) {
    return words.get(places.get(token));
  }

  private RepeatGroup group(List<Restart> chain) {
    List<RepeatGroup.Attempt> attempts = new ArrayList<>();
    for (Restart restart : chain) {
      attempts.add(
          new RepeatGroup.Attempt(places.get(restart.from()), places.get(restart.again()) - 1));
    }
    Restart last = chain.get(chain.size() - 1);
    attempts.add(new RepeatGroup.Attempt(places.get(last.again()), lastOf(last)));
    return new RepeatGroup(attempts);
  }

  /** The last attempt reaches to the end of its sentence. */
  private int lastOf(Restart restart) {
    int speaker = word(restart.again()).speaker();
    int at = places.get(Math.min(restart.end(), places.size()) - 1);
    while (at + 1 < words.size()
        && !words.get(at).endsSentence()
        && words.get(at + 1).speaker() == speaker
        && words.get(at + 1).startUs() - words.get(at).endUs() < PAUSE_US) {
      at++;
    }
    return at;
  }

  /** The words of an attempt, for showing. */
  public String text(RepeatGroup.Attempt attempt) {
    return transcript.text(attempt.first(), attempt.last() + 1);
  }
}
