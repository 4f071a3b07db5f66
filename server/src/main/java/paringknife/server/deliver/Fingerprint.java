package paringknife.server.deliver;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import paringknife.core.deliver.Composition;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.Playback;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.CutList;
import paringknife.server.episodes.Episode;

/**
 * Names a finished file by all that it is made from. Specs that differ only in their limits give
 * the same fingerprint, so their file is made once.
 */
final class Fingerprint {
  private Fingerprint() {}

  static String of(Episode episode, Composition composition) {
    DeliverySpec spec = composition.spec();
    Playback playback = composition.playback();
    String text =
        episode.recording().file()
            + "\n"
            + episode.folder().soundMadeAt()
            + "\n"
            + playback.sound()
            + "\n"
            + playback.cleanup()
            + "\n"
            + playback.runs()
            + "\n"
            + playback.windowRuns()
            + "\n"
            + composition.captions().ass()
            + "\n"
            + playback.speed()
            + "\n"
            + spec.width()
            + "x"
            + spec.height()
            + " "
            + spec.lufs()
            + " "
            + spec.ceilingDbtp();
    return digest(text);
  }

  /** Names the kept pieces of a clip as they are now. */
  static String ofPieces(Episode episode, ClipDocument clip) {
    CutList cuts = CutList.of(clip, episode.transcript());
    return digest(
        episode.recording().file()
            + "\n"
            + episode.folder().soundMadeAt()
            + "\n"
            + episode.soundPlanner().plan(clip, cuts)
            + "\n"
            + cuts);
  }

  private static String digest(String text) {
    try {
      byte[] digest =
          MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
