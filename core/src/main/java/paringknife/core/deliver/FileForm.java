package paringknife.core.deliver;

import java.util.Set;

/**
 * The form of a finished file, which decides where it plays. Codecs, profiles and forms of pixels
 * are called as ffprobe calls them; what a file does not have is empty.
 *
 * @param picture codec of the picture
 * @param profile which of its codec's tools the picture uses
 * @param pixels how many bits a pixel has, and how much of them is for colours
 * @param sound codec of the sound
 * @param isIndexFirst whether a player can begin before all of the file is there: the index of an
 *     MP4 file may stand before or behind its media (ISO/IEC 14496-12, 6.2.3)
 */
public record FileForm(
    String picture, String profile, String pixels, String sound, boolean isIndexFirst) {
  /** Eight bits, and a colour for every four pixels. */
  private static final String PLAIN = "yuv420p";

  private static final Set<String> H264 =
      Set.of("Constrained Baseline", "Baseline", "Main", "High");

  private static final Set<String> SOUNDS = Set.of("aac", "mp3", "opus", "pcm_s16le");

  /** Whether there is something to see. */
  boolean hasPicture() {
    return !picture.isEmpty();
  }

  /** Every frame whole: for another editor, not for pages. */
  boolean isForEditors() {
    return picture.equals("dnxhd");
  }

  /** Whether pages play it, in any browser of today (common practice; tried in Chromium). */
  Check inBrowsers() {
    String subject = "in browsers";
    if (picture.equals("hevc")) {
      return Check.notes(subject, "plays where the machine itself can decode HEVC");
    }
    if (!playsPicture()) {
      return Check.fails(
          subject, "does not play: " + (picture + " " + profile).strip() + ", " + pixels);
    }
    if (!SOUNDS.contains(sound)) {
      return Check.fails(
          subject, sound.isEmpty() ? "there is no sound in it" : "is not heard: " + sound);
    }
    return isIndexFirst
        ? Check.passes(subject, "plays, and begins at once")
        : Check.fails(subject, "begins only when all of it has come: its index is at the end");
  }

  private boolean playsPicture() {
    return switch (picture) {
      case "" -> true;
      case "h264" -> H264.contains(profile) && pixels.equals(PLAIN);
      case "vp9" -> profile.equals("Profile 0");
      case "av1" -> profile.equals("Main") && pixels.equals(PLAIN);
      default -> false;
    };
  }
}
