package paringknife.core.deliver.post;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import paringknife.core.letter.cue.KeyWordFinder.KeyWord;
import paringknife.core.letter.cue.KeyWordFinder.Why;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Proposes what is posted with a clip from what is said in it, and from nothing else: its strongest
 * sentence and who says it, and as tags the show, the speaker and the key words.
 */
public final class PostWriter {
  private static final int MOST_TAGS = 8;
  private static final int LEAST_WORDS = 5;
  private static final int MOST_WORDS = 32;

  /** How speakers are called whom nobody has named. */
  private static final Pattern UNNAMED =
      Pattern.compile("(speaker|voice|host|guest)?\\s?\\d{0,3}", Pattern.CASE_INSENSITIVE);

  private final Transcript transcript;
  private final String show;
  private final Map<Long, Integer> places = new HashMap<>();

  public PostWriter(Transcript transcript, String show) {
    this.transcript = transcript;
    this.show = show;
    List<Word> words = transcript.words();
    for (int i = 0; i < words.size(); i++) {
      places.put(words.get(i).id(), i);
    }
  }

  /**
   * What is proposed.
   *
   * @param said the clip's sentences
   * @param keyWords of its captions
   */
  public Post propose(List<SaidSentence> said, List<KeyWord> keyWords) {
    SaidSentence strongest =
        said.stream()
            .max(Comparator.comparingDouble((SaidSentence s) -> strength(s, keyWords)))
            .orElse(null);
    List<String> tags = new ArrayList<>(List.of(show));
    if (strongest == null) {
      return new Post("", tags);
    }
    String by = named(strongest.speaker());
    tags.add(by);
    keyWords.stream()
        .filter(k -> k.why() != Why.NUMBER)
        .sorted(Comparator.comparing(KeyWord::why))
        .forEach(k -> tags.add(k.text()));
    String from =
        List.of(by, show).stream().filter(n -> !n.isEmpty()).collect(Collectors.joining(", "));
    return new Post(
        "“" + begun(strongest.text()) + "”" + (from.isEmpty() ? "" : " — " + from),
        withoutParts(tags));
  }

  /** As tags, without those that are a part of one before. */
  private static List<String> withoutParts(List<String> names) {
    List<String> tags = new ArrayList<>();
    for (String name : names) {
      String tag = Post.tag(name);
      if (!tag.isEmpty()
          && tags.size() < MOST_TAGS
          && tags.stream().noneMatch(t -> t.contains(tag))) {
        tags.add(tag);
      }
    }
    return tags;
  }

  /** With a capital, also where the transcript knows none. */
  private static String begun(String text) {
    int first = text.isEmpty() ? 0 : text.offsetByCodePoints(0, 1);
    return text.substring(0, first).toUpperCase(Locale.ROOT) + text.substring(first);
  }

  private String named(int speaker) {
    if (speaker < 0 || speaker >= transcript.speakers().size()) {
      return "";
    }
    String name = transcript.speakers().get(speaker).strip();
    return UNNAMED.matcher(name).matches() ? "" : name;
  }

  /** How much a sentence says for its length; short and endless ones say little alone. */
  private double strength(SaidSentence sentence, List<KeyWord> keyWords) {
    int words = sentence.text().split(" ").length;
    double said = 0;
    for (KeyWord word : keyWords) {
      if (holds(sentence, word)) {
        said += weight(word.why());
      }
    }
    boolean whole = sentence.text().matches(".*[.!?。！？…؟।][\"”»’']?");
    double shape = words < LEAST_WORDS || words > MOST_WORDS ? 0.2 : whole ? 1 : 0.5;
    return shape * (0.1 + said / Math.sqrt(words));
  }

  private boolean holds(SaidSentence sentence, KeyWord word) {
    Integer at = places.get(word.wordId());
    Integer first = places.get(sentence.first());
    Integer last = places.get(sentence.last());
    return at != null && first != null && last != null && at >= first && at <= last;
  }

  private static double weight(Why why) {
    return switch (why) {
      case SUBJECT -> 3;
      case NAME -> 2;
      case NUMBER -> 1.5;
      case RARE -> 1;
    };
  }
}
