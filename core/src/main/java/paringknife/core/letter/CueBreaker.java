package paringknife.core.letter;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.pare.CutList;
import paringknife.core.pare.KeptIndex;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Breaks a clip's words into captions: the breaking with the least total badness, by dynamic
 * programming over all places a caption may end. Good ends are sentence and clause ends, pauses,
 * and changes of speaker; a word alone, a lopsided caption and hasty reading are bad. No caption
 * spans a change of speaker or a silence of {@value #SILENCE_US} microseconds.
 */
public final class CueBreaker {
  private static final long SILENCE_US = 900_000;
  private static final long LINGER_US = 350_000;

  private final CueLimits limits;

  public CueBreaker(CueLimits limits) {
    this.limits = limits;
  }

  private record Heard(Word word, Span span) {}

  /** Captions of all words of a cut list, in playing order. */
  public List<Cue> cues(CutList cuts, Transcript transcript) {
    return cues(cuts, transcript, List.of());
  }

  /**
   * Captions of a cut list, in playing order.
   *
   * @param uncaptioned stretches of the episode whose words get no caption
   */
  public List<Cue> cues(CutList cuts, Transcript transcript, List<Span> uncaptioned) {
    List<Heard> heard = heard(cuts, transcript);
    KeptIndex withoutCaptions = new CutList(uncaptioned, List.of()).index();
    heard.removeIf(h -> withoutCaptions.toClip(h.word().span().middleUs()).isPresent());
    int n = heard.size();
    double[] best = new double[n + 1];
    int[] from = new int[n + 1];
    java.util.Arrays.fill(best, 1, n + 1, Double.MAX_VALUE);
    for (int end = 1; end <= n; end++) {
      for (int start = end - 1; start >= Math.max(0, end - limits.words()); start--) {
        if (start < end - 1 && mustBreakAfter(heard, start)) {
          break;
        }
        if (!fits(heard, start, end) && end - start > 1) {
          break;
        }
        double total = best[start] + badness(heard, start, end);
        if (total < best[end]) {
          best[end] = total;
          from[end] = start;
        }
      }
    }
    List<Cue> cues = new ArrayList<>();
    for (int end = n; end > 0; end = from[end]) {
      cues.add(cue(heard.subList(from[end], end)));
    }
    java.util.Collections.reverse(cues);
    return linger(cues, cuts.lengthUs());
  }

  private static List<Heard> heard(CutList cuts, Transcript transcript) {
    List<Heard> heard = new ArrayList<>();
    long[] starts = cuts.startsUs();
    for (int i = 0; i < starts.length; i++) {
      Span kept = cuts.kept().get(i);
      long played = starts[i];
      int at = transcript.firstEndingAfter(kept.startUs());
      for (; at < transcript.words().size(); at++) {
        Word word = transcript.words().get(at);
        if (word.startUs() >= kept.endUs()) {
          break;
        }
        if (kept.contains(word.span().middleUs())) {
          long start = Math.max(word.startUs(), kept.startUs()) - kept.startUs() + played;
          long end = Math.min(word.endUs(), kept.endUs()) - kept.startUs() + played;
          heard.add(new Heard(word, new Span(start, end)));
        }
      }
    }
    return heard;
  }

  private static boolean mustBreakAfter(List<Heard> heard, int index) {
    Heard here = heard.get(index);
    Heard next = heard.get(index + 1);
    return next.word().startUs() < here.word().startUs()
        || here.word().speaker() != next.word().speaker()
        || next.span().startUs() - here.span().endUs() >= SILENCE_US;
  }

  private boolean fits(List<Heard> heard, int start, int end) {
    return heard.get(end - 1).span().endUs() - heard.get(start).span().startUs()
            <= CueLimits.LONGEST_US
        && lines(heard.subList(start, end)).size() <= limits.lines();
  }

  private double badness(List<Heard> heard, int start, int end) {
    Word last = heard.get(end - 1).word();
    boolean clipEnds = end == heard.size();
    double cost = 4;
    if (last.endsSentence() || clipEnds || mustBreakAfter(heard, end - 1)) {
      cost -= 3;
    } else if (last.endsClause()) {
      cost -= 2;
    } else {
      long gap = heard.get(end).span().startUs() - heard.get(end - 1).span().endUs();
      cost += gap > 200_000 ? -1 : 2;
      cost += bindsToNext(last) ? 3 : 0;
    }
    for (int i = start; i < end - 1; i++) {
      cost += heard.get(i).word().endsSentence() ? 4 : 0;
    }
    if (end - start == 1 && limits.words() > 1) {
      cost += 5;
    }
    double seconds =
        Math.max(0.001, (heard.get(end - 1).span().endUs() - heard.get(start).span().startUs()) / 1e6);
    if (seconds < CueLimits.SHORTEST_US / 1e6) {
      cost += 3;
    }
    int characters = heard.subList(start, end).stream().mapToInt(h -> h.word().text().length() + 1).sum() - 1;
    cost += Math.max(0, characters / seconds - CueLimits.FASTEST_READING) * 0.15;
    List<List<CueWord>> lines = lines(heard.subList(start, end));
    if (lines.size() > 1) {
      cost += Math.abs(length(lines.get(0)) - length(lines.get(lines.size() - 1))) * 0.08;
    }
    return cost;
  }

  private static boolean bindsToNext(Word word) {
    return switch (word.bare()) {
      case "a", "an", "the", "of", "to", "in", "on", "at", "and", "or", "but", "my", "your", "our", "i", "we" ->
          true;
      default -> false;
    };
  }

  private Cue cue(List<Heard> words) {
    return new Cue(
        new Span(words.get(0).span().startUs(), words.get(words.size() - 1).span().endUs()),
        lines(words));
  }

  /** Fills lines greedily, then evens out two lines so that neither is left with a lone word. */
  private List<List<CueWord>> lines(List<Heard> words) {
    List<CueWord> all =
        words.stream().map(h -> new CueWord(h.word().text(), h.span(), h.word().id())).toList();
    List<List<CueWord>> lines = new ArrayList<>();
    List<CueWord> line = new ArrayList<>();
    for (CueWord word : all) {
      if (!line.isEmpty() && length(line) + 1 + word.text().length() > limits.charactersPerLine()) {
        lines.add(line);
        line = new ArrayList<>();
      }
      line.add(word);
    }
    lines.add(line);
    return lines.size() == 2 ? evened(all, lines) : lines;
  }

  private List<List<CueWord>> evened(List<CueWord> all, List<List<CueWord>> greedy) {
    List<List<CueWord>> best = greedy;
    int least = Math.abs(length(greedy.get(0)) - length(greedy.get(1)));
    for (int cut = 1; cut < all.size(); cut++) {
      List<CueWord> upper = all.subList(0, cut);
      List<CueWord> lower = all.subList(cut, all.size());
      int difference = Math.abs(length(upper) - length(lower));
      if (difference < least
          && length(upper) <= limits.charactersPerLine()
          && length(lower) <= limits.charactersPerLine()) {
        least = difference;
        best = List.of(upper, lower);
      }
    }
    return best;
  }

  private static int length(List<CueWord> line) {
    return line.stream().mapToInt(w -> w.text().length() + 1).sum() - 1;
  }

  /** Lets captions stand a little after their last word, never into the next. */
  private static List<Cue> linger(List<Cue> cues, long clipUs) {
    List<Cue> shown = new ArrayList<>();
    for (int i = 0; i < cues.size(); i++) {
      Cue cue = cues.get(i);
      long limit = i + 1 < cues.size() ? cues.get(i + 1).span().startUs() : clipUs;
      long wanted = Math.max(cue.span().endUs() + LINGER_US, cue.span().startUs() + CueLimits.SHORTEST_US);
      shown.add(cue.showing(new Span(cue.span().startUs(), Math.max(cue.span().startUs() + 1, Math.min(limit, wanted)))));
    }
    return shown;
  }
}
