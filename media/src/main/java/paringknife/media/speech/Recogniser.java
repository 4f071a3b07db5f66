package paringknife.media.speech;

import java.nio.file.Path;
import java.util.function.DoubleConsumer;
import paringknife.core.transcript.Transcript;

/** Turns sound into words with times and confidence. */
public interface Recogniser {
  /**
   * Recognises all that is said in a sound file.
   *
   * @param progress told the share done, 0 to 1
   */
  Transcript recognise(Path sound, DoubleConsumer progress);
}
