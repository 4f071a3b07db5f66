package paringknife.media.speech;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * A language model of one text: a recogniser with it expects what the text says, and in its order
 * (trigrams with absolute discounting, in ARPA's form; compare Moreno and others 1998, "A recursive
 * algorithm for the forced alignment of very long audio segments"). Hesitations are allowed
 * anywhere.
 */
final class TextModel {
  private static final double DISCOUNT = 0.5;
  static final List<String> HESITATIONS = List.of("um", "uh");

  private TextModel() {}

  static void write(List<String> tokens, Path target) {
    List<String> text = new java.util.ArrayList<>();
    text.add("<s>");
    text.addAll(tokens);
    text.add("</s>");
    Map<String, Integer> one = new TreeMap<>();
    Map<String, Integer> two = new TreeMap<>();
    Map<String, Integer> three = new TreeMap<>();
    for (int i = 0; i < text.size(); i++) {
      one.merge(text.get(i), 1, Integer::sum);
      if (i + 1 < text.size()) {
        two.merge(text.get(i) + " " + text.get(i + 1), 1, Integer::sum);
      }
      if (i + 2 < text.size()) {
        three.merge(text.get(i) + " " + text.get(i + 1) + " " + text.get(i + 2), 1, Integer::sum);
      }
    }
    HESITATIONS.forEach(h -> one.putIfAbsent(h, 1));
    double all = one.values().stream().mapToInt(Integer::intValue).sum();
    try (BufferedWriter out = Files.newBufferedWriter(target)) {
      out.write(
          String.format(
              Locale.ROOT,
              "\\data\\%nngram 1=%d%nngram 2=%d%nngram 3=%d%n%n\\1-grams:%n",
              one.size(),
              two.size(),
              three.size()));
      for (Map.Entry<String, Integer> gram : one.entrySet()) {
        out.write(line(gram.getValue() / all, gram.getKey()) + " " + log(DISCOUNT) + "\n");
      }
      out.write("\n\\2-grams:\n");
      for (Map.Entry<String, Integer> gram : two.entrySet()) {
        int before = one.get(gram.getKey().substring(0, gram.getKey().indexOf(' ')));
        out.write(
            line((1 - DISCOUNT) * gram.getValue() / before, gram.getKey())
                + " "
                + log(DISCOUNT)
                + "\n");
      }
      out.write("\n\\3-grams:\n");
      for (Map.Entry<String, Integer> gram : three.entrySet()) {
        int before = two.get(gram.getKey().substring(0, gram.getKey().lastIndexOf(' ')));
        out.write(line((1 - DISCOUNT) * gram.getValue() / before, gram.getKey()) + "\n");
      }
      out.write("\n\\end\\\n");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String line(double probability, String gram) {
    return log(probability) + " " + gram;
  }

  private static String log(double probability) {
    return String.format(Locale.ROOT, "%.4f", Math.log10(probability));
  }
}
