package paringknife.core.pick;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Filler;
import paringknife.core.pare.PareEditor;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * What is measured of an episode's speech once, for all that may be picked of it: whole sentences
 * with their subjects, how loud and how concrete each is, and what paring would take out before
 * each word.
 */
final class SpokenEpisode {
  private final Transcript transcript;
  private final LevelCurve levels;
  private final PareEditor editor;
  private final ContentWords content;
  private final List<Passage> sentences;
  private final double[] centrality;
  private final Map<String, Integer> uses = new HashMap<>();
  private final double[] loudness;
  private final int[] concrete;
  private final double usualShare;
  private final double usualSpread;
  private final Map<Integer, Double> habit = new TreeMap<>();
  private final int[] fillersBefore;
  private final long[] paredBefore;

  SpokenEpisode(Transcript transcript, LevelCurve levels, PareEditor editor, ContentWords content) {
    this.transcript = transcript;
    this.levels = levels;
    this.editor = editor;
    this.content = content;
    this.sentences = Sentences.of(transcript);
    this.centrality =
        Centrality.of(
            sentences.stream()
                .map(p -> (Set<String>) new HashSet<>(content.stems(transcript, p)))
                .toList());
    for (Word word : transcript.words()) {
      uses.merge(word.bare(), 1, Integer::sum);
    }
    this.loudness = sentences.stream().mapToDouble(this::level).toArray();
    for (Passage sentence : sentences) {
      habit.computeIfAbsent(sentence.speaker(), this::habitOf);
    }
    this.concrete = sentences.stream().mapToInt(this::concreteWords).toArray();
    double[] shares = new double[sentences.size()];
    double mean = 0;
    for (int s = 0; s < shares.length; s++) {
      shares[s] = concrete[s] / (double) sentences.get(s).size();
      mean += shares[s] / shares.length;
    }
    double variance = 0;
    for (double share : shares) {
      variance += (share - mean) * (share - mean) / shares.length;
    }
    this.usualShare = mean;
    this.usualSpread = Math.max(0.05, Math.sqrt(variance) / 2);
    this.fillersBefore = new int[transcript.words().size() + 1];
    this.paredBefore = paredBefore();
  }

  Transcript transcript() {
    return transcript;
  }

  ContentWords content() {
    return content;
  }

  PareEditor editor() {
    return editor;
  }

  List<Passage> sentences() {
    return sentences;
  }

  /** How much of the episode's subject a sentence carries, against the mean of 1. */
  double centrality(int sentence) {
    return centrality[sentence];
  }

  /** How often a word is said in the whole episode. */
  int uses(String bare) {
    return uses.getOrDefault(bare, 0);
  }

  /** How many words of a sentence name or tell something. */
  int concrete(int sentence) {
    return concrete[sentence];
  }

  /**
   * How far a share of concrete words lies above the episode's mean, in half standard deviations.
   */
  double aboveUsual(double share) {
    return (share - usualShare) / usualSpread;
  }

  /** How much louder a sentence is than its speaker is by habit, dB. */
  double aboveHabit(int sentence) {
    return loudness[sentence] - habit.get(sentences.get(sentence).speaker());
  }

  /** Sure fillers among words {@code first} to {@code last}, both included. */
  int fillers(int first, int last) {
    return fillersBefore[last + 1] - fillersBefore[first];
  }

  private int concreteWords(Passage sentence) {
    int count = 0;
    for (int i = sentence.from(); i < sentence.to(); i++) {
      count += content.isConcrete(transcript.words().get(i).bare()) ? 1 : 0;
    }
    return count;
  }

  /** How long a sentence is spoken, microseconds. */
  long length(Passage sentence) {
    return transcript.words().get(sentence.to() - 1).endUs()
        - transcript.words().get(sentence.from()).startUs();
  }

  /** Mean level of a sentence's louder windows, dBFS. */
  private double level(Passage sentence) {
    if (levels.windows() == 0) {
      return 0;
    }
    int from = levels.windowAt(transcript.words().get(sentence.from()).startUs());
    int to = levels.windowAt(transcript.words().get(sentence.to() - 1).endUs());
    double sum = 0;
    int count = 0;
    for (int i = from; i <= to; i++) {
      if (levels.dbfs()[i] > -45) {
        sum += levels.dbfs()[i];
        count++;
      }
    }
    return count == 0 ? LevelCurve.FLOOR_DB : sum / count;
  }

  private double habitOf(int speaker) {
    List<Double> all = new ArrayList<>();
    for (int s = 0; s < sentences.size(); s++) {
      if (sentences.get(s).speaker() == speaker) {
        all.add(loudness[s]);
      }
    }
    all.sort(null);
    return all.get(all.size() / 2);
  }

  /**
   * Microseconds that paring takes out before each word, so that any stretch is one subtraction.
   */
  private long[] paredBefore() {
    List<Word> words = transcript.words();
    long[] before = new long[words.size() + 1];
    List<Pause> pauses =
        new PauseDetector(PauseSettings.DEFAULT.inRoom(editor.quietBelowDb()))
            .pauses(levels, transcript);
    Set<Integer> sure = new HashSet<>();
    for (Filler filler : editor.fillerFinder().find(transcript)) {
      if (filler.sure()) {
        sure.add(filler.first());
      }
    }
    int pause = 0;
    long gone = 0;
    for (int i = 0; i < words.size(); i++) {
      while (pause < pauses.size() && pauses.get(pause).cut().startUs() < words.get(i).startUs()) {
        gone += pauses.get(pause++).cut().lengthUs();
      }
      before[i] = gone;
      fillersBefore[i + 1] = fillersBefore[i] + (sure.contains(i) ? 1 : 0);
      if (sure.contains(i)) {
        gone += words.get(i).endUs() - words.get(i).startUs();
      }
    }
    before[words.size()] = gone;
    return before;
  }

  /** How long words {@code first} to {@code last} are once pared, microseconds. */
  long paredLength(int first, int last) {
    Span whole =
        new Span(
            transcript.words().get(first).startUs(),
            Math.max(
                transcript.words().get(first).startUs(), transcript.words().get(last).endUs()));
    return whole.lengthUs() - (paredBefore[last] - paredBefore[first]);
  }
}
