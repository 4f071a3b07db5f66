package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import paringknife.core.pick.ContentWords;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Proposes the words that carry what is said: those of the brief's subjects, names, numbers, and
 * what is rare in the episode (Spärck Jones, "A statistical interpretation of term specificity",
 * 1972); at most one in about {@value #APART} words.
 */
public final class KeyWordFinder {
  private static final int APART = 6;
  private static final int LETTERS_OF_A_RARE_WORD = 5;

  /** How rare a word has to be: once in so many. */
  private static final double RARE = 250;

  private static final Set<String> NUMBERS =
      Set.of(
          "twenty",
          "thirty",
          "forty",
          "fifty",
          "sixty",
          "seventy",
          "eighty",
          "ninety",
          "hundred",
          "thousand",
          "million",
          "eleven",
          "twelve",
          "thirteen",
          "fourteen",
          "fifteen",
          "sixteen",
          "seventeen",
          "eighteen",
          "nineteen");

  /** Words that are seldom what a sentence is about, however seldom they are said; from memory. */
  private static final Set<String> PLAIN =
      Set.of(
          ("itself himself herself myself yourself themselves ourselves anybody anyone someone"
                  + " everyone behind beside beyond below above across along around among without"
                  + " within towards against between enough quite rather almost already perhaps"
                  + " instead though although unless whether whatever whenever wherever either"
                  + " neither having being doing getting making taking giving coming looking sitting"
                  + " standing trying using wanted needed called asked began beginning begin start"
                  + " started happened become became brought found given known keeps keeping later"
                  + " longer often every each both several certain whole entire different similar"
                  + " anything another under about years months weeks hours minutes today tomorrow"
                  + " yesterday sometimes usually suddenly finally especially simply exactly really")
              .split(" "));

  private final Transcript transcript;
  private final Set<String> subjects;
  private final Map<String, Integer> said = new HashMap<>();
  private final Map<Long, Integer> places = new HashMap<>();

  /**
   * @param subjects what the brief is about, word by word, bare and in lower case
   */
  public KeyWordFinder(Transcript transcript, Set<String> subjects) {
    this.transcript = transcript;
    this.subjects = Set.copyOf(subjects);
    for (int i = 0; i < transcript.words().size(); i++) {
      said.merge(transcript.words().get(i).bare(), 1, Integer::sum);
      places.put(transcript.words().get(i).id(), i);
    }
  }

  /** Why a word is proposed. */
  public enum Why {
    SUBJECT,
    NAME,
    NUMBER,
    RARE
  }

  /** A proposed word. */
  public record KeyWord(long wordId, String text, Why why) {}

  private record Candidate(int at, KeyWord word, double strength) {}

  /** Key words of captions, in order of time. */
  public List<KeyWord> propose(List<Cue> cues) {
    List<CueWord> heard =
        cues.stream().filter(c -> !c.isAdded()).flatMap(c -> c.words().stream()).toList();
    List<Candidate> candidates = new ArrayList<>();
    for (int i = 0; i < heard.size(); i++) {
      Integer place = places.get(heard.get(i).wordId());
      if (place != null) {
        consider(i, place, heard.get(i), candidates);
      }
    }
    candidates.sort(
        Comparator.comparingDouble(Candidate::strength).reversed().thenComparingInt(Candidate::at));
    List<Candidate> chosen = new ArrayList<>();
    for (Candidate candidate : candidates) {
      if (chosen.stream().allMatch(c -> Math.abs(c.at() - candidate.at()) >= APART)) {
        chosen.add(candidate);
      }
    }
    chosen.sort(Comparator.comparingInt(Candidate::at));
    return chosen.stream().map(Candidate::word).toList();
  }

  private void consider(int at, int place, CueWord shown, List<Candidate> candidates) {
    Word word = transcript.words().get(place);
    String bare = word.bare();
    if (bare.isEmpty()) {
      return;
    }
    double rarity = Math.log(transcript.words().size() / (double) Math.max(1, said.get(bare)));
    boolean begins = place == 0 || transcript.words().get(place - 1).endsSentence();
    if (subjects.contains(bare)) {
      add(at, shown, Why.SUBJECT, 30 + rarity, candidates);
    } else if (!begins && isName(word.text())) {
      add(at, shown, Why.NAME, 20 + rarity, candidates);
    } else if (Character.isDigit(bare.charAt(0)) || NUMBERS.contains(bare)) {
      add(at, shown, Why.NUMBER, 15 + rarity, candidates);
    } else if (isRare(bare, rarity)) {
      add(at, shown, Why.RARE, rarity + bare.length() / 20.0, candidates);
    }
  }

  private static boolean isRare(String bare, double rarity) {
    return bare.length() >= LETTERS_OF_A_RARE_WORD
        && rarity >= Math.log(RARE)
        && !PLAIN.contains(bare)
        && !ContentWords.tellsNothing(bare);
  }

  private static void add(
      int at, CueWord shown, Why why, double strength, List<Candidate> candidates) {
    candidates.add(new Candidate(at, new KeyWord(shown.wordId(), shown.text(), why), strength));
  }

  private static boolean isName(String text) {
    return text.length() > 2
        && Character.isUpperCase(text.charAt(0))
        && !text.startsWith("I\u2019")
        && !text.startsWith("I'");
  }
}
