package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.transcript.Transcript;

/**
 * A sentence that is said and what stands for it in another language.
 *
 * @param translated null where nothing does
 */
public record SentencePair(SaidSentence said, @Nullable TranslatedSentence translated) {

  /**
   * What of a language's sentences has its place in a clip.
   *
   * @param pairs in playing order
   * @param unplaced what was translated and is not said in the clip any more
   */
  public record Paired(List<SentencePair> pairs, List<TranslatedSentence> unplaced) {}

  /** Pairs each sentence with what has the most words in common with it. */
  public static Paired pair(
      List<SaidSentence> said, List<TranslatedSentence> translated, Transcript transcript) {
    WordRanges places = new WordRanges(transcript);
    List<WordRanges.Range> ranges = translated.stream().map(places::of).toList();
    boolean[] placed = new boolean[translated.size()];
    List<SentencePair> pairs = new ArrayList<>();
    for (SaidSentence sentence : said) {
      WordRanges.Range range = places.of(sentence.first(), sentence.last());
      int best = -1;
      int most = 0;
      for (int i = 0; i < ranges.size(); i++) {
        int common = placed[i] ? 0 : range.common(ranges.get(i));
        if (common > most) {
          most = common;
          best = i;
        }
      }
      if (best >= 0) {
        placed[best] = true;
      }
      pairs.add(new SentencePair(sentence, best < 0 ? null : translated.get(best)));
    }
    List<TranslatedSentence> unplaced = new ArrayList<>();
    for (int i = 0; i < placed.length; i++) {
      if (!placed[i]) {
        unplaced.add(translated.get(i));
      }
    }
    return new Paired(pairs, unplaced);
  }

  /** Whether what is said has changed since it was translated. */
  public boolean isChanged() {
    return translated != null && translated.shows() && !translated.source().equals(said.text());
  }

  /** Whether captions show a translation. */
  public boolean shows() {
    return translated != null && translated.shows();
  }

  /** The translation as far as it goes; nothing where there is none. */
  public String text() {
    return translated == null ? "" : translated.text();
  }

  /** How far its captions are from when it is said; null for not at all. */
  public TranslatedSentence.@Nullable Moved moved() {
    return translated == null ? null : translated.moved();
  }

  /** The translation without the breaks that its captions have. */
  String unbroken() {
    return text().strip().replaceAll("\\s+", " ");
  }

  public TranslatedSentence.State state() {
    return translated == null || translated.text().isBlank()
        ? TranslatedSentence.State.OPEN
        : translated.state();
  }

  /** The same sentence with another translation of what is said now. */
  public TranslatedSentence as(String text, TranslatedSentence.State state) {
    return new TranslatedSentence(said.first(), said.last(), said.text(), text, state, moved());
  }
}
