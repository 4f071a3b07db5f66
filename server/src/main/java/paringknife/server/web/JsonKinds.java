package paringknife.server.web;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;

/**
 * The kinds of a type whose JSON says by its {@code type} which of them it is.
 *
 * @param base what all of them are
 * @param kinds by their names in JSON, in the order of those names
 */
public record JsonKinds(Class<?> base, Map<String, Class<?>> kinds) {
  static final String PROPERTY = "type";

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = PROPERTY)
  private interface ToldByType {}

  public JsonKinds {
    kinds = new TreeMap<>(kinds);
  }

  /** Lets a mapper read and write them. */
  public void addTo(JsonMapper.Builder mapper) {
    mapper.addMixIn(base, ToldByType.class);
    kinds.forEach((name, type) -> mapper.registerSubtypes(new NamedType(type, name)));
  }

  /** What a kind is called in the API's document, where names are for all of it. */
  String schemaName(String kind) {
    return kind.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
        + kind.substring(1)
        + base.getSimpleName();
  }
}
