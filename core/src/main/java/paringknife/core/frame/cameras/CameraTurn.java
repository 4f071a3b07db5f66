package paringknife.core.frame.cameras;

import paringknife.core.time.Span;

/** A stretch of the episode during which one camera is seen. */
public record CameraTurn(Span span, int camera) {}
