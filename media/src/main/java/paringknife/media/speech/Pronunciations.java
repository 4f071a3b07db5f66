package paringknife.media.speech;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import paringknife.media.process.ChildProcess;

/**
 * How words are said, in the phones of CMU's dictionary. A word that the dictionary does not have
 * (a name, a number) is said as Debian's {@code flite} would read it.
 */
final class Pronunciations {
  private Pronunciations() {}

  /** Writes a dictionary of just these words, each as it is spelt here. */
  static void write(Set<String> words, Path target) {
    List<String> lines = new ArrayList<>();
    Set<String> missing = new TreeSet<>(words);
    try (Stream<String> all = Files.lines(SphinxModel.dictionary())) {
      all.forEach(
          line -> {
            int end = line.indexOf(' ');
            String word = line.substring(0, Math.max(0, end)).replaceAll("\\(\\d+\\)$", "");
            if (words.contains(word)) {
              lines.add(line);
              missing.remove(word);
            }
          });
      for (String word : missing) {
        String phones = asRead(word);
        if (!phones.isEmpty()) {
          lines.add(word + " " + phones);
        }
      }
      Files.write(target, lines);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static final Set<String> PHONES =
      new HashSet<>(
          List.of(
              "AA AE AH AO AW AY B CH D DH EH ER EY F G HH IH IY JH K L M N NG OW OY P R S SH T TH UH UW V W Y Z ZH"
                  .split(" ")));

  private static String asRead(String word) {
    String said =
        ChildProcess.run(
                List.of(
                    "flite",
                    "-voice",
                    "slt",
                    "-ps",
                    "-t",
                    word.replaceAll("[^\\p{L}\\p{N}']", " "),
                    "-o",
                    "none"),
                null,
                Duration.ofSeconds(20))
            .text();
    List<String> phones = new ArrayList<>();
    for (String phone : said.trim().split("\\s+")) {
      String name =
          phone.toUpperCase(Locale.ROOT).replaceAll("[^A-Z]", "").replaceAll("^AX$", "AH");
      if (PHONES.contains(name)) {
        phones.add(name);
      }
    }
    return String.join(" ", phones);
  }
}
