package paringknife.media.ffmpeg;

import java.nio.file.Path;

/**
 * A picture that is laid over a film from its first frame to its last.
 *
 * @param file PNG
 * @param x of its left edge on the finished picture, pixels
 * @param y of its upper edge, pixels
 * @param width on the finished picture, pixels
 * @param height on the finished picture, pixels
 * @param opacity 0 to 1
 */
public record LaidPicture(Path file, int x, int y, int width, int height, double opacity) {}
