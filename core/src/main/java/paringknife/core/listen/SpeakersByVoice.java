package paringknife.core.listen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.IntStream;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Proposes who says each word where all are in one recording. Stretches of speech are grouped by
 * voice, then the words are given to the voices along the most likely path, on which a change of
 * voice has its price (Viterbi 1967). Voices are called Speaker 1, Speaker 2 in the order in which
 * they are first heard; music, laughter and two people at once mislead it, so it is a proposal.
 */
public final class SpeakersByVoice {
  private static final long LONGEST_STRETCH_US = 3_000_000;
  private static final long SHORTEST_STRETCH_US = 800_000;
  private static final long GAP_US = 250_000;
  private static final int MOST_STRETCHES = 1_200;
  private static final double LEAST_SECONDS = 4;
  private static final double LEAST_SHARE = 0.02;
  private static final double CHANGE_INSIDE = 90;
  private static final double CHANGE_AT_PAUSE = 35;
  private static final int ROUNDS = 3;

  private final SoundExcerpt sound;
  private final VoiceFeatures features = new VoiceFeatures();

  public SpeakersByVoice(SoundExcerpt sound) {
    this.sound = sound;
  }

  /** The transcript with the speakers proposed; as it is when only one voice is heard. */
  public Transcript propose(Transcript transcript) {
    List<Word> words = transcript.words();
    List<double[][]> heard =
        words.stream().map(w -> features.of(sound, w.startUs(), w.endUs())).toList();
    List<Voice> voices = lasting(VoiceClusters.of(stretches(words, heard)), words, heard);
    if (voices.size() < 2) {
      return transcript;
    }
    int[] said = path(voices, words, heard);
    TreeMap<Integer, Integer> order = new TreeMap<>();
    List<Word> named = new ArrayList<>();
    for (int w = 0; w < said.length; w++) {
      order.putIfAbsent(said[w], order.size());
      named.add(words.get(w).withSpeaker(order.get(said[w])));
    }
    List<String> names =
        IntStream.rangeClosed(1, order.size()).mapToObj(n -> "Speaker " + n).toList();
    return transcript.withSpeakers(names).withWords(named);
  }

  private static List<Voice> stretches(List<Word> words, List<double[][]> heard) {
    List<Voice> found = new ArrayList<>();
    for (int from = 0; from < words.size(); ) {
      int to = from + 1;
      while (to < words.size()
          && words.get(to).startUs() - words.get(to - 1).endUs() < GAP_US
          && words.get(to).endUs() - words.get(from).startUs() <= LONGEST_STRETCH_US) {
        to++;
      }
      Voice voice = new Voice();
      for (int w = from; w < to; w++) {
        voice = voice.with(Voice.of(heard.get(w)));
      }
      if (voice.count() * VoiceFeatures.HOP_US >= SHORTEST_STRETCH_US) {
        found.add(voice);
      }
      from = to;
    }
    return found.stream()
        .sorted(Comparator.comparingDouble(Voice::count).reversed())
        .limit(MOST_STRETCHES)
        .toList();
  }

  /** The voices to which enough is given, learned anew from what is given to them. */
  private static List<Voice> lasting(
      List<Voice> clusters, List<Word> words, List<double[][]> heard) {
    List<Voice> voices = clusters;
    for (int round = 0; round < ROUNDS && voices.size() > 1; round++) {
      int[] said = path(voices, words, heard);
      Voice[] learned = new Voice[voices.size()];
      double total = 0;
      for (int w = 0; w < said.length; w++) {
        Voice word = Voice.of(heard.get(w));
        total += word.count();
        learned[said[w]] = learned[said[w]] == null ? word : learned[said[w]].with(word);
      }
      double least = Math.max(LEAST_SECONDS * 1e6 / VoiceFeatures.HOP_US, LEAST_SHARE * total);
      List<Voice> kept = new ArrayList<>();
      for (Voice voice : learned) {
        if (voice != null && voice.count() >= least) {
          kept.add(voice);
        }
      }
      voices = kept;
    }
    return voices;
  }

  /** The voice of each word on the most likely path. */
  private static int[] path(List<Voice> voices, List<Word> words, List<double[][]> heard) {
    int n = voices.size();
    double[] best = new double[n];
    int[][] from = new int[words.size()][n];
    for (int w = 0; w < words.size(); w++) {
      boolean pause = w > 0 && words.get(w).startUs() - words.get(w - 1).endUs() >= GAP_US;
      double price = pause ? CHANGE_AT_PAUSE : CHANGE_INSIDE;
      int leader = 0;
      for (int v = 1; v < n; v++) {
        leader = best[v] > best[leader] ? v : leader;
      }
      double[] next = new double[n];
      for (int v = 0; v < n; v++) {
        boolean changes = best[leader] - price > best[v];
        from[w][v] = changes ? leader : v;
        next[v] = changes ? best[leader] - price : best[v];
        for (double[] row : heard.get(w)) {
          next[v] += voices.get(v).likelihood(row);
        }
      }
      best = next;
    }
    int at = 0;
    for (int v = 1; v < n; v++) {
      at = best[v] > best[at] ? v : at;
    }
    int[] said = new int[words.size()];
    for (int w = words.size() - 1; w >= 0; w--) {
      said[w] = at;
      at = from[w][at];
    }
    return said;
  }
}
