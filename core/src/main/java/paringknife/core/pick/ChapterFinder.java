package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;

/**
 * Proposes chapters: topic boundaries by {@link TextTiling}, each titled by the question it opens
 * with, or by what is said there and not elsewhere.
 */
public final class ChapterFinder {
  private static final int BLOCK_SENTENCES = 8;
  private static final int SHORTEST_SENTENCES = 7;
  private static final int TITLE_WORDS = 3;
  private static final int OPENING_SENTENCES = 3;
  private static final int LONGEST_QUESTION = 12;

  private ChapterFinder() {}

  /**
   * Chapters in order; the first begins with the first word. Empty for an empty transcript.
   *
   * @param forms of the transcript's language
   */
  public static List<Chapter> find(Transcript transcript, WordForms forms) {
    ContentWords content = new ContentWords(forms);
    List<Passage> sentences = Sentences.of(transcript);
    if (sentences.isEmpty()) {
      return List.of();
    }
    List<List<String>> units = sentences.stream().map(s -> content.stems(transcript, s)).toList();
    List<Integer> starts = new ArrayList<>(List.of(0));
    for (int boundary : TextTiling.boundaries(units, BLOCK_SENTENCES, SHORTEST_SENTENCES)) {
      starts.add(withQuestion(transcript, sentences, boundary));
    }
    Map<String, Integer> chaptersWith = new HashMap<>();
    for (int c = 0; c < starts.size(); c++) {
      Set<String> here = new HashSet<>();
      units.subList(starts.get(c), end(starts, c, units.size())).forEach(here::addAll);
      here.forEach(w -> chaptersWith.merge(w, 1, Integer::sum));
    }
    List<Chapter> chapters = new ArrayList<>();
    for (int c = 0; c < starts.size(); c++) {
      long startUs =
          c == 0 ? 0 : transcript.words().get(sentences.get(starts.get(c)).from()).startUs();
      chapters.add(
          new Chapter(
              startUs,
              title(
                  transcript,
                  content,
                  sentences.subList(starts.get(c), end(starts, c, units.size())),
                  chaptersWith,
                  starts.size())));
    }
    return chapters;
  }

  private static int end(List<Integer> starts, int chapter, int all) {
    return chapter + 1 < starts.size() ? starts.get(chapter + 1) : all;
  }

  /** A question just before a boundary belongs to what it asks for. */
  private static int withQuestion(Transcript transcript, List<Passage> sentences, int boundary) {
    for (int s = boundary; s >= Math.max(1, boundary - 2); s--) {
      if (transcript.words().get(sentences.get(s).to() - 1).text().contains("?") && s < boundary) {
        return s;
      }
    }
    return boundary;
  }

  private static String title(
      Transcript transcript,
      ContentWords content,
      List<Passage> sentences,
      Map<String, Integer> chaptersWith,
      int chapters) {
    for (Passage sentence : sentences.subList(0, Math.min(OPENING_SENTENCES, sentences.size()))) {
      String asked = transcript.text(sentence.from(), sentence.to());
      if (asked.endsWith("?") && sentence.size() >= 3 && sentence.size() <= LONGEST_QUESTION) {
        return asked;
      }
    }
    Map<String, Integer> count = new HashMap<>();
    Map<String, String> shown = new HashMap<>();
    Map<String, Integer> firstSeen = new HashMap<>();
    for (Passage sentence : sentences) {
      for (int i = sentence.from(); i < sentence.to(); i++) {
        String bare = transcript.words().get(i).bare();
        if (content.isContent(bare) && bare.length() > 3) {
          String stem = content.stem(bare);
          count.merge(stem, 1, Integer::sum);
          shown.putIfAbsent(stem, bare);
          firstSeen.putIfAbsent(stem, i);
        }
      }
    }
    List<String> best =
        count.keySet().stream()
            .sorted(
                Comparator.comparingDouble(
                        (String s) ->
                            -count.get(s)
                                * Math.log((chapters + 1.0) / chaptersWith.getOrDefault(s, 1)))
                    .thenComparing(firstSeen::get))
            .limit(TITLE_WORDS)
            .sorted(Comparator.comparing(firstSeen::get))
            .map(shown::get)
            .toList();
    String title = String.join(", ", best);
    return title.isEmpty()
        ? "Chapter"
        : title.substring(0, 1).toUpperCase(Locale.ROOT) + title.substring(1);
  }
}
