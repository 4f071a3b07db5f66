package paringknife.media.transcripts;

/** A transcript file that cannot be used; the message is for the user. */
public class UnreadableTranscript extends RuntimeException {
  private static final long serialVersionUID = 1;

  public UnreadableTranscript(String message) {
    super(message);
  }
}
