package paringknife.server.letterings;

import paringknife.core.letter.drawn.Lettering;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** A lettering as a JSON file. */
public final class LetteringFormat {
  private static final JsonMapper JSON = mapper();

  private LetteringFormat() {}

  private static JsonMapper mapper() {
    JsonMapper.Builder builder = JsonMapper.builder();
    LetteringKinds.MARKS.addTo(builder);
    LetteringKinds.ENTRANCES.addTo(builder);
    return builder.build();
  }

  public static String write(Lettering lettering) {
    return JSON.writeValueAsString(lettering);
  }

  /**
   * Reads a lettering.
   *
   * @param file its name, for telling
   * @throws IllegalArgumentException when it is none, with a word about what is wrong
   */
  public static Lettering read(String text, String file) {
    try {
      Lettering lettering = JSON.readValue(text, Lettering.class);
      if (lettering == null
          || lettering.id() == null
          || lettering.name() == null
          || lettering.style() == null
          || lettering.breaking() == null) {
        throw new IllegalArgumentException(file + " is no lettering: something is missing in it.");
      }
      return lettering;
    } catch (JacksonException e) {
      Throwable cause = e.getCause();
      String why = cause instanceof IllegalArgumentException ? ": " + cause.getMessage() : ".";
      throw new IllegalArgumentException(file + " is no lettering" + why);
    }
  }
}
