package paringknife.core.frame;

/**
 * The part of the picture that shows, in pixels of the recording, fractions allowed.
 *
 * @param x left edge
 * @param y upper edge
 */
public record Window(double x, double y, double width, double height) {}
