package paringknife.core.deliver;

import java.util.Map;
import paringknife.core.writing.FieldPattern;

/**
 * How finished files are named: text with fields in braces. Underscores part a name; everything
 * else is made safe by {@link FileNames}.
 *
 * @param text up to {@value #LONGEST} characters, with at least one field
 */
public record NamePattern(String text) {
  static final int LONGEST = 200;

  public static final NamePattern USUAL = new NamePattern("{show} {episode}_{clip}_{spec}");

  /** What a name can be made of. */
  public enum Field {
    SHOW,
    EPISODE,
    CLIP,
    SPEC,
    /** Of the clip within the episode, from 01. */
    NUMBER,
    /** Of the day, as 2026-11-28. */
    DATE,
    /** As 42s. */
    LENGTH,
    /** As 1080x1920. */
    SIZE
  }

  public NamePattern {
    text = text.strip();
    if (text.length() > LONGEST) {
      throw new IllegalArgumentException("A pattern has up to " + LONGEST + " characters.");
    }
    if (new FieldPattern<>(text, Field.class).count() == 0) {
      throw new IllegalArgumentException(
          "A pattern needs a field such as {clip}, or all files would have one name.");
    }
  }

  /** Whether a field is in it. */
  public boolean uses(Field field) {
    return new FieldPattern<>(text, Field.class).uses(field);
  }

  /** The name of a file, without its ending. */
  public String name(Map<Field, String> values) {
    return new PatternNames(this).of(values);
  }
}
