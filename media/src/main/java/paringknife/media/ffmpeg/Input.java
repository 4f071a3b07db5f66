package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.util.List;

/**
 * How any recording is opened: local files only, containers that hold their own media only, so that
 * no playlist or crafted header can make ffmpeg read anything else.
 */
final class Input {
  private static final String FORMATS =
      "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,mp3,wav,flac,ogg,aac,avi,mpegts,mpeg,aiff,w64,caf,f32le";

  private Input() {}

  static List<String> safety() {
    return List.of("-protocol_whitelist", "file,pipe,fd", "-format_whitelist", FORMATS);
  }

  /** The file as an argument that cannot be taken for an option or a protocol. */
  static String argument(Path file) {
    return "file:" + file.toAbsolutePath();
  }
}
