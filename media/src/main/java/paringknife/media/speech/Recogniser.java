package paringknife.media.speech;

import java.nio.file.Path;
import java.util.function.DoubleConsumer;
import paringknife.core.transcript.Transcript;

/** Turns sound into words with times and confidence. */
public interface Recogniser {
  /** The environment variable that names a Vosk model folder to use instead of CMU Sphinx. */
  String VOSK_MODEL = "PARING_KNIFE_VOSK_MODEL";

  /**
   * What a recogniser is.
   *
   * @param language BCP 47 tag of the language it knows
   * @param quality what to expect of it, said to the user
   */
  record Description(String name, String language, String quality) {}

  /**
   * Recognises all that is said in a sound file.
   *
   * @param progress told the share done, 0 to 1
   */
  Transcript recognise(Path sound, DoubleConsumer progress);

  Description description();

  /**
   * The one of this machine: the user's Vosk model where one is named, otherwise CMU Sphinx.
   *
   * @throws UnusableModel when the model named is not there
   */
  static Recogniser installed() {
    String folder = System.getenv(VOSK_MODEL);
    return folder == null || folder.isBlank()
        ? new PocketSphinx()
        : new VoskModelFolder(Path.of(folder));
  }
}
