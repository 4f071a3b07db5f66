package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.transcript.Transcript;

/**
 * The captions of a clip in another language than the one spoken in it.
 *
 * @param use where they go
 */
public record Translation(CaptionUse use, List<TranslatedSentence> sentences) {
  /** Most sentences of one language. */
  public static final int MOST_SENTENCES = 5_000;

  private static final int LONGEST_TAG = 35;

  public Translation {
    sentences = List.copyOf(sentences);
    if (sentences.size() > MOST_SENTENCES) {
      throw new IllegalArgumentException(
          "A language holds up to " + MOST_SENTENCES + " sentences.");
    }
  }

  /** Nothing translated yet; captions go beside the picture. */
  public static Translation begun() {
    return new Translation(CaptionUse.BESIDE, List.of());
  }

  /**
   * A language tag as BCP 47 writes it.
   *
   * @throws IllegalArgumentException when it is none
   */
  public static String language(String tag) {
    String known =
        tag.length() > LONGEST_TAG ? "" : Locale.forLanguageTag(tag.strip()).toLanguageTag();
    if (known.isEmpty() || known.equals("und") || !known.equalsIgnoreCase(tag.strip())) {
      throw new IllegalArgumentException("\"" + shortened(tag) + "\" is no language tag.");
    }
    return known;
  }

  private static String shortened(String tag) {
    return tag.substring(0, Math.min(LONGEST_TAG, tag.length()));
  }

  public Translation with(CaptionUse changed) {
    return new Translation(changed, sentences);
  }

  /** Those of some sentences for which nothing was taken meanwhile. */
  public List<TranslatedSentence> open(List<TranslatedSentence> proposed, Transcript transcript) {
    WordRanges places = new WordRanges(transcript);
    return proposed.stream()
        .filter(
            p ->
                sentences.stream()
                    .noneMatch(
                        s ->
                            s.shows()
                                && s.source().equals(p.source())
                                && places.of(s).common(places.of(p)) > 0))
        .toList();
  }

  /** With these sentences; each takes the place of those about any of the same words. */
  public Translation with(List<TranslatedSentence> changed, Transcript transcript) {
    WordRanges places = new WordRanges(transcript);
    List<WordRanges.Range> taken = changed.stream().map(places::of).toList();
    List<TranslatedSentence> all = new ArrayList<>(sentences);
    all.removeIf(old -> taken.stream().anyMatch(now -> now.common(places.of(old)) > 0));
    all.addAll(changed);
    return new Translation(use, all);
  }
}
