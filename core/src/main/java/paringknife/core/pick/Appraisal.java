package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import paringknife.core.pare.FillerFinder;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Says what a run of sentences is worth as a clip, and why: what a listener meets first and last,
 * how much of the episode's subject it carries, how lively the voice is, and what the brief asks.
 */
final class Appraisal {
  private static final Set<String> LEANING =
      Set.of(
          "and", "but", "so", "because", "or", "then", "which", "also", "he", "she", "they", "it",
          "that", "this", "those", "these", "him", "her", "them", "there", "yes", "no", "yeah",
          "right", "exactly", "sure", "well");
  private static final Set<String> QUESTION =
      Set.of(
          "what", "why", "how", "who", "when", "where", "did", "do", "does", "is", "was", "were",
          "have", "can", "could", "would");

  private final SpokenEpisode spoken;
  private final Transcript transcript;

  Appraisal(SpokenEpisode spoken) {
    this.spoken = spoken;
    this.transcript = spoken.transcript();
  }

  private record Finding(double worth, String words) {}

  /** Sentences {@code s} to {@code e}, with what speaks for and against them. */
  Pick appraise(int s, int e, long pared, Brief brief) {
    int first = spoken.sentences().get(s).from();
    int last = spoken.sentences().get(e).to() - 1;
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
    Passage opener = spoken.sentences().get(s);
    return new Pick(
        first,
        last,
        spoken.editor().stretchOf(first, last),
        pared,
        Math.round(score * 1000) / 1000.0,
        transcript.text(opener.from(), opener.to()),
        reasons);
  }

  private void opening(int s, List<Finding> findings) {
    Passage opener = spoken.sentences().get(s);
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
    boolean turn = s == 0 || spoken.sentences().get(s - 1).speaker() != opener.speaker();
    if (turn) {
      findings.add(new Finding(0.4, "starts where " + name(opener) + " starts to speak"));
    }
  }

  private String firstSpoken(Passage sentence) {
    FillerFinder fillers = spoken.editor().fillerFinder();
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
    Passage closer = spoken.sentences().get(e);
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
    boolean over =
        e + 1 == spoken.sentences().size()
            || spoken.sentences().get(e + 1).speaker() != closer.speaker();
    long silence =
        e + 1 == spoken.sentences().size()
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
      mean += spoken.centrality(i);
    }
    mean /= e - s + 1;
    String told = mostTold(s, e);
    findings.add(new Finding(Math.max(-0.6, Math.min(1.2, (mean - 1) * 1.2)), told));
  }

  /** The content word that this stretch says most above its share of the episode. */
  private String mostTold(int s, int e) {
    Map<String, Integer> here = new TreeMap<>();
    for (int i = spoken.sentences().get(s).from(); i < spoken.sentences().get(e).to(); i++) {
      String bare = transcript.words().get(i).bare();
      if (bare.length() > 3 && spoken.content().isContent(bare)) {
        here.merge(bare, 1, Integer::sum);
      }
    }
    return here.entrySet().stream()
        .filter(w -> w.getValue() >= 3 && w.getValue() * 2 > spoken.uses(w.getKey()))
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
                    + times(spoken.uses(w.getKey()) - w.getValue()))
        .orElse("");
  }

  /** How much of what is said names or tells something, against the rest of the episode. */
  private void substance(int s, int e, List<Finding> findings) {
    int told = 0;
    int words = 0;
    for (int i = s; i <= e; i++) {
      told += spoken.concrete(i);
      words += spoken.sentences().get(i).size();
    }
    double share = told / (double) words;
    double above = spoken.aboveUsual(share);
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
    Passage opener = spoken.sentences().get(s);
    boolean asks = transcript.words().get(opener.to() - 1).text().contains("?");
    if (!asks || s == e || spoken.sentences().get(s + 1).speaker() == opener.speaker()) {
      return;
    }
    int answerer = spoken.sentences().get(s + 1).speaker();
    for (int i = s + 1; i <= e; i++) {
      if (spoken.sentences().get(i).speaker() != answerer) {
        return;
      }
    }
    boolean whole =
        e + 1 == spoken.sentences().size() || spoken.sentences().get(e + 1).speaker() != answerer;
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
      long length = spoken.length(spoken.sentences().get(i));
      above += spoken.aboveHabit(i) * length;
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
    int count = spoken.fillers(first, last);
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
            .map(spoken.content()::stem)
            .toList();
    int said = 0;
    for (int i = first; i + wanted.size() - 1 <= last; i++) {
      boolean same = true;
      for (int k = 0; k < wanted.size() && same; k++) {
        same = spoken.content().stem(transcript.words().get(i + k).bare()).equals(wanted.get(k));
      }
      said += same ? 1 : 0;
    }
    return said;
  }
}
