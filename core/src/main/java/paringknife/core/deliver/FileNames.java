package paringknife.core.deliver;

import java.text.Normalizer;
import java.util.Locale;

/** Names finished files so that any system and any destination takes them. */
public final class FileNames {
  private static final int LONGEST = 60;

  private FileNames() {}

  /**
   * {@code episode_clip_spec}, each part in lower case, hyphens for what is not a letter or digit.
   */
  public static String of(String episode, String clip, DeliverySpec spec) {
    return part(episode) + "_" + part(clip) + "_" + spec.id();
  }

  private static String part(String text) {
    String plain =
        Normalizer.normalize(text, Normalizer.Form.NFD)
            .replaceAll("\\p{M}+", "")
            .toLowerCase(Locale.ROOT)
            .replaceAll("[^a-z0-9]+", "-")
            .replaceAll("^-+|-+$", "");
    String kept =
        plain.length() > LONGEST ? plain.substring(0, LONGEST).replaceAll("-+$", "") : plain;
    return kept.isEmpty() ? "clip" : kept;
  }
}
