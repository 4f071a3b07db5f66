package paringknife.core.letter;

import java.util.List;
import java.util.Map;

/**
 * The section of a clip that says how it is captioned.
 *
 * @param lettering id of the lettering
 * @param edits what was changed of the captions that the breaker proposes, by the language of the
 *     track; {@link #SPOKEN} for the captions of what is said
 */
public record Lettered(String lettering, Map<String, List<CaptionEdit>> edits) {
  /** The track of the language that is spoken. */
  public static final String SPOKEN = "";

  public Lettered {
    edits = Map.copyOf(edits);
  }

  /** Captions as the breaker proposes them. */
  public static Lettered in(String lettering) {
    return new Lettered(lettering, Map.of());
  }

  Lettered withLettering(String changed) {
    return new Lettered(changed, edits);
  }

  /** The edits of one track. */
  public List<CaptionEdit> editsOf(String track) {
    return edits.getOrDefault(track, List.of());
  }
}
