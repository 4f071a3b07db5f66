package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.JapanesePhrases;

/**
 * Breaks a clip's words into captions: the breaking with the least total badness, by dynamic
 * programming over all places a caption may end. Good ends are sentence and clause ends, pauses,
 * and changes of speaker; a word alone, words parted that belong together, a lopsided caption and
 * hasty reading are bad. No caption spans a change of speaker, a silence, or a seam.
 */
public final class CueBreaker {
  private static final double NEVER = LineBreaker.NEVER;

  /** Outweighs whatever else is bad; a word that is too long for a line has to stand somewhere. */
  private static final double NO_ROOM = 1e9;

  /**
   * Badness is summed in whole numbers: of two breakings that are as bad as one another, the same
   * is taken whatever stands before them.
   */
  private static final double FINENESS = 1_000;

  private final Breaking breaking;

  public CueBreaker(Breaking breaking) {
    this.breaking = breaking;
  }

  /** Captions of all words of a cut list, in playing order. */
  public List<Cue> cues(CutList cuts, Transcript transcript) {
    return cues(cuts, transcript, List.of(), List.of());
  }

  /**
   * Captions of a cut list, in playing order.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   * @param edits what a producer wants otherwise than it would be proposed
   */
  public List<Cue> cues(
      CutList cuts, Transcript transcript, List<Span> uncaptioned, List<CaptionEdit> edits) {
    List<SpokenWord> shown = ClipWords.shown(cuts, transcript, uncaptioned);
    List<SpokenWord> words = EditedWords.of(shown, edits);
    List<Cue> cues = new Broken(words, BoundWords.of(transcript.language())).cues(cuts.lengthUs());
    return edits.stream().anyMatch(CaptionEdit.Added.class::isInstance)
        ? AddedCues.among(cues, ClipWords.of(cuts, transcript), edits, cuts.lengthUs())
        : cues;
  }

  /** One run of words and its breaks. */
  private final class Broken {
    private final List<SpokenWord> words;
    private final BoundWords bound;
    private final LineBreaker lines;
    private final boolean[] mustBreak;

    Broken(List<SpokenWord> words, BoundWords bound) {
      this.words = words;
      this.bound = bound;
      this.lines = new LineBreaker(words, breaking, bound);
      this.mustBreak = new boolean[words.size()];
      for (int i = 0; i < words.size(); i++) {
        mustBreak[i] = i + 1 == words.size() || mustBreakAfter(words.get(i), words.get(i + 1));
      }
    }

    List<Cue> cues(long clipEndUs) {
      int n = words.size();
      long[] best = new long[n + 1];
      int[] from = new int[n + 1];
      Arrays.fill(best, 1, n + 1, Long.MAX_VALUE);
      for (int end = 1; end <= n; end++) {
        for (int start = end - 1; start >= Math.max(0, end - breaking.words()); start--) {
          if (start < end - 1 && (mustBreak[start] || isTooLong(start, end))) {
            break;
          }
          long total = best[start] + Math.round(badness(start, end, clipEndUs) * FINENESS);
          if (total < best[end]) {
            best[end] = total;
            from[end] = start;
          }
        }
      }
      List<int[]> parts = new ArrayList<>();
      for (int end = n; end > 0; end = from[end]) {
        parts.add(new int[] {from[end], end});
      }
      Collections.reverse(parts);
      List<Span> times =
          new CueTimes(breaking.timing(), clipEndUs)
              .of(parts.stream().map(p -> words.subList(p[0], p[1])).toList());
      List<Cue> cues = new ArrayList<>();
      for (int i = 0; i < parts.size(); i++) {
        int first = parts.get(i)[0];
        cues.add(
            new Cue(
                times.get(i),
                lines.lines(first, parts.get(i)[1]),
                words.get(first).shown().place(),
                false));
      }
      return cues;
    }

    private boolean isTooLong(int start, int end) {
      return words.get(end - 1).span().endUs() - words.get(start).span().startUs()
              > breaking.timing().longestUs()
          || lines.length(start, end) > breaking.characters() * Breaking.MOST_LINES;
    }

    private double badness(int start, int end, long clipEndUs) {
      double cost = 4 + within(start, end) + ending(end - 1) + reading(start, end, clipEndUs);
      if (end - start == 1 && breaking.words() > 1) {
        cost += words.get(start).endsSentence() ? 5 : 15;
      }
      double lineBreaks = end - start == 1 ? 0 : lines.badness(start, end);
      return lineBreaks == Double.POSITIVE_INFINITY ? NO_ROOM : cost + lineBreaks;
    }

    /** How well a caption ends with a word. */
    private double ending(int at) {
      Word word = words.get(at).asShown();
      if (mustBreak[at]) {
        return -3;
      }
      double wished = words.get(at + 1).wishes().goesOn() ? LineBreaker.UNWANTED : 0;
      if (word.endsSentence()) {
        return wished - 3;
      }
      double cost = wished + (breaking.sentences() ? NEVER : 0);
      if (word.endsClause()) {
        return cost - 2;
      }
      long gap = words.get(at + 1).span().startUs() - words.get(at).span().endUs();
      boolean belong =
          bound.bindsToNext(word) || JapanesePhrases.goesOn(word.text(), words.get(at + 1).text());
      boolean parts = breaking.words() > 1 && belong;
      return cost + (gap > 200_000 ? -1 : 2) + (parts ? NEVER : 0);
    }

    /** Sentences that end within a caption. */
    private double within(int start, int end) {
      double cost = 0;
      for (int i = start; i < end - 1; i++) {
        cost += words.get(i).endsSentence() ? breaking.sentences() ? NEVER : 4 : 0;
      }
      return cost;
    }

    private double reading(int start, int end, long clipEndUs) {
      long from = words.get(start).span().startUs();
      double seconds = Math.max(0.001, (words.get(end - 1).span().endUs() - from) / 1e6);
      double cost =
          Math.max(0, lines.length(start, end) / seconds - Breaking.FASTEST_READING) * 0.15;
      long nextUs = end < words.size() ? words.get(end).span().startUs() : clipEndUs;
      long roomUs = Math.min(nextUs, words.get(end - 1).seamUs()) - from;
      return cost + (roomUs < breaking.timing().shortestUs() ? 12 : 0);
    }
  }

  private static boolean mustBreakAfter(SpokenWord here, SpokenWord next) {
    return next.wishes().opens()
        || here.wishes().closes()
        || here.seamUs() != next.seamUs()
        || here.word().speaker() != next.word().speaker()
        || next.span().startUs() - here.span().endUs() >= ClipWords.SILENCE_US;
  }

  /** Puts captions where nobody speaks among those of what is said. */
  private static final class AddedCues {
    private AddedCues() {}

    static List<Cue> among(
        List<Cue> cues, List<SpokenWord> heard, List<CaptionEdit> edits, long clipEndUs) {
      List<Cue> all = new ArrayList<>(cues);
      for (CaptionEdit edit : edits) {
        if (edit instanceof CaptionEdit.Added added) {
          heard.stream()
              .filter(h -> h.word().id() == added.wordId())
              .findFirst()
              .ifPresent(h -> put(all, added, h, clipEndUs));
        }
      }
      return List.copyOf(all);
    }

    /** It takes no room from a caption that is there; where none is left it is not shown. */
    private static void put(
        List<Cue> all, CaptionEdit.Added added, SpokenWord after, long clipEndUs) {
      long start = after.span().endUs() + added.laterUs();
      long end = Math.min(clipEndUs, start + added.lengthUs());
      for (Cue cue : all) {
        if (cue.span().startUs() <= start && cue.span().endUs() > start) {
          start = cue.span().endUs();
        } else if (cue.span().startUs() > start) {
          end = Math.min(end, cue.span().startUs());
        }
      }
      if (end - start >= CueTimes.TWO_FRAMES_US) {
        all.add(Cue.added(new Span(start, end), added));
        all.sort(Comparator.comparing(c -> c.span().startUs()));
      }
    }
  }
}
