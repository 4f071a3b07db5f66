package paringknife.core.frame;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Proposes where to push in: on a clip's strongest words, from the one that stands out to the end
 * of its sentence. A word stands out by being louder than its speaker's habit (against median and
 * spread of the levels of all their words, a robust z-score as by Iglewicz and Hoaglin, "How to
 * detect and handle outliers", 1993), or by what the clip is about (said more often in it than in
 * the rest of the episode: Spärck Jones, "A statistical interpretation of term specificity", 1972);
 * the last line always does. At most one in {@value #APART_US} microseconds.
 */
public final class PushInFinder {
  private static final long APART_US = 8_000_000;
  private static final long SHORTEST_US = 900_000;
  private static final long LONGEST_US = 5_000_000;
  private static final double LOUD = 2;
  private static final double KEY = 1.5;
  private static final int LETTERS_OF_A_KEY_WORD = 5;

  /** For what is spread normally, the mean deviation in units of the median one. */
  private static final double NORMAL = 0.6745;

  private final Transcript transcript;
  private final LevelCurve levels;

  public PushInFinder(Transcript transcript, LevelCurve levels) {
    this.transcript = transcript;
    this.levels = levels;
  }

  private record Strong(Span span, double strength, PushIn.Why why) {}

  /** The middle of a speaker's levels, and how far they usually are from it, dB. */
  private record Habit(double median, double spread) {}

  /** Push-ins on the strongest words of what plays, in order of time. */
  List<PushIn> propose(CutList cuts, double share, PushIn.Move move) {
    List<Strong> strong = strong(cuts);
    strong.sort(Comparator.comparingDouble(Strong::strength).reversed());
    List<PushIn> chosen = new ArrayList<>();
    for (Strong one : strong) {
      boolean apart =
          chosen.stream()
              .allMatch(
                  p ->
                      Math.abs(p.span().startUs() - one.span().startUs()) >= APART_US
                          && !p.span().overlaps(one.span()));
      if (apart) {
        chosen.add(new PushIn(0, one.span(), share, move, Curve.SOFT, one.why(), true));
      }
    }
    chosen.sort(Comparator.comparingLong(p -> p.span().startUs()));
    return chosen;
  }

  private List<Strong> strong(CutList cuts) {
    KeptIndex kept = cuts.index();
    List<Integer> heard = new ArrayList<>();
    for (int i = 0; i < transcript.words().size(); i++) {
      Span span = transcript.words().get(i).span();
      if (kept.keptUs(span) * 2 > span.lengthUs()) {
        heard.add(i);
      }
    }
    Set<Integer> plays = new HashSet<>(heard);
    Map<Integer, Habit> habits = habits();
    Map<String, Double> about = about(heard);
    List<Strong> strong = new ArrayList<>();
    Strong last = null;
    for (Passage sentence : Sentences.of(transcript)) {
      Strong best = null;
      for (int w = sentence.from(); w < sentence.to(); w++) {
        if (plays.contains(w)) {
          Strong here = strength(w, sentence, plays, habits, about);
          best = best == null || here.strength() > best.strength() ? here : best;
        }
      }
      if (best != null) {
        strong.add(best);
        last = new Strong(wholeOf(sentence, plays), Double.MAX_VALUE, PushIn.Why.LAST_LINE);
      }
    }
    strong.removeIf(s -> s.strength() <= 0 || s.span().lengthUs() < SHORTEST_US);
    if (last != null && last.span().lengthUs() >= SHORTEST_US) {
      strong.add(last);
    }
    return strong;
  }

  private Strong strength(
      int word,
      Passage sentence,
      Set<Integer> plays,
      Map<Integer, Habit> habits,
      Map<String, Double> about) {
    Word here = transcript.words().get(word);
    Habit habit = habits.get(here.speaker());
    double level = levels.highest(here.startUs(), here.endUs());
    double loud = habit == null ? 0 : NORMAL * (level - habit.median()) / habit.spread();
    double key = about.getOrDefault(plain(here), 0.0);
    double strength = Math.max(loud / LOUD, key / KEY);
    Span span = new Span(here.startUs(), lastOf(word, sentence, plays));
    return new Strong(
        span,
        strength >= 1 ? strength : 0,
        loud / LOUD >= key / KEY ? PushIn.Why.LOUD : PushIn.Why.KEY_WORD);
  }

  private long lastOf(int word, Passage sentence, Set<Integer> plays) {
    long from = transcript.words().get(word).startUs();
    long end = transcript.words().get(word).endUs();
    for (int w = word; w < sentence.to() && plays.contains(w); w++) {
      long next = transcript.words().get(w).endUs();
      if (next - from > LONGEST_US) {
        break;
      }
      end = next;
    }
    return end;
  }

  /** The end of a sentence that is not too long, from its first kept word that fits. */
  private Span wholeOf(Passage sentence, Set<Integer> plays) {
    int last = sentence.to() - 1;
    while (!plays.contains(last)) {
      last--;
    }
    int first = last;
    long end = transcript.words().get(last).endUs();
    while (first > sentence.from()
        && plays.contains(first - 1)
        && end - transcript.words().get(first - 1).startUs() <= LONGEST_US) {
      first--;
    }
    return new Span(transcript.words().get(first).startUs(), end);
  }

  private Map<Integer, Habit> habits() {
    Map<Integer, List<Double>> bySpeaker = new HashMap<>();
    for (Word word : transcript.words()) {
      bySpeaker
          .computeIfAbsent(word.speaker(), s -> new ArrayList<>())
          .add((double) levels.highest(word.startUs(), word.endUs()));
    }
    Map<Integer, Habit> habits = new HashMap<>();
    bySpeaker.forEach(
        (speaker, all) -> {
          double median = median(all);
          double spread = median(all.stream().map(l -> Math.abs(l - median)).toList());
          habits.put(speaker, new Habit(median, Math.max(0.5, spread)));
        });
    return habits;
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    return sorted.get(sorted.size() / 2);
  }

  /** How much a word belongs to what plays: log of how much oftener it is said there. */
  private Map<String, Double> about(List<Integer> heard) {
    Map<String, Integer> everywhere = counts(transcript.words());
    Map<String, Integer> here = counts(heard.stream().map(i -> transcript.words().get(i)).toList());
    double words = Math.max(1, transcript.words().size());
    Map<String, Double> about = new HashMap<>();
    here.forEach(
        (word, count) -> {
          double expected = everywhere.get(word) * heard.size() / words;
          if (count >= 2 && word.length() >= LETTERS_OF_A_KEY_WORD) {
            about.put(word, Math.log(count / expected) * Math.sqrt(count));
          }
        });
    return about;
  }

  private static Map<String, Integer> counts(List<Word> words) {
    Map<String, Integer> counts = new HashMap<>();
    words.forEach(w -> counts.merge(plain(w), 1, Integer::sum));
    return counts;
  }

  private static String plain(Word word) {
    StringBuilder letters = new StringBuilder();
    word.text()
        .codePoints()
        .filter(c -> Character.isLetterOrDigit(c) || c == '\'')
        .forEach(letters::appendCodePoint);
    return letters.toString().toLowerCase(Locale.ROOT);
  }
}
