package paringknife.media.speech;

import java.nio.file.Path;

/** CMU Sphinx's US English model as Debian's {@code pocketsphinx-en-us} installs it. */
final class SphinxModel {
  private static final Path HOME = Path.of("/usr/share/pocketsphinx/model/en-us");

  private SphinxModel() {}

  static Path acoustic() {
    return HOME.resolve("en-us");
  }

  static Path dictionary() {
    return HOME.resolve("cmudict-en-us.dict");
  }

  static Path language() {
    return HOME.resolve("en-us.lm.bin");
  }
}
