package paringknife.server.letterings;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.Habits;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.NamedStyle;
import paringknife.core.dress.Logo;
import paringknife.core.dress.Names;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Manner;
import paringknife.core.frame.PushInHabit;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Style;
import paringknife.core.listen.clean.Cleanup;
import paringknife.server.web.BodyRules;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

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

  /** Most fonts that go along with a style. */
  private static final int MOST_FONTS = 8;

  /** All that either kind of file may hold. */
  private record Held(
      @Nullable String name,
      @Nullable List<byte[]> fonts,
      @Nullable String id,
      @Nullable String lettering,
      @Nullable Style style,
      @Nullable Breaking breaking,
      Lettered.@Nullable LeftOut leavesOut,
      @Nullable CaptionUse use,
      @Nullable Manner manner,
      @Nullable PushInHabit pushIns,
      @Nullable Cleanup cleanup,
      @Nullable Logo logo,
      byte @Nullable [] logoPicture,
      @Nullable Names names,
      @Nullable String callOuts,
      @Nullable Ground behind,
      @Nullable Backdrop backdrop,
      byte @Nullable [] backdropPicture,
      @Nullable Habits habits) {}

  public static String write(Lettering lettering) {
    return JSON.writeValueAsString(lettering);
  }

  /**
   * A house style under its name, with files that go along.
   *
   * @param fonts files, whole
   * @param pictures of its logo and its backdrop
   */
  public static String write(NamedStyle style, List<byte[]> fonts, Pictures pictures) {
    ObjectNode file = JSON.createObjectNode().put("name", style.name());
    file.setAll((ObjectNode) JSON.valueToTree(style.style()));
    file.set("habits", JSON.valueToTree(style.habits()));
    pictures.logo().ifPresent(picture -> file.put("logoPicture", picture));
    pictures.backdrop().ifPresent(picture -> file.put("backdropPicture", picture));
    ArrayNode along = file.putArray("fonts");
    fonts.forEach(along::add);
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(file);
  }

  /** Pictures that go along, each whole. */
  public record Pictures(Optional<byte[]> logo, Optional<byte[]> backdrop) {
    public static final Pictures NONE = new Pictures(Optional.empty(), Optional.empty());
  }

  /**
   * What a file holds.
   *
   * @param name empty where it has none
   */
  public record Content(
      Optional<String> name,
      HouseStyle style,
      Habits habits,
      List<byte[]> fonts,
      Pictures pictures) {}

  /**
   * Reads a style with what goes along.
   *
   * @param file its name, for telling
   * @throws IllegalArgumentException when it is none, with a word about what is wrong
   */
  public static Content content(String text, String file) {
    Held held = held(text, file);
    check(held.habits(), file);
    List<byte[]> fonts = held.fonts() == null ? List.of() : held.fonts();
    if (fonts.size() > MOST_FONTS || fonts.stream().anyMatch(Objects::isNull)) {
      throw new IllegalArgumentException(
          file + " is no style: up to " + MOST_FONTS + " fonts go along with one.");
    }
    // A lettering has a name of its own, which is no house style's.
    Optional<String> name =
        Optional.ofNullable(held.lettering() == null ? null : held.name())
            .filter(n -> !n.isBlank());
    return new Content(
        name,
        styled(held, file),
        held.habits() == null ? Habits.NONE : held.habits(),
        fonts,
        new Pictures(
            Optional.ofNullable(held.logoPicture()), Optional.ofNullable(held.backdropPicture())));
  }

  /**
   * Reads a style.
   *
   * @param file its name, for telling
   * @throws IllegalArgumentException when it is none, with a word about what is wrong
   */
  public static HouseStyle read(String text, String file) {
    return styled(held(text, file), file);
  }

  private static void check(@Nullable Habits habits, String file) {
    try {
      if (habits != null) {
        BodyRules.check(habits);
      }
    } catch (BodyRules.BadBody e) {
      throw new IllegalArgumentException(file + " is no style: " + e.getMessage());
    }
  }

  private static Held held(String text, String file) {
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
    return held;
  }

  private static HouseStyle styled(Held held, String file) {
    checkWhole(held.style(), file);
    return new HouseStyle(
        held.lettering() == null ? Letterings.SLUICE.id() : Letterings.byId(held.lettering()).id(),
        held.style(),
        held.breaking(),
        held.leavesOut(),
        held.use(),
        held.manner() == null ? Manner.USUAL : held.manner(),
        held.pushIns(),
        held.cleanup() == null ? Cleanup.NONE : held.cleanup(),
        held.logo(),
        held.names(),
        held.callOuts(),
        held.behind(),
        held.backdrop());
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
