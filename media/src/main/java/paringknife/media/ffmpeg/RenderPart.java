package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Path;

/**
 * A part of what a render does to the picture. It lays out the files it needs, opens its inputs and
 * says its filters; the picture comes in from the part before and goes out to the next.
 */
interface RenderPart {
  /** Lays files out in the folder that ffmpeg runs in. */
  default void layOut(Path work) throws IOException {}

  /** Opens what it reads; answers how many inputs that are. */
  default int open(Ffmpeg run) {
    return 0;
  }

  /** Its filters, joined by commas; empty when it has nothing to do. */
  String filters();
}
