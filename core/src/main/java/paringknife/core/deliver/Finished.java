package paringknife.core.deliver;

import paringknife.core.time.FrameRate;

/**
 * What a finished file measures.
 *
 * @param bytes how large it is
 * @param plannedUs how long it was to play, microseconds
 */
public record Finished(
    int width,
    int height,
    FrameRate rate,
    double seconds,
    double lufs,
    double truePeakDbtp,
    long bytes,
    long plannedUs) {}
