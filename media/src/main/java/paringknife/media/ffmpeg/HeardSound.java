package paringknife.media.ffmpeg;

import paringknife.core.listen.Placement;

/**
 * A recording whose sound is heard in an episode, and where it lies on the episode's clock.
 *
 * @param recording any recording with sound
 */
public record HeardSound(Recording recording, Placement placement) {}
