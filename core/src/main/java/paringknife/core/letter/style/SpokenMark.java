package paringknife.core.letter.style;

/** How the spoken word is marked. */
public sealed interface SpokenMark {
  /** When a word is looked at. */
  enum Moment {
    TO_COME,
    SPOKEN,
    SAID
  }

  /** How a word looks at a moment, beyond how it looks anyway. */
  WordLook at(Moment moment);

  /** Whether every word has to be drawn anew when another one is spoken. */
  default boolean changes() {
    return true;
  }

  /** It is not. */
  record Unmarked() implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return WordLook.PLAIN;
    }

    @Override
    public boolean changes() {
      return false;
    }
  }

  /** Another colour. */
  record InColour(Colour text) implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.SPOKEN ? WordLook.PLAIN.in(text) : WordLook.PLAIN;
    }
  }

  /** A box behind it. */
  record Box(Colour text, Colour ground) implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.SPOKEN ? WordLook.PLAIN.boxed() : WordLook.PLAIN;
    }
  }

  /** Another size; 1.02 to 1.6 of its own. */
  record Larger(Colour text, double scale) implements SpokenMark {
    public Larger {
      Bounds.check(scale, 1.02, 1.6, "A spoken word's size");
    }

    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.SPOKEN ? WordLook.PLAIN.in(text).scaled(scale) : WordLook.PLAIN;
    }
  }

  /** A line below it. */
  record Underlined(Colour text) implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.SPOKEN ? WordLook.PLAIN.in(text).underlined() : WordLook.PLAIN;
    }
  }

  /** Words stay in another colour until they are spoken. */
  record Lit(Colour unlit) implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.TO_COME ? WordLook.PLAIN.in(unlit) : WordLook.PLAIN;
    }
  }

  /** Colour runs through the words with the sound. */
  record Filled(Colour unfilled) implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return WordLook.PLAIN;
    }

    @Override
    public boolean changes() {
      return false;
    }
  }

  /** Only the spoken word is seen. */
  record Alone() implements SpokenMark {
    @Override
    public WordLook at(Moment moment) {
      return moment == Moment.SPOKEN ? WordLook.PLAIN : WordLook.HIDDEN;
    }
  }
}
