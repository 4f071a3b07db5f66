package paringknife.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import paringknife.media.speech.Flite;

/**
 * Tells which phones of a spoken line belong to which word. flite prints phones only, so each word
 * is also spoken alone, and the two rows of phones are aligned by edit distance.
 */
final class WordTimer {
  private static final Set<String> VOWELS =
      Set.of(
          "aa", "ae", "ah", "ao", "aw", "ax", "ay", "eh", "er", "ey", "ih", "iy", "ow", "oy", "uh",
          "uw");
  private static final int BATCH = 40;

  private final Map<String, List<String>> alone = new HashMap<>();

  WordTimer(Flite voice, List<String> words) {
    List<String> unique =
        new ArrayList<>(new TreeSet<>(words.stream().map(WordTimer::bare).toList()));
    for (int from = 0; from < unique.size(); from += BATCH) {
      learn(voice, unique.subList(from, Math.min(unique.size(), from + BATCH)));
    }
  }

  private void learn(Flite voice, List<String> words) {
    List<List<String>> spoken = new ArrayList<>();
    List<String> phones = new ArrayList<>();
    for (Flite.Phone phone : speak(voice, String.join(", ", words))) {
      if (!phone.isSilence()) {
        phones.add(phone.name());
      } else if (!phones.isEmpty()) {
        spoken.add(phones);
        phones = new ArrayList<>();
      }
    }
    if (spoken.size() == words.size()) {
      for (int i = 0; i < words.size(); i++) {
        alone.put(words.get(i), spoken.get(i));
      }
    } else if (words.size() == 1) {
      alone.put(words.get(0), spoken.stream().flatMap(List::stream).toList());
    } else {
      learn(voice, words.subList(0, words.size() / 2));
      learn(voice, words.subList(words.size() / 2, words.size()));
    }
  }

  private static List<Flite.Phone> speak(Flite voice, String text) {
    try {
      Path wav = Files.createTempFile("word", ".wav");
      try {
        return voice.speak(text, wav);
      } finally {
        Files.delete(wav);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static String bare(String word) {
    return word.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z']", "");
  }

  /** Start and end of each word, seconds from the start of the line. */
  List<double[]> times(List<String> words, List<Flite.Phone> phones) {
    List<Flite.Phone> sounding = phones.stream().filter(p -> !p.isSilence()).toList();
    List<String> expected = new ArrayList<>();
    List<Integer> owner = new ArrayList<>();
    for (int w = 0; w < words.size(); w++) {
      for (String phone : alone.getOrDefault(bare(words.get(w)), List.of("ax"))) {
        expected.add(phone);
        owner.add(w);
      }
    }
    int[] wordOf = align(expected, owner, sounding);
    List<double[]> times = new ArrayList<>();
    double last = 0;
    for (int w = 0; w < words.size(); w++) {
      double start = Double.NaN;
      double end = last;
      for (int p = 0; p < sounding.size(); p++) {
        if (wordOf[p] == w) {
          start = Double.isNaN(start) ? sounding.get(p).start() : start;
          end = sounding.get(p).end();
        }
      }
      times.add(new double[] {Double.isNaN(start) ? last : start, end});
      last = end;
    }
    return times;
  }

  private static int[] align(List<String> expected, List<Integer> owner, List<Flite.Phone> heard) {
    int n = expected.size();
    int m = heard.size();
    double[][] cost = new double[n + 1][m + 1];
    for (int i = 0; i <= n; i++) {
      for (int j = 0; j <= m; j++) {
        if (i == 0 || j == 0) {
          cost[i][j] = i + j;
          continue;
        }
        double change =
            cost[i - 1][j - 1] + difference(expected.get(i - 1), heard.get(j - 1).name());
        cost[i][j] = Math.min(change, Math.min(cost[i - 1][j], cost[i][j - 1]) + 1);
      }
    }
    int[] wordOf = new int[m];
    int i = n;
    int j = m;
    while (j > 0) {
      if (i > 0
          && cost[i][j]
              == cost[i - 1][j - 1] + difference(expected.get(i - 1), heard.get(j - 1).name())) {
        wordOf[--j] = owner.get(--i);
      } else if (i > 0 && cost[i][j] == cost[i - 1][j] + 1) {
        i--;
      } else {
        wordOf[--j] = i > 0 ? owner.get(i - 1) : 0;
      }
    }
    return wordOf;
  }

  private static double difference(String a, String b) {
    if (a.equals(b)) {
      return 0;
    }
    return VOWELS.contains(a) == VOWELS.contains(b) ? (VOWELS.contains(a) ? 0.5 : 0.9) : 1.6;
  }
}
