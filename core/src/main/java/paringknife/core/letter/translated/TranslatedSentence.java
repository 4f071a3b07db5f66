package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.CaptionEdit;

/**
 * What a sentence is in another language.
 *
 * @param first identity of the first word of the sentence when it was translated
 * @param last identity of the last
 * @param source what was said then
 * @param text the translation; nothing where there is none yet. A line of it is a line of its
 *     caption, an empty line begins another caption
 * @param moved how far its captions are from when it is said; null for not at all
 */
public record TranslatedSentence(
    long first, long last, String source, String text, State state, @Nullable Moved moved) {
  /** Most characters of a sentence, in either language. */
  public static final int LONGEST = 2_000;

  /**
   * How far captions are from when their sentence is said, microseconds.
   *
   * @param beginsLaterUs after its first word begins
   * @param endsLaterUs after they would end
   */
  public record Moved(long beginsLaterUs, long endsLaterUs) {
    public Moved {
      CaptionEdit.near(beginsLaterUs);
      CaptionEdit.near(endsLaterUs);
    }
  }

  /** How far a translation has come. */
  public enum State {
    /** Nobody has translated it, or only in part; no caption shows it. */
    OPEN,
    /** A translator's proposal that nobody has looked at. */
    PROPOSED,
    /** Somebody has read it and said yes. */
    REVIEWED
  }

  public TranslatedSentence {
    if (source.length() > LONGEST || text.length() > LONGEST) {
      throw new IllegalArgumentException(
          "A sentence and its translation have up to " + LONGEST + " characters each.");
    }
  }

  /** One that is shown when it is said. */
  public TranslatedSentence(long first, long last, String source, String text, State state) {
    this(first, last, source, text, state, null);
  }

  /** The text of each of its captions, line by line. */
  List<String> captions() {
    List<String> captions = new ArrayList<>();
    StringBuilder caption = new StringBuilder();
    for (String line : text.strip().lines().map(String::strip).toList()) {
      if (!line.isEmpty()) {
        caption.append(caption.isEmpty() ? "" : "\n").append(line);
      } else if (!caption.isEmpty()) {
        captions.add(caption.toString());
        caption.setLength(0);
      }
    }
    captions.add(caption.toString());
    return captions;
  }

  /** Whether captions show it. */
  boolean shows() {
    return state != State.OPEN && !text.isBlank();
  }
}
