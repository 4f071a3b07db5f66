package paringknife.core.letter.cue;

import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.WordStyle;

/**
 * What a producer has changed of the captions that the breaker proposes. An edit is keyed by a
 * word's identity, so that it stays with its word whatever is pared or corrected around it, and
 * does nothing while that word is not heard.
 */
public sealed interface CaptionEdit {
  /** Farthest that a caption is moved from its words, microseconds. */
  long FARTHEST_US = 10_000_000;

  /** Identity of the word that it stays with. */
  long wordId();

  /** Whether it says the same thing about a word, so that the later of two counts alone. */
  default boolean replaces(CaptionEdit earlier) {
    return wordId() == earlier.wordId() && subject() == earlier.subject();
  }

  /** What an edit is about. */
  enum Subject {
    CAPTION,
    CAPTION_END,
    LINE,
    TEXT,
    BEGINNING,
    END,
    ADDED,
    STYLE,
    KEY,
    PLACE
  }

  Subject subject();

  /** A caption begins at this word. */
  record BreakBefore(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.CAPTION;
    }
  }

  /** No caption begins at this word, as long as there is room for it in the one before. */
  record GoOnWith(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.CAPTION;
    }
  }

  /** A caption ends with this word. */
  record BreakAfter(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.CAPTION_END;
    }
  }

  /** A line begins at this word. */
  record LineBefore(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.LINE;
    }
  }

  /** This word stays with the one before it: in one caption and on one line. */
  record BindToLast(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.LINE;
    }
  }

  /**
   * The caption shows another text for this word; what is said keeps its times. Without a text the
   * word is not shown.
   */
  record ShowAs(long wordId, String text) implements CaptionEdit {
    public static final int LONGEST = 200;

    public ShowAs {
      if (text.length() > LONGEST) {
        throw new IllegalArgumentException(
            "What is shown for a word has up to " + LONGEST + " characters.");
      }
    }

    @Override
    public Subject subject() {
      return Subject.TEXT;
    }
  }

  /** The caption that begins with this word comes so much later than the word, microseconds. */
  record Begin(long wordId, long laterUs) implements CaptionEdit {
    public Begin {
      near(laterUs);
    }

    @Override
    public Subject subject() {
      return Subject.BEGINNING;
    }
  }

  /** The caption that ends with this word goes so much later than the word ends, microseconds. */
  record End(long wordId, long laterUs) implements CaptionEdit {
    public End {
      near(laterUs);
    }

    @Override
    public Subject subject() {
      return Subject.END;
    }
  }

  /**
   * A caption where nobody speaks.
   *
   * @param wordId the word that it follows
   * @param laterUs how long after the end of that word it comes, microseconds
   * @param lengthUs how long it stands
   */
  record Added(long wordId, long laterUs, long lengthUs, String text) implements CaptionEdit {
    public Added {
      near(laterUs);
      if (laterUs < 0 || lengthUs < 100_000 || lengthUs > 20_000_000) {
        throw new IllegalArgumentException("A caption stands for 0.1 to 20 seconds.");
      }
      if (text.isBlank() || text.length() > ShowAs.LONGEST) {
        throw new IllegalArgumentException(
            "An added caption has 1 to " + ShowAs.LONGEST + " characters.");
      }
    }

    @Override
    public Subject subject() {
      return Subject.ADDED;
    }
  }

  /** This word looks otherwise than the others. */
  record Styled(long wordId, WordStyle style) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.STYLE;
    }
  }

  /** This word stands out as a key word. */
  record Key(long wordId) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.KEY;
    }
  }

  /** The caption that begins with this word stands somewhere else. */
  record Placed(long wordId, Place place) implements CaptionEdit {
    @Override
    public Subject subject() {
      return Subject.PLACE;
    }
  }

  /**
   * Refuses to move a caption too far.
   *
   * @throws IllegalArgumentException with a word about it
   */
  static void near(long laterUs) {
    if (laterUs > FARTHEST_US || laterUs < -FARTHEST_US) {
      throw new IllegalArgumentException("A caption is moved by up to 10 seconds from its words.");
    }
  }
}
