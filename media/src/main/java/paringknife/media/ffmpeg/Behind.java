package paringknife.media.ffmpeg;

import paringknife.core.frame.Ground;

/** What is seen behind people instead of the ground that was recorded. */
public record Behind(Ground ground, Matte.Source mattes) {}
