package paringknife.media.speech;

import java.nio.file.Path;
import paringknife.core.listen.SpeakersByVoice;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.DecodedSound;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.store.ScratchFolder;

/** Tells the voices in a sound file apart. */
public final class VoicesInFile {
  private VoicesInFile() {}

  /** The transcript with the speakers proposed by voice; as it is when only one voice is heard. */
  public static Transcript propose(Path sound, Transcript transcript) {
    try (ScratchFolder scratch = ScratchFolder.in(Path.of(System.getProperty("java.io.tmpdir")))) {
      return new SpeakersByVoice(
              DecodedSound.of(Probe.of(sound), scratch.path().resolve("sound.raw")))
          .propose(transcript);
    }
  }
}
