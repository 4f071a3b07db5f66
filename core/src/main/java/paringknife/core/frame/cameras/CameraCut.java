package paringknife.core.frame.cameras;

/**
 * A camera that is seen from a time on, up to the next one that was set in the clip.
 *
 * @param atUs on the episode's clock
 * @param camera counted from 0; {@value #BY_ITSELF} for whichever is best
 */
public record CameraCut(long id, long atUs, int camera) {
  public static final int BY_ITSELF = -1;

  public CameraCut {
    if (camera < BY_ITSELF || camera >= CameraGrid.MOST) {
      throw new IllegalArgumentException("There is no such camera.");
    }
  }
}
