package paringknife.core.pare;

import java.util.List;

/**
 * A clip as it is kept: what was picked, what was pared and why, and how it is framed, lettered and
 * delivered. Immutable.
 *
 * @param schema version of this form; {@value #SCHEMA} at present
 * @param settings all but the removals
 * @param removals in order of time
 * @param nextRemovalId the identity the next removal gets; never goes back, so that an identity is
 *     never used twice
 */
public record ClipDocument(
    int schema, ClipSettings settings, List<Removal> removals, long nextRemovalId) {
  public static final int SCHEMA = 1;

  public ClipDocument {
    if (schema != SCHEMA) {
      throw new IllegalArgumentException("this clip was written by another version: " + schema);
    }
    removals = removals.stream().sorted().toList();
  }

  public static ClipDocument of(ClipSettings settings) {
    return new ClipDocument(SCHEMA, settings, List.of(), 1);
  }

  public ClipDocument withSettings(ClipSettings changed) {
    return new ClipDocument(schema, changed, removals, nextRemovalId);
  }

  public ClipDocument withRemovals(List<Removal> changed, long nextId) {
    return new ClipDocument(schema, settings, changed, nextId);
  }
}
