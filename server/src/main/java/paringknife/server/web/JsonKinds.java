package paringknife.server.web;

import java.util.Map;

/**
 * The kinds of a type whose JSON says by its {@code type} which of them it is.
 *
 * @param base what all of them are
 * @param kinds by their names in JSON
 */
public record JsonKinds(Class<?> base, Map<String, Class<?>> kinds) {
  static final String PROPERTY = "type";

  /** What a kind is called in the API's document, where names are for all of it. */
  String schemaName(String kind) {
    return kind.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
        + kind.substring(1)
        + base.getSimpleName();
  }
}
