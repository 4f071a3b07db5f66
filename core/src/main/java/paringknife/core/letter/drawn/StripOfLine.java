package paringknife.core.letter.drawn;

/**
 * What a strip lets through of a line on a canvas. The first reaches up and the last down as far as
 * the canvas does, for accents and what hangs below; those between meet at the same pixel, however
 * the line grows or moves.
 *
 * @param baseline where the line's letters stand, pixels down the canvas
 * @param capitals how tall they are, pixels
 * @param anchor what the line grows from, pixels down the canvas
 */
record StripOfLine(Strip strip, double baseline, double capitals, double anchor, Canvas canvas) {
  /**
   * How tall capitals are, as a share of the em; most faces are within a tenth (common practice).
   */
  private static final double CAPITALS = 0.7;

  StripOfLine(Strip strip, CaptionLayout.Line line, double anchor, Canvas canvas) {
    this(
        strip,
        line.baseline(),
        line.size() * CaptionLayout.typeface(line.face()).em() * CAPITALS,
        anchor,
        canvas);
  }

  /**
   * The override tag.
   *
   * @param share size of the line as a share of its own
   * @param down how far it is below its place, pixels
   */
  String clip(double share, double down) {
    long top = strip.isFirst() ? 0 : at(strip.top(), share, down);
    long bottom = strip.isLast() ? canvas.height() : at(strip.bottom(), share, down);
    return "\\clip(0," + top + ',' + canvas.width() + ',' + bottom + ')';
  }

  private long at(double part, double share, double down) {
    double y = baseline - capitals * (1 - part);
    return Math.round(anchor + (y - anchor) * share + down);
  }
}
