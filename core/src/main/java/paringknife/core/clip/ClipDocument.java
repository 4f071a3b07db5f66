package paringknife.core.clip;

import java.util.List;
import paringknife.core.deliver.Delivered;
import paringknife.core.dress.LaidOver;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;

/**
 * A clip as it is kept, in sections; each belongs to the stage that changes it. Immutable.
 *
 * @param schema version of this form; {@value #SCHEMA} at present
 */
public record ClipDocument(
    int schema,
    Pared pared,
    Framed framed,
    Lettered lettered,
    LaidOver laidOver,
    Sounded sounded,
    Delivered delivered) {
  public static final int SCHEMA = 4;

  public ClipDocument {
    if (schema != SCHEMA) {
      throw new IllegalArgumentException("this clip was written by another version: " + schema);
    }
  }

  /** A clip of stretches as they were recorded. */
  public static ClipDocument of(
      List<Span> stretches, Framed framed, Lettered lettered, Delivered delivered) {
    return new ClipDocument(
        SCHEMA,
        Pared.of(stretches),
        framed,
        lettered,
        LaidOver.NOTHING,
        Sounded.AS_RECORDED,
        delivered);
  }

  public String title() {
    return delivered.title();
  }

  public ClipDocument with(Pared changed) {
    return new ClipDocument(schema, changed, framed, lettered, laidOver, sounded, delivered);
  }

  public ClipDocument with(Framed changed) {
    return new ClipDocument(schema, pared, changed, lettered, laidOver, sounded, delivered);
  }

  public ClipDocument with(Lettered changed) {
    return new ClipDocument(schema, pared, framed, changed, laidOver, sounded, delivered);
  }

  public ClipDocument with(LaidOver changed) {
    return new ClipDocument(schema, pared, framed, lettered, changed, sounded, delivered);
  }

  public ClipDocument with(Sounded changed) {
    return new ClipDocument(schema, pared, framed, lettered, laidOver, changed, delivered);
  }

  public ClipDocument with(Delivered changed) {
    return new ClipDocument(schema, pared, framed, lettered, laidOver, sounded, changed);
  }
}
