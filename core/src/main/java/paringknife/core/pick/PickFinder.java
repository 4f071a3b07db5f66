package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.PareEditor;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Proposes moments that stand on their own: runs of whole sentences whose pared length fits the
 * brief, scored by what a listener meets first and last, how much of the episode's subject they
 * carry, how lively the voice is, and what the brief asks for. The same input gives the same picks.
 */
public final class PickFinder {
  private static final Set<String> LEANING =
      Set.of(
          "and", "but", "so", "because", "or", "then", "which", "also", "he", "she", "they", "it",
          "that", "this", "those", "these", "him", "her", "them", "there", "yes", "no", "yeah",
          "right", "exactly", "sure", "well");
  private static final Set<String> QUESTION =
      Set.of(
          "what", "why", "how", "who", "when", "where", "did", "do", "does", "is", "was", "were",
          "have", "can", "could", "would");

  private static final long SHORTEST_HIGHLIGHT_US = 5_000_000;
  private static final long LONGEST_HIGHLIGHT_US = 40_000_000;

  private final Transcript transcript;
  private final LevelCurve levels;
  private final List<Passage> sentences;
  private final PareEditor editor;
  private final List<Set<String>> content;
  private final double[] centrality;
  private final Map<String, Integer> uses = new HashMap<>();
  private final double[] loudness;
  private final int[] concrete;
  private final double usualShare;
  private final double usualSpread;
  private final Map<Integer, Double> habit = new TreeMap<>();
  private final long[] paredBefore;
  private final int[] fillersBefore;

  public PickFinder(Transcript transcript, LevelCurve levels) {
    this(transcript, levels, new PareEditor(transcript, levels));
  }

  /**
   * @param editor tells how long a pick would be when pared
   */
  public PickFinder(Transcript transcript, LevelCurve levels, PareEditor editor) {
    this.transcript = transcript;
    this.levels = levels;
    this.sentences = Sentences.of(transcript);
    this.editor = editor;
    this.content =
        sentences.stream()
            .map(p -> (Set<String>) new HashSet<>(ContentWords.stems(transcript, p)))
            .toList();
    this.centrality = Centrality.of(content);
    for (Word word : transcript.words()) {
      uses.merge(word.bare(), 1, Integer::sum);
    }
    this.loudness = sentences.stream().mapToDouble(this::level).toArray();
    for (int s = 0; s < sentences.size(); s++) {
      int speaker = sentences.get(s).speaker();
      habit.computeIfAbsent(speaker, k -> habitOf(k));
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

  /**
   * The best picks for a brief, in order of time; fewer than asked for when there are not as many.
   */
  public List<Pick> find(Brief brief) {
    List<Pick> candidates = candidates(brief);
    List<BestSet.Candidate> weighed =
        candidates.stream().map(p -> new BestSet.Candidate(p.span(), p.score())).toList();
    return BestSet.choose(weighed, brief.count()).stream().map(candidates::get).toList();
  }

  /**
   * Stretches that together make a share of the episode, in order of time: the best ones first, as
   * long as there is room.
   *
   * @throws IllegalArgumentException when the brief asks for no share
   */
  public List<Pick> highlights(Brief brief) {
    Double share = brief.share();
    if (share == null) {
      throw new IllegalArgumentException("the brief asks for no share of the episode");
    }
    if (sentences.isEmpty()) {
      return List.of();
    }
    long room = Math.round(share * paredLength(0, transcript.words().size() - 1));
    if (room < 1_000_000) {
      return List.of();
    }
    List<Pick> best =
        new ArrayList<>(
            candidates(
                brief.ofLength(
                    Math.max(1_000_000, Math.min(SHORTEST_HIGHLIGHT_US, room / 2)),
                    Math.min(LONGEST_HIGHLIGHT_US, room))));
    best.sort(Comparator.comparingDouble((Pick p) -> -p.score()).thenComparingInt(Pick::first));
    List<Pick> chosen = new ArrayList<>();
    for (Pick pick : best) {
      if (pick.score() > 0
          && pick.paredUs() <= room
          && chosen.stream().noneMatch(c -> c.span().overlaps(pick.span()))) {
        chosen.add(pick);
        room -= pick.paredUs();
      }
    }
    chosen.sort(Comparator.comparingInt(Pick::first));
    return chosen;
  }

  private List<Pick> candidates(Brief brief) {
    List<Pick> candidates = new ArrayList<>();
    Set<String> unheard = new HashSet<>(brief.unheard());
    for (int s = 0; s < sentences.size(); s++) {
      for (int e = s; e < sentences.size(); e++) {
        int first = sentences.get(s).from();
        int last = sentences.get(e).to() - 1;
        long pared = paredLength(first, last);
        if (pared > brief.longestUs()) {
          break;
        }
        if (holdsUnheard(sentences.get(e).from(), last, unheard)) {
          break;
        }
        if (pared >= brief.shortestUs()) {
          candidates.add(pick(s, e, pared, brief));
        }
      }
    }
    return candidates;
  }

  private record Finding(double worth, String words) {}

  private Pick pick(int s, int e, long pared, Brief brief) {
    int first = sentences.get(s).from();
    int last = sentences.get(e).to() - 1;
    List<Finding> findings = new ArrayList<>();
    opening(s, findings);
    ending(e, findings);
    subject(s, e, findings);
    substance(s, e, findings);
    answered(s, e, findings);
    lively(s, e, findings);
    fillers(first, last, findings);
    wanted(first, last, brief, findings);
    double score = 1 + findings.stream().mapToDouble(Finding::worth).sum();
    List<String> reasons =
        findings.stream()
            .filter(f -> !f.words().isEmpty())
            .sorted(Comparator.comparingDouble((Finding f) -> -Math.abs(f.worth())))
            .map(Finding::words)
            .toList();
    Passage opener = sentences.get(s);
    return new Pick(
        first,
        last,
        editor.stretchOf(first, last),
        pared,
        Math.round(score * 1000) / 1000.0,
        transcript.text(opener.from(), opener.to()),
        reasons);
  }

  private void opening(int s, List<Finding> findings) {
    Passage opener = sentences.get(s);
    Word last = transcript.words().get(opener.to() - 1);
    String begins = firstSpoken(opener);
    if (last.text().contains("?") && opener.size() >= 4) {
      findings.add(new Finding(1.0, "opens with a question"));
    } else if (LEANING.contains(begins) && !QUESTION.contains(begins)) {
      findings.add(
          new Finding(-1.5, "first sentence leans on something said before (\"" + begins + "\")"));
    } else if (opener.size() >= 4 && opener.size() <= 14) {
      findings.add(new Finding(0.6, "opens with a short sentence of " + opener.size() + " words"));
    }
    boolean turn = s == 0 || sentences.get(s - 1).speaker() != opener.speaker();
    if (turn) {
      findings.add(new Finding(0.4, "starts where " + name(opener) + " starts to speak"));
    }
  }

  private String firstSpoken(Passage sentence) {
    FillerFinder fillers = editor.fillerFinder();
    for (int i = sentence.from(); i < sentence.to(); i++) {
      String bare = transcript.words().get(i).bare();
      if (!bare.isEmpty() && !fillers.isSure(bare)) {
        return bare;
      }
    }
    return "";
  }

  private String name(Passage sentence) {
    String name = transcript.speakerName(sentence.speaker());
    boolean numbered = name.matches(".* \\d+");
    return name.isEmpty() ? "someone" : numbered ? name : name.split(" ")[0];
  }

  private void ending(int e, List<Finding> findings) {
    Passage closer = sentences.get(e);
    Word last = transcript.words().get(closer.to() - 1);
    if (!last.endsSentence()) {
      findings.add(new Finding(-0.8, "does not end on a full stop"));
      return;
    }
    if (last.text().contains("?")) {
      findings.add(new Finding(-0.8, "ends on a question that is not answered"));
    } else if (closer.size() >= 3 && closer.size() <= 8) {
      findings.add(new Finding(0.8, "ends on a line of " + number(closer.size()) + " words"));
    }
    boolean over = e + 1 == sentences.size() || sentences.get(e + 1).speaker() != closer.speaker();
    long silence =
        e + 1 == sentences.size()
            ? Long.MAX_VALUE
            : transcript.words().get(closer.to()).startUs() - last.endUs();
    if (over) {
      findings.add(new Finding(0.5, "ends where " + name(closer) + " has finished"));
    } else if (silence >= 700_000) {
      findings.add(
          new Finding(0.3, String.format(Locale.ROOT, "%.1f s of silence follow", silence / 1e6)));
    }
  }

  private static String number(int n) {
    return List.of("no", "one", "two", "three", "four", "five", "six", "seven", "eight").get(n);
  }

  private void subject(int s, int e, List<Finding> findings) {
    double mean = 0;
    for (int i = s; i <= e; i++) {
      mean += centrality[i];
    }
    mean /= e - s + 1;
    String told = mostTold(s, e);
    findings.add(new Finding(Math.max(-0.6, Math.min(1.2, (mean - 1) * 1.2)), told));
  }

  /** The content word that this stretch says most above its share of the episode. */
  private String mostTold(int s, int e) {
    Map<String, Integer> here = new TreeMap<>();
    for (int i = sentences.get(s).from(); i < sentences.get(e).to(); i++) {
      String bare = transcript.words().get(i).bare();
      if (bare.length() > 3 && ContentWords.isContent(bare)) {
        here.merge(bare, 1, Integer::sum);
      }
    }
    return here.entrySet().stream()
        .filter(w -> w.getValue() >= 3 && w.getValue() * 2 > uses.get(w.getKey()))
        .max(
            Comparator.comparingInt((Map.Entry<String, Integer> w) -> w.getValue())
                .thenComparing(Map.Entry::getKey))
        .map(
            w ->
                "says \u201c"
                    + w.getKey()
                    + "\u201d "
                    + times(w.getValue())
                    + ", the rest of the episode "
                    + times(uses.get(w.getKey()) - w.getValue()))
        .orElse("");
  }

  /** How much of what is said names or tells something, against the rest of the episode. */
  private void substance(int s, int e, List<Finding> findings) {
    int told = 0;
    int words = 0;
    for (int i = s; i <= e; i++) {
      told += concrete[i];
      words += sentences.get(i).size();
    }
    double share = told / (double) words;
    double above = (share - usualShare) / usualSpread;
    double worth = Math.max(-2.0, Math.min(2.0, above * 0.9));
    String reason = "";
    if (above > 0.6) {
      reason = "concrete: " + told + " of " + words + " words name or tell something";
    } else if (above < -0.6) {
      reason = "small talk: only " + told + " of " + words + " words name or tell something";
    }
    findings.add(new Finding(worth, reason));
  }

  /** A question by one, and the answer by another who is let finish. */
  private void answered(int s, int e, List<Finding> findings) {
    Passage opener = sentences.get(s);
    boolean asks = transcript.words().get(opener.to() - 1).text().contains("?");
    if (!asks || s == e || sentences.get(s + 1).speaker() == opener.speaker()) {
      return;
    }
    int answerer = sentences.get(s + 1).speaker();
    for (int i = s + 1; i <= e; i++) {
      if (sentences.get(i).speaker() != answerer) {
        return;
      }
    }
    boolean whole = e + 1 == sentences.size() || sentences.get(e + 1).speaker() != answerer;
    if (whole && e - s >= 2) {
      findings.add(new Finding(1.0, "a question and the whole of its answer"));
    }
  }

  private static String times(int n) {
    return n == 0
        ? "never"
        : n == 1 ? "once" : n == 2 ? "twice" : n <= 8 ? number(n) + " times" : n + " times";
  }

  private void lively(int s, int e, List<Finding> findings) {
    double above = 0;
    long us = 0;
    for (int i = s; i <= e; i++) {
      long length = length(sentences.get(i));
      above += (loudness[i] - habit.get(sentences.get(i).speaker())) * length;
      us += length;
    }
    double db = us == 0 ? 0 : above / us;
    double worth = Math.max(-0.6, Math.min(1.0, db * 0.35));
    findings.add(
        new Finding(
            worth,
            Math.abs(db) < 1
                ? ""
                : String.format(
                    Locale.ROOT,
                    "voice %.0f dB %s than usual",
                    Math.abs(db),
                    db > 0 ? "livelier" : "flatter")));
  }

  private void fillers(int first, int last, List<Finding> findings) {
    int count = fillersBefore[last + 1] - fillersBefore[first];
    double share = count / (double) (last + 1 - first);
    if (share > 0.04) {
      findings.add(
          new Finding(
              -Math.min(0.8, share * 8),
              count + " fillers among " + (last + 1 - first) + " words"));
    }
  }

  private void wanted(int first, int last, Brief brief, List<Finding> findings) {
    for (String subject : brief.subjects()) {
      int said = said(first, last, subject);
      if (said > 0) {
        findings.add(
            new Finding(
                Math.min(3, 1.2 + 0.4 * said),
                "speaks of \u201c" + subject + "\u201d " + times(said)));
      }
    }
    for (String subject : brief.avoid()) {
      int said = said(first, last, subject);
      if (said > 0) {
        findings.add(
            new Finding(
                -Math.min(4, 1.5 + 0.5 * said),
                "speaks of \u201c" + subject + "\u201d, which the brief avoids"));
      }
    }
  }

  /** How often a word or phrase is said, by its stems. */
  private int said(int first, int last, String phrase) {
    List<String> wanted =
        Arrays.stream(phrase.toLowerCase(Locale.ROOT).split("\\s+"))
            .map(ContentWords::stem)
            .toList();
    int said = 0;
    for (int i = first; i + wanted.size() - 1 <= last; i++) {
      boolean same = true;
      for (int k = 0; k < wanted.size() && same; k++) {
        same = ContentWords.stem(transcript.words().get(i + k).bare()).equals(wanted.get(k));
      }
      said += same ? 1 : 0;
    }
    return said;
  }

  private boolean holdsUnheard(int first, int last, Set<String> unheard) {
    for (int i = first; i <= last && !unheard.isEmpty(); i++) {
      if (unheard.contains(transcript.words().get(i).bare())) {
        return true;
      }
    }
    return false;
  }

  private int concreteWords(Passage sentence) {
    int count = 0;
    for (int i = sentence.from(); i < sentence.to(); i++) {
      count += ContentWords.isConcrete(transcript.words().get(i).bare()) ? 1 : 0;
    }
    return count;
  }

  private long length(Passage sentence) {
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

  private long paredLength(int first, int last) {
    Span whole =
        new Span(
            transcript.words().get(first).startUs(),
            Math.max(
                transcript.words().get(first).startUs(), transcript.words().get(last).endUs()));
    return whole.lengthUs() - (paredBefore[last] - paredBefore[first]);
  }
}
