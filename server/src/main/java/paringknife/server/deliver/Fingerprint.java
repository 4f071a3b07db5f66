package paringknife.server.deliver;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.clip.Playback;
import paringknife.core.frame.colour.CameraColours;
import paringknife.media.ffmpeg.Renderer;
import paringknife.server.episodes.Episode;

/**
 * Names a finished file by all that it is made from. Specs that differ only in their limits give
 * the same fingerprint, so their file is made once.
 */
final class Fingerprint {
  private Fingerprint() {}

  /** What is the same for every spec of a clip. */
  static String ofClip(Episode episode, ComposedClip clip) {
    Playback playback = clip.playback();
    return digest(
        Renderer.EDITION,
        recorded(episode),
        playback.sound(),
        playback.cleanup(),
        playback.runs(),
        clip.tracks(),
        seen(clip),
        playback.speed());
  }

  /**
   * A clip for a spec.
   *
   * @param ofClip {@link #ofClip}
   */
  static String of(String ofClip, Composition made) {
    return digest(ofClip, made.path(), made.spec().makes());
  }

  /** The kept pieces of a clip as they are now. */
  static String ofPieces(Episode episode, ComposedClip clip) {
    return digest(Renderer.EDITION, recorded(episode), clip.playback().sound(), clip.cuts());
  }

  /** What is done to the picture, and what is laid over it; what is not done is not named. */
  private static String seen(ComposedClip clip) {
    String look = clip.look().toString();
    String coloured =
        clip.colours().equals(CameraColours.AS_RECORDED) ? look : look + " " + clip.colours();
    String grounded = clip.behind() == null ? coloured : coloured + " before " + clip.behind();
    String pictured = clip.backdrop() == null ? grounded : grounded + " " + clip.backdrop();
    String smoothed = clip.skin().amount() == 0 ? pictured : pictured + " skin " + clip.skin();
    return clip.logo() == null ? smoothed : smoothed + " " + clip.logo();
  }

  private static String recorded(Episode episode) {
    return episode.recording().file() + "\n" + episode.folder().soundMadeAt();
  }

  private static String digest(Object... parts) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      for (Object part : parts) {
        digest.update(part.toString().getBytes(StandardCharsets.UTF_8));
        digest.update((byte) '\n');
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
