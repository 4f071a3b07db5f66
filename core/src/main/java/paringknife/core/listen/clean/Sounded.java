package paringknife.core.listen.clean;

/**
 * The section of a clip that says how its sound is treated.
 *
 * @param cleanup what is done to the voice before it is heard
 */
public record Sounded(Cleanup cleanup) {
  public static final Sounded AS_RECORDED = new Sounded(Cleanup.NONE);
}
