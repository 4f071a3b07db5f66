package paringknife.core.deliver;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.post.Post;
import paringknife.core.letter.cue.Cue;
import paringknife.core.time.FrameRate;

/**
 * What is known of a file before it is rendered.
 *
 * @param lengthUs how long it will play, microseconds
 * @param cues its captions, as long as they will show
 * @param windowHeight smallest height of the framed part of the picture, pixels of the recording
 * @param rate frame rate of the recording
 * @param post what somebody wrote to be posted with it; null for what is proposed, which fits
 */
public record Planned(
    long lengthUs, List<Cue> cues, double windowHeight, FrameRate rate, @Nullable Post post) {}
