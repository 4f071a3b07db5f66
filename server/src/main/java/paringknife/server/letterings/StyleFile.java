package paringknife.server.letterings;

import org.jspecify.annotations.Nullable;
import paringknife.core.clip.HouseStyle;
import paringknife.core.frame.Manner;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Style;
import paringknife.core.listen.clean.Cleanup;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A house style, or a lettering alone, as a JSON file. A house style says which it is by its {@code
 * lettering}, a lettering by its {@code id}.
 */
public final class StyleFile {
  private static final JsonMapper JSON = mapper();

  private StyleFile() {}

  private static JsonMapper mapper() {
    JsonMapper.Builder builder = JsonMapper.builder();
    LetteringKinds.MARKS.addTo(builder);
    LetteringKinds.ENTRANCES.addTo(builder);
    return builder.build();
  }

  /** All that either kind of file may hold. */
  private record Held(
      @Nullable String id,
      @Nullable String lettering,
      @Nullable Style style,
      @Nullable Breaking breaking,
      Lettered.@Nullable LeftOut leavesOut,
      @Nullable CaptionUse use,
      @Nullable Manner manner,
      @Nullable Cleanup cleanup) {}

  public static String write(Lettering lettering) {
    return JSON.writeValueAsString(lettering);
  }

  public static String write(HouseStyle style) {
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(style);
  }

  /**
   * Reads a style.
   *
   * @param file its name, for telling
   * @throws IllegalArgumentException when it is none, with a word about what is wrong
   */
  public static HouseStyle read(String text, String file) {
    Held held;
    try {
      held = JSON.readValue(text, Held.class);
    } catch (JacksonException e) {
      Throwable cause = e.getCause();
      String why = cause instanceof IllegalArgumentException ? ": " + cause.getMessage() : ".";
      throw new IllegalArgumentException(file + " is no style" + why);
    }
    if (held == null || held.lettering() == null && held.id() == null) {
      throw new IllegalArgumentException(file + " is no style: it names no lettering.");
    }
    if (held.lettering() == null && (held.style() == null || held.breaking() == null)) {
      throw new IllegalArgumentException(file + " is no lettering: something is missing in it.");
    }
    checkWhole(held.style(), file);
    return new HouseStyle(
        held.lettering() == null ? Letterings.SLUICE.id() : Letterings.byId(held.lettering()).id(),
        held.style(),
        held.breaking(),
        held.leavesOut(),
        held.use(),
        held.manner() == null ? Manner.USUAL : held.manner(),
        held.cleanup() == null ? Cleanup.NONE : held.cleanup());
  }

  private static void checkWhole(@Nullable Style style, String file) {
    if (style == null) {
      return;
    }
    Object[] parts = {
      style.face(),
      style.text(),
      style.shadow(),
      style.ground(),
      style.align(),
      style.mark(),
      style.key(),
      style.motion()
    };
    for (Object part : parts) {
      if (part == null) {
        throw new IllegalArgumentException(file + " is no style: something is missing in it.");
      }
    }
  }
}
