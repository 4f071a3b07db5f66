package paringknife.core.dress;

import org.jspecify.annotations.Nullable;
import paringknife.core.steps.Intent;

/** What a producer wants laid over a clip. */
public sealed interface DressIntent extends Intent {
  LaidOver apply(LaidOver laidOver);

  /**
   * Lay a logo over it.
   *
   * @param logo null for none
   */
  record LayLogo(@Nullable Logo logo) implements DressIntent {
    @Override
    public LaidOver apply(LaidOver laidOver) {
      return new LaidOver(logo);
    }

    @Override
    public String label() {
      return logo == null ? "take the logo away" : "lay a logo over";
    }
  }
}
