package paringknife.media.speech;

import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoubleConsumer;
import paringknife.core.transcript.HeardWord;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.store.ScratchFolder;

/**
 * Times a text that is known against the sound it was said in: CMU Sphinx's acoustic model listens
 * with a language model of the text alone, and the text is laid onto what it heard. English only,
 * as the installed model is.
 */
public final class ForcedAligner {
  /** Below this share of words heard alike, the text is of something else. */
  public static final double LEAST_MATCH = 0.35;

  /**
   * The text with times.
   *
   * @param progress told the share done, 0 to 1
   */
  public TextOnSound align(Path sound, Transcript text, DoubleConsumer progress) {
    long durationUs = Probe.of(sound).durationUs();
    List<String> tokens = text.words().stream().map(Word::bare).filter(t -> !t.isEmpty()).toList();
    if (tokens.isEmpty()) {
      return TextOnSound.lay(text, List.of(), durationUs);
    }
    try (ScratchFolder scratch = ScratchFolder.in(Path.of(System.getProperty("java.io.tmpdir")))) {
      Path dictionary = scratch.path().resolve("text.dict");
      Path language = scratch.path().resolve("text.lm");
      Set<String> words = new TreeSet<>(tokens);
      words.addAll(TextModel.HESITATIONS);
      Pronunciations.write(words, dictionary);
      TextModel.write(tokens, language);
      List<HeardWord> heard = new SphinxDecoder(dictionary, language).decode(sound, progress);
      return TextOnSound.lay(text, heard, durationUs);
    }
  }
}
