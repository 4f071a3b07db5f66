package paringknife.media.ffmpeg;

/**
 * How much of each point of a recording's picture is somebody, row by row.
 *
 * @param shares 0 for the ground to 255 for a person
 */
public record Matte(int width, int height, byte[] shares) {
  /** The mattes of a recording. */
  @FunctionalInterface
  public interface Source {
    /**
     * That of a frame.
     *
     * @param episodeFrame number of the frame in the episode, of all cameras side by side
     */
    Matte at(long episodeFrame);
  }
}
