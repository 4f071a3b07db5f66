package paringknife.core.formats;

/**
 * One piece of a cut, in frames.
 *
 * @param sourceFrame first frame of the recording that plays
 * @param recordFrame where it plays in the cut
 * @param count how many frames
 * @param held whether the first is held all the while, over room tone
 */
public record EditEvent(long sourceFrame, long recordFrame, long count, boolean held) {
  /** A piece that moves on. */
  public EditEvent(long sourceFrame, long recordFrame, long count) {
    this(sourceFrame, recordFrame, count, false);
  }
}
