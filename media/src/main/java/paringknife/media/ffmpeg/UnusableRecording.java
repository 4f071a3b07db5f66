package paringknife.media.ffmpeg;

/** A recording of which nothing can be made; the message is for the user. */
public class UnusableRecording extends RuntimeException {
  private static final long serialVersionUID = 1;

  public UnusableRecording(String message) {
    super(message);
  }
}
