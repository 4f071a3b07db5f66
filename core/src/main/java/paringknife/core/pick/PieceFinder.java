package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.RepeatFinder;
import paringknife.core.pare.RepeatGroup;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Parts one recording of several scripted pieces: at its long breaks, or by the scripts themselves.
 * Each piece holds all attempts at it.
 */
public final class PieceFinder {
  private static final int TITLE_CHARACTERS = 40;
  private static final int RUN = 3;
  private static final int FARTHEST_APART_WORDS = 60;
  private static final double LEAST_MATCH = 0.3;

  private final Transcript transcript;
  private final List<String> said;
  private final List<RepeatGroup> repeats;

  public PieceFinder(Transcript transcript) {
    this.transcript = transcript;
    this.said = transcript.words().stream().map(Word::bare).toList();
    this.repeats = new RepeatFinder(transcript, FillerFinder.of(transcript)).find();
  }

  /** Pieces between breaks at least so long; each is titled by its first sentence. */
  public List<Piece> byBreaks(long shortestBreakUs) {
    List<Piece> pieces = new ArrayList<>();
    List<Word> words = transcript.words();
    int from = 0;
    for (int i = 0; i < words.size(); i++) {
      if (i + 1 == words.size()
          || words.get(i + 1).startUs() - words.get(i).endUs() >= shortestBreakUs) {
        pieces.add(new Piece(title(from, i), from, i, 1, attempts(from, i)));
        from = i + 1;
      }
    }
    return pieces;
  }

  /**
   * Pieces by their scripts, in the order of the scripts; one that is not said is left out.
   *
   * @param scripts texts with a blank line between two; a first line of at most eight words without
   *     a full stop is a title and is looked for too
   */
  public List<Piece> byScripts(String scripts) {
    List<Piece> pieces = new ArrayList<>();
    for (String script : scripts.replace("\r", "").split("\\n\\s*\\n")) {
      if (!script.isBlank()) {
        Piece piece = match(script.strip());
        if (piece.matched() >= LEAST_MATCH) {
          pieces.add(piece);
        }
      }
    }
    return pieces;
  }

  private Piece match(String script) {
    List<String> tokens =
        Arrays.stream(script.split("\\s+"))
            .map(t -> new Word(0, t, 0, 0, -1, 1).bare())
            .filter(t -> !t.isEmpty())
            .toList();
    Set<String> runs = new HashSet<>();
    for (int i = 0; i + RUN <= tokens.size(); i++) {
      runs.add(String.join(" ", tokens.subList(i, i + RUN)));
    }
    int[] best = {0, -1, 0};
    int from = -1;
    int last = -1;
    Set<String> heard = new HashSet<>();
    for (int i = 0; i + RUN <= said.size(); i++) {
      String run = String.join(" ", said.subList(i, i + RUN));
      if (!runs.contains(run)) {
        continue;
      }
      if (from < 0 || i - last > FARTHEST_APART_WORDS) {
        from = i;
        heard = new HashSet<>();
      }
      heard.add(run);
      last = i;
      if (heard.size() >= best[2]) {
        best = new int[] {from, i + RUN - 1, heard.size()};
      }
    }
    double matched = runs.isEmpty() || best[1] < 0 ? 0 : best[2] / (double) runs.size();
    String firstLine = script.lines().findFirst().orElse("").strip();
    boolean titled =
        script.contains("\n") && firstLine.split("\\s+").length <= 8 && !firstLine.endsWith(".");
    int end = best[1] < 0 ? -1 : toSentenceEnd(best[1]);
    String title = titled ? firstLine : best[1] < 0 ? firstLine : title(best[0], end);
    return new Piece(title, best[0], end, matched, best[1] < 0 ? 0 : attempts(best[0], end));
  }

  private int toSentenceEnd(int word) {
    int at = word;
    while (at + 1 < transcript.words().size()
        && !transcript.words().get(at).endsSentence()
        && at - word < 6) {
      at++;
    }
    return at;
  }

  private String title(int first, int last) {
    StringBuilder title = new StringBuilder();
    for (int i = first; i <= last && title.length() < TITLE_CHARACTERS; i++) {
      title.append(title.isEmpty() ? "" : " ").append(transcript.words().get(i).text());
      if (transcript.words().get(i).endsSentence() && title.length() > 12) {
        break;
      }
    }
    String plain = title.toString().replaceAll("[.,;:]+$", "");
    return plain.isEmpty()
        ? "Piece"
        : plain.substring(0, 1).toUpperCase(Locale.ROOT) + plain.substring(1);
  }

  private int attempts(int first, int last) {
    return (int)
        repeats.stream()
            .filter(
                g ->
                    g.attempts().get(0).first() >= first
                        && g.attempts().get(g.indexOfLast()).first() <= last)
            .count();
  }
}
