package paringknife.core.letter;

import paringknife.core.steps.Intent;

/** What a producer wants done to the captions of a clip. */
public sealed interface LetterIntent extends Intent {
  Lettered apply(Lettered lettered);

  /** Choose a lettering. */
  record Letter(String lettering) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered) {
      return lettered.withLettering(Letterings.byId(lettering).id());
    }

    @Override
    public String label() {
      return "choose lettering";
    }
  }
}
