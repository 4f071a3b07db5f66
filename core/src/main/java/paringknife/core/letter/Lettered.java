package paringknife.core.letter;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Style;
import paringknife.core.letter.translated.Translation;

/**
 * The section of a clip that says how it is captioned.
 *
 * @param lettering id of the lettering
 * @param style what was changed of how the lettering looks; null for as it is
 * @param breaking what was changed of how it breaks captions; null for as it does
 * @param leavesOut what of what is said is not shown; null for nothing
 * @param use where captions go; null for both into the picture and beside it
 * @param edits what was changed of the captions that the breaker proposes, by the language of the
 *     track; {@link #SPOKEN} for the captions of what is said
 * @param translations captions in other languages, by their tags
 */
public record Lettered(
    String lettering,
    @Nullable Style style,
    @Nullable Breaking breaking,
    @Nullable LeftOut leavesOut,
    @Nullable CaptionUse use,
    Map<String, List<CaptionEdit>> edits,
    Map<String, Translation> translations) {
  /** The track of the language that is spoken. */
  public static final String SPOKEN = "";

  /** Most edits of one track. */
  public static final int MOST_EDITS = 20_000;

  /** Most languages of a clip besides the one that is spoken. */
  public static final int MOST_LANGUAGES = 12;

  /** What of what is said is not shown; the sound keeps it. */
  public record LeftOut(boolean fillers, boolean falseStarts) {}

  public Lettered {
    edits = Map.copyOf(edits);
    translations = translations == null ? Map.of() : Map.copyOf(translations);
    if (translations.size() > MOST_LANGUAGES) {
      throw new IllegalArgumentException(
          "A clip has captions in up to " + MOST_LANGUAGES + " other languages.");
    }
  }

  /** Captions as the breaker proposes them, in a lettering as it is. */
  public static Lettered in(String lettering) {
    return new Lettered(lettering, null, null, null, null, Map.of(), Map.of());
  }

  /** With what is single in another: its edits and its translations. */
  public Lettered withSingle(Lettered other) {
    return new Lettered(
        lettering, style, breaking, leavesOut, use, other.edits, other.translations);
  }

  /** As it would be in another lettering. */
  public Lettered inAnother(String changed) {
    Lettered other = withLettering(Letterings.byId(changed).id());
    return changed.equals(lettering) ? this : other;
  }

  /** Another lettering as it is; what was edited of single captions stays. */
  Lettered withLettering(String changed) {
    return new Lettered(changed, null, null, leavesOut, use, edits, translations);
  }

  /** As a lettering has it, whatever this one's own is. */
  public Lettered as(Lettering changed) {
    return with(changed.style()).with(changed.breaking()).keptToOwn();
  }

  /** What is as the lettering has it counts as unchanged. */
  private Lettered keptToOwn() {
    Lettering base = Letterings.byId(lettering);
    return new Lettered(
        lettering,
        base.style().equals(style) ? null : style,
        base.breaking().equals(breaking) ? null : breaking,
        leavesOut,
        use,
        edits,
        translations);
  }

  Lettered with(@Nullable Style changed) {
    return new Lettered(lettering, changed, breaking, leavesOut, use, edits, translations);
  }

  public Lettered with(@Nullable Breaking changed) {
    return new Lettered(lettering, style, changed, leavesOut, use, edits, translations);
  }

  Lettered with(LeftOut changed) {
    return new Lettered(
        lettering,
        style,
        breaking,
        changed.fillers() || changed.falseStarts() ? changed : null,
        use,
        edits,
        translations);
  }

  public Lettered with(CaptionUse changed) {
    return new Lettered(
        lettering,
        style,
        breaking,
        leavesOut,
        changed == CaptionUse.BOTH ? null : changed,
        edits,
        translations);
  }

  /** Where captions go. */
  public CaptionUse used() {
    return use == null ? CaptionUse.BOTH : use;
  }

  /** What a language has so far. */
  public Translation translation(String language) {
    return translations.getOrDefault(language, Translation.begun());
  }

  /**
   * With a language as it is now; null for without it.
   *
   * @throws IllegalArgumentException when more languages would go into the picture than it has room
   *     for
   */
  Lettered with(String language, @Nullable Translation changed) {
    Map<String, Translation> all = new HashMap<>(translations);
    if (changed == null) {
      all.remove(language);
    } else {
      all.put(language, changed);
    }
    long burnt =
        all.values().stream().filter(t -> t.use().isBurnt()).count() + (used().isBurnt() ? 1 : 0);
    if (changed != null && changed.use().isBurnt() && burnt > CaptionTracks.MOST_BURNT) {
      throw new IllegalArgumentException(
          "A picture has room for captions in two languages. Take one out of it first.");
    }
    return new Lettered(lettering, style, breaking, leavesOut, use, edits, all);
  }

  /** The edits of one track. */
  public List<CaptionEdit> editsOf(String track) {
    return edits.getOrDefault(track, List.of());
  }

  /** With more edits of a track; each takes the place of an earlier one about the same. */
  Lettered and(String track, List<CaptionEdit> more) {
    List<CaptionEdit> all = new ArrayList<>(editsOf(track));
    all.removeIf(earlier -> more.stream().anyMatch(edit -> edit.replaces(earlier)));
    all.addAll(more);
    return withEdits(track, all);
  }

  Lettered without(String track, Predicate<CaptionEdit> gone) {
    return withEdits(track, editsOf(track).stream().filter(gone.negate()).toList());
  }

  private Lettered withEdits(String track, List<CaptionEdit> changed) {
    if (changed.size() > MOST_EDITS) {
      throw new IllegalArgumentException(
          "The captions of a clip hold up to " + MOST_EDITS + " changes.");
    }
    Map<String, List<CaptionEdit>> all = new HashMap<>(edits);
    if (changed.isEmpty()) {
      all.remove(track);
    } else {
      all.put(track, List.copyOf(changed));
    }
    return new Lettered(lettering, style, breaking, leavesOut, use, all, translations);
  }

  /** The lettering with what was changed of it. */
  public Lettering asSet() {
    Lettering base = Letterings.byId(lettering);
    return new Lettering(
        base.id(),
        base.name(),
        style == null ? base.style() : style,
        breaking == null ? base.breaking() : breaking);
  }
}
