package paringknife.core.frame;

/**
 * Text of the recording's picture where it is seen on the canvas.
 *
 * @param x left edge, as a share of the canvas's width
 * @param y upper edge, as a share of its height
 * @param share of the clip during which it stands there, over 0, up to 1
 */
public record ShownText(double x, double y, double width, double height, double share) {}
