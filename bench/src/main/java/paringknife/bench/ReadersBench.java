package paringknife.bench;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import paringknife.core.formats.AssSubtitles;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.PickCsv;
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.pick.Brief;
import paringknife.core.pick.BriefSentence;
import paringknife.core.time.FrameRate;

/**
 * Readers of strangers' text on twice the text: linear ones take twice the time. The least of
 * several runs taken in turns counts, as what else the machine does only ever adds to it.
 */
final class ReadersBench {
  private static final int LETTERS = 200_000;
  private static final int RUNS = 5;

  /** Code that has not been compiled yet takes many times as long. */
  private static final int WARMING = 12;

  private static final double MOST = 2.5;

  /** What is done sooner tells nothing. */
  private static final double LEAST_MS = 2;

  private static final List<String> PIECES =
      List.of(
          "{\\", "<i>", "<i", "&lt;", "00:", "-->", " ", "\"", "Ab ", "a:", "about ", "0 1 2 3 ");

  private ReadersBench() {}

  private static Map<String, Consumer<String>> readers() {
    Map<String, Consumer<String>> readers = new TreeMap<>();
    readers.put("SubRip", t -> SubtitleReader.read("1\n00:00:01,000 --> 00:00:02,000\n" + t));
    readers.put(
        "ASS",
        t -> AssSubtitles.read("[Events]\nDialogue: 0,0:00:01.00,0:00:02.00,Default,,0,0,0,," + t));
    readers.put("plain text", t -> PlainText.read(t, 1_000_000));
    readers.put("CSV", PickCsv::read);
    readers.put("EDL", t -> EditDecisionList.read(t, new FrameRate(25, 1)));
    readers.put(
        "brief", t -> BriefSentence.read(t, new Brief(3, 15_000_000, 58_000_000, List.of())));
    return readers;
  }

  static void run() {
    readers()
        .forEach(
            (name, reader) -> {
              double worst = 0;
              String of = "";
              for (String piece : PIECES) {
                String once = piece.repeat(LETTERS / piece.length());
                String doubled = once + once;
                double single = Double.MAX_VALUE;
                double twice = Double.MAX_VALUE;
                for (int run = 0; run < WARMING; run++) {
                  milliseconds(reader, doubled);
                }
                for (int run = 0; run < RUNS; run++) {
                  single = Math.min(single, milliseconds(reader, once));
                  twice = Math.min(twice, milliseconds(reader, doubled));
                }
                double ratio = twice / single;
                if (twice > LEAST_MS && ratio > worst) {
                  worst = ratio;
                  of = piece;
                }
              }
              if (of.isEmpty()) {
                System.out.println("twice the text, " + name + ": too quick to be measured");
                return;
              }
              System.out.printf(
                  Locale.ROOT,
                  "twice the text, %s: at most %.2f times the time (of \"%s\"), %.2f of %.1f allowed%n",
                  name,
                  worst,
                  of,
                  worst / MOST,
                  MOST);
            });
  }

  /** What a reader refuses, it has read all the same. */
  private static double milliseconds(Consumer<String> reader, String text) {
    long from = System.nanoTime();
    try {
      reader.accept(text);
    } catch (IllegalArgumentException refused) {
      return (System.nanoTime() - from) / 1e6;
    }
    return (System.nanoTime() - from) / 1e6;
  }
}
