package paringknife.core.dress;

import org.jspecify.annotations.Nullable;
import paringknife.core.steps.Intent;
import paringknife.core.transcript.Transcript;

/** What a producer wants laid over a clip. */
public sealed interface DressIntent extends Intent {
  LaidOver apply(LaidOver laidOver, Transcript transcript);

  /**
   * Lay a logo over it.
   *
   * @param logo null for none
   */
  record LayLogo(@Nullable Logo logo) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver, Transcript transcript) {
      return laidOver.with(logo);
    }

    @Override
    public String label() {
      return logo == null ? "take the logo away" : "lay a logo over";
    }
  }

  /** Show names of those who speak, or do not. */
  record ShowNames(Names names) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver, Transcript transcript) {
      return laidOver.with(names);
    }

    @Override
    public String label() {
      return names.shown() ? "show names" : "show no names";
    }
  }

  /**
   * Let a few words stand in the picture while others are said.
   *
   * @param first index of the first word of the transcript that they go with
   * @param last index of the last
   * @param text what is to be read
   */
  record CallOutOn(int first, int last, String text) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver, Transcript transcript) {
      return laidOver.with(new CallOut(id(transcript, first), id(transcript, last), text));
    }

    private static long id(Transcript transcript, int word) {
      if (word < 0 || word >= transcript.words().size()) {
        throw new IllegalArgumentException("There is no such word.");
      }
      return transcript.words().get(word).id();
    }

    @Override
    public String label() {
      return "call out";
    }
  }

  /** Take a call-out away. */
  record DropCallOut(long firstWord) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver, Transcript transcript) {
      return laidOver.without(firstWord);
    }

    @Override
    public String label() {
      return "take a call-out away";
    }
  }

  /** Set all call-outs in a lettering. */
  record SetCallOuts(String lettering) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver, Transcript transcript) {
      return laidOver.setIn(lettering);
    }

    @Override
    public String label() {
      return "set call-outs otherwise";
    }
  }
}
