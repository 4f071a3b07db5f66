package paringknife.core.listen.clean;

import paringknife.core.steps.Intent;

/** What a producer wants done to the sound of a clip. */
public sealed interface SoundIntent extends Intent {
  Sounded apply(Sounded sounded);

  /** Choose what is done to the voice. */
  record CleanUp(boolean hum, boolean noise, boolean even, boolean sibilance)
      implements SoundIntent {
    @Override
    public Sounded apply(Sounded sounded) {
      return new Sounded(new Cleanup(hum, noise, even, sibilance));
    }

    @Override
    public String label() {
      return "clean up the sound";
    }
  }
}
