package paringknife.core.dress;

import org.jspecify.annotations.Nullable;

/**
 * The section of a clip that says what is laid over it.
 *
 * @param logo null for none
 */
public record LaidOver(@Nullable Logo logo) {
  public static final LaidOver NOTHING = new LaidOver(null);
}
