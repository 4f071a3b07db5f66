package paringknife.core.deliver;

import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.time.FrameRate;

/**
 * What is known of a file before it is rendered.
 *
 * @param lengthUs how long it will play, microseconds
 * @param cues its captions, as long as they will show
 * @param windowHeight smallest height of the framed part of the picture, pixels of the recording
 * @param rate frame rate of the recording
 */
public record Planned(long lengthUs, List<Cue> cues, double windowHeight, FrameRate rate) {}
