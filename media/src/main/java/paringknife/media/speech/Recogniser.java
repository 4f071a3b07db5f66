package paringknife.media.speech;

import java.nio.file.Path;
import paringknife.core.transcript.Transcript;

/** Turns sound into words with times and confidence. */
public interface Recogniser {
  /** Recognises all that is said in a sound file. */
  Transcript recognise(Path sound);
}
