package paringknife.media.store;

/**
 * A picture that is there.
 *
 * @param id names it: the SHA-256 of its file, in hexadecimal digits
 */
public record KeptPicture(String id, int width, int height) {
  /** Its width for one of its height. */
  public double aspect() {
    return width / (double) height;
  }
}
