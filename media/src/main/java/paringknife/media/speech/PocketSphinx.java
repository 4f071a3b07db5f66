package paringknife.media.speech;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.core.transcript.HeardWord;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * CMU Sphinx with its US English model, from Debian: works everywhere, offline, and is wrong often;
 * the transcript it gives needs reading. It knows no punctuation and no speakers.
 */
public final class PocketSphinx implements Recogniser {
  /** Only a person is entirely sure. */
  private static final double SUREST = 0.99;

  @Override
  public Description description() {
    return new Description(
        "CMU Sphinx",
        "en",
        "US English. It mishears one word in three or four of clear speech, knows no names and no punctuation.");
  }

  @Override
  public Transcript recognise(Path sound, DoubleConsumer progress) {
    List<Word> words = new ArrayList<>();
    long last = 0;
    for (HeardWord heard :
        new SphinxDecoder(SphinxModel.dictionary(), SphinxModel.language())
            .decode(sound, progress)) {
      long start = Math.max(last, heard.startUs());
      words.add(
          new Word(
              words.size(),
              heard.token(),
              start,
              Math.max(start, heard.endUs()),
              -1,
              Math.min(SUREST, heard.confidence())));
      last = start;
    }
    return new Transcript("en", List.of(), words);
  }
}
