package paringknife.core.letter;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Breaks a clip's words into captions: the breaking with the least total badness, by dynamic
 * programming over all places a caption may end. Good ends are sentence and clause ends, pauses,
 * and changes of speaker; a word alone, a lopsided caption and hasty reading are bad. No caption
 * spans a change of speaker, a silence of {@value #SILENCE_US} microseconds, or a seam: a cut that
 * leaves out words for as long as that, or joins what was said in another order. A pared pause or
 * filler is no seam, so that what flows on is read on.
 */
public final class CueBreaker {
  private static final long SILENCE_US = 900_000;
  private static final long LINGER_US = 350_000;

  private final CueLimits limits;

  public CueBreaker(CueLimits limits) {
    this.limits = limits;
  }

  /** What keeps a break that a producer does not want from ever being the best. */
  private static final double UNWANTED = 1_000;

  /**
   * A word on the clip's clock.
   *
   * @param text as it is shown
   * @param seamUs where the next seam ends what it belongs to
   * @param opens whether a caption has to begin with it
   * @param goesOn whether none may
   */
  private record Heard(
      Word word, Span span, long seamUs, String text, boolean opens, boolean goesOn) {
    Heard with(CaptionEdit edit) {
      if (edit instanceof CaptionEdit.ShowAs shown) {
        return new Heard(word, span, seamUs, shown.text(), opens, goesOn);
      }
      boolean breaks = edit instanceof CaptionEdit.BreakBefore;
      return new Heard(word, span, seamUs, text, breaks, !breaks);
    }
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
    List<Heard> heard = edited(heard(cuts, transcript), edits);
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
    long nextUs = cuts.lengthUs();
    for (int end = n; end > 0; end = from[end]) {
      List<Heard> words = heard.subList(from[end], end);
      cues.add(cue(words, Math.min(nextUs, words.get(words.size() - 1).seamUs())));
      nextUs = words.get(0).span().startUs();
    }
    java.util.Collections.reverse(cues);
    return cues;
  }

  private static List<Heard> edited(List<Heard> heard, List<CaptionEdit> edits) {
    if (edits.isEmpty()) {
      return heard;
    }
    Map<Long, List<CaptionEdit>> byWord =
        edits.stream().collect(Collectors.groupingBy(CaptionEdit::wordId));
    List<Heard> edited = new ArrayList<>(heard.size());
    for (Heard word : heard) {
      Heard now = word;
      for (CaptionEdit edit : byWord.getOrDefault(word.word().id(), List.of())) {
        now = now.with(edit);
      }
      if (!now.text().isBlank()) {
        edited.add(now);
      }
    }
    return edited;
  }

  private static List<Heard> heard(CutList cuts, Transcript transcript) {
    List<Heard> heard = new ArrayList<>();
    long[] starts = cuts.startsUs();
    long[] seams = seamsUs(cuts, transcript);
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
          heard.add(new Heard(word, new Span(start, end), seams[i], word.text(), false, false));
        }
      }
    }
    return heard;
  }

  /** For each kept span, where on the clip's clock the next seam is, or the clip's end. */
  private static long[] seamsUs(CutList cuts, Transcript transcript) {
    List<Span> kept = cuts.kept();
    long[] starts = cuts.startsUs();
    long[] seams = new long[kept.size()];
    for (int i = kept.size() - 1; i >= 0; i--) {
      if (i == kept.size() - 1) {
        seams[i] = cuts.lengthUs();
      } else if (isSeam(kept.get(i).endUs(), kept.get(i + 1).startUs(), transcript)) {
        seams[i] = starts[i] + kept.get(i).lengthUs();
      } else {
        seams[i] = seams[i + 1];
      }
    }
    return seams;
  }

  private static boolean isSeam(long outUs, long inUs, Transcript transcript) {
    if (inUs < outUs) {
      return true;
    }
    if (inUs - outUs < SILENCE_US) {
      return false;
    }
    List<Word> words = transcript.words();
    for (int at = transcript.firstEndingAfter(outUs);
        at < words.size() && words.get(at).startUs() < inUs;
        at++) {
      long middle = words.get(at).span().middleUs();
      if (middle >= outUs && middle < inUs) {
        return true;
      }
    }
    return false;
  }

  private static boolean mustBreakAfter(List<Heard> heard, int index) {
    Heard here = heard.get(index);
    Heard next = heard.get(index + 1);
    return next.opens()
        || here.seamUs() != next.seamUs()
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
    double cost = clipEnds || !heard.get(end).goesOn() ? 4 : UNWANTED;
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
        Math.max(
            0.001, (heard.get(end - 1).span().endUs() - heard.get(start).span().startUs()) / 1e6);
    if (seconds < CueLimits.SHORTEST_US / 1e6) {
      cost += 3;
    }
    int characters =
        heard.subList(start, end).stream().mapToInt(h -> h.text().length() + 1).sum() - 1;
    cost += Math.max(0, characters / seconds - CueLimits.FASTEST_READING) * 0.15;
    List<List<CueWord>> lines = lines(heard.subList(start, end));
    if (lines.size() > 1) {
      cost += Math.abs(length(lines.get(0)) - length(lines.get(lines.size() - 1))) * 0.08;
    }
    return cost;
  }

  private static boolean bindsToNext(Word word) {
    return switch (word.bare()) {
      case "a",
          "an",
          "the",
          "of",
          "to",
          "in",
          "on",
          "at",
          "and",
          "or",
          "but",
          "my",
          "your",
          "our",
          "i",
          "we" ->
          true;
      default -> false;
    };
  }

  /** A caption stands a little after its last word, never beyond the limit. */
  private Cue cue(List<Heard> words, long limitUs) {
    long start = words.get(0).span().startUs();
    long said = words.get(words.size() - 1).span().endUs();
    long wanted =
        Math.max(
            Math.min(said + LINGER_US, start + CueLimits.LONGEST_US),
            start + CueLimits.SHORTEST_US);
    return new Cue(new Span(start, Math.max(start + 1, Math.min(limitUs, wanted))), lines(words));
  }

  /** Fills lines greedily, then evens out two lines so that neither is left with a lone word. */
  private List<List<CueWord>> lines(List<Heard> words) {
    List<CueWord> all =
        words.stream().map(h -> new CueWord(h.text(), h.span(), h.word().id())).toList();
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
}
