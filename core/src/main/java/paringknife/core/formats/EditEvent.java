package paringknife.core.formats;

/**
 * One piece of a cut, in frames.
 *
 * @param sourceFrame first frame of the recording that plays
 * @param recordFrame where it plays in the cut
 * @param count how many frames
 */
public record EditEvent(long sourceFrame, long recordFrame, long count) {}
