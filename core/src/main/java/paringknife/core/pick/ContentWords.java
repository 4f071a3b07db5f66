package paringknife.core.pick;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;

/**
 * The words that tell a subject, by their stems; function words left out, English ones by a list
 * (common practice), those of other languages as {@link WordForms} knows them.
 */
public final class ContentWords {
  private static final Set<String> FUNCTION =
      Set.of(
          "the", "a", "an", "and", "or", "but", "of", "to", "in", "on", "at", "for", "with", "from",
          "by", "as", "is", "was", "were", "are", "be", "been", "it", "its", "that", "this",
          "these", "those", "i", "you", "he", "she", "we", "they", "me", "him", "her", "us", "them",
          "my", "your", "his", "our", "their", "not", "no", "so", "if", "then", "there", "what",
          "which", "who", "when", "where", "how", "why", "do", "did", "does", "have", "has", "had",
          "would", "could", "can", "will", "just", "about", "into", "out", "up", "down", "all",
          "one", "like", "know", "um", "uh", "er", "well", "because", "than", "too", "very", "some",
          "any", "said", "say", "go", "got", "get");

  /** Words that fill a conversation and tell nothing (common practice). */
  private static final Set<String> VAGUE =
      Set.of(
          "thing",
          "things",
          "something",
          "anything",
          "really",
          "kind",
          "sort",
          "maybe",
          "think",
          "thought",
          "mean",
          "means",
          "right",
          "okay",
          "good",
          "nice",
          "great",
          "little",
          "more",
          "less",
          "much",
          "many",
          "lot",
          "lots",
          "other",
          "others",
          "another",
          "same",
          "way",
          "ways",
          "bit",
          "here",
          "now",
          "later",
          "before",
          "again",
          "still",
          "even",
          "also",
          "only",
          "always",
          "never",
          "actually",
          "basically",
          "probably",
          "anyway",
          "sorry",
          "please",
          "thank",
          "thanks",
          "yes",
          "yeah",
          "back",
          "come",
          "comes",
          "came",
          "goes",
          "going",
          "gone",
          "went",
          "told",
          "tell",
          "talk",
          "talking",
          "saying",
          "says",
          "look",
          "make",
          "made",
          "take",
          "took",
          "carry",
          "let",
          "put",
          "fine",
          "sure",
          "depends",
          "remember",
          "forget",
          "second",
          "first",
          "part",
          "matter",
          "altogether",
          "list",
          "time",
          "year",
          "day",
          "people",
          "few",
          "should",
          "must",
          "might",
          "may",
          "those",
          "over",
          "off",
          "after",
          "where",
          "while",
          "until",
          "better",
          "best",
          "everybody",
          "everything",
          "somebody",
          "nobody",
          "nothing");

  /** Whether a word, bare and in lower case, tells nothing of a subject (English). */
  public static boolean tellsNothing(String bare) {
    return FUNCTION.contains(bare) || VAGUE.contains(bare);
  }

  private final WordForms forms;
  private final Map<String, String> known = new ConcurrentHashMap<>();

  ContentWords(WordForms forms) {
    this.forms = forms;
  }

  /** Whether a word names something or tells a deed, rather than filling the talk. */
  boolean isConcrete(String bare) {
    return bare.length() > 2 && isContent(bare) && !VAGUE.contains(bare);
  }

  boolean isContent(String bare) {
    return bare.length() > 2 && !FUNCTION.contains(bare) && !forms.isFunctionWord(bare);
  }

  /** What the forms of a word have in common. */
  String stem(String bare) {
    return known.computeIfAbsent(bare, forms::stem);
  }

  /** Stems of the content words of a passage, in order. */
  List<String> stems(Transcript transcript, Passage passage) {
    List<String> stems = new ArrayList<>();
    for (int i = passage.from(); i < passage.to(); i++) {
      String bare = transcript.words().get(i).bare();
      if (isContent(bare)) {
        stems.add(stem(bare));
      }
    }
    return stems;
  }
}
