package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;
import paringknife.core.writing.Spacing;

/**
 * Where the lines of a caption stand on a canvas, pixels. What is wider than the canvas has room
 * for is set smaller.
 *
 * @param lines from the uppermost
 * @param shrunk size as a share of what the style asks for
 * @param left of the widest line
 */
record CaptionLayout(List<Line> lines, double shrunk, double left, double right) {
  private static final double SMALLEST = 0.02;

  /** How far above what the destination covers captions stand by themselves. */
  private static final double CLEAR = 0.03;

  /**
   * A line of a caption.
   *
   * @param x of its anchor: its left end, middle or right end, by how it is aligned
   * @param baseline where its letters stand
   * @param size of the font
   * @param depth of the font below the baseline
   */
  record Line(
      List<CueWord> words,
      Face face,
      double x,
      double baseline,
      double size,
      double depth,
      double width) {
    double top() {
      return baseline + depth - size;
    }

    double bottom() {
      return baseline + depth;
    }
  }

  private record Measured(List<CueWord> words, Face face, double width) {}

  static CaptionLayout of(Cue cue, Style style, Canvas canvas) {
    double scale = canvas.scale();
    List<Measured> measured = new ArrayList<>();
    double widest = 1;
    for (int i = 0; i < cue.lines().size(); i++) {
      Face face = style.faceOf(i);
      double width = width(cue.lines().get(i), face, style) * scale;
      measured.add(new Measured(cue.lines().get(i), face, width));
      widest = Math.max(widest, width);
    }
    double margin = edge(style) * scale;
    double room = canvas.width() * (1 - 2 * canvas.safe().widest()) - 2 * margin;
    double shrunk = Math.max(SMALLEST, Math.min(1, room / widest));
    Place place = cue.place() != null ? cue.place() : placeOf(style, canvas);
    return laid(measured, shrunk, scale, style, canvas, place, margin);
  }

  /** How far the ground of captions reaches beyond their text, as a share of the height. */
  static double padding(Style style, Canvas canvas) {
    return style.ground().shows() ? style.ground().padding() * canvas.scale() / canvas.height() : 0;
  }

  static Place placeOf(Style style, Canvas canvas) {
    Place put = style.placeIn(canvas.shape());
    return put != null ? put : new Place(0.5, 1 - canvas.safe().bottom() - CLEAR);
  }

  private static CaptionLayout laid(
      List<Measured> measured,
      double shrunk,
      double scale,
      Style style,
      Canvas canvas,
      Place place,
      double margin) {
    double half = measured.stream().mapToDouble(Measured::width).max().orElse(0) * shrunk / 2;
    double middle =
        Math.min(
            Math.max(place.x() * canvas.width(), half + margin),
            Math.max(half + margin, canvas.width() - half - margin));
    double x =
        switch (style.align()) {
          case LEFT -> middle - half;
          case CENTRE -> middle;
          case RIGHT -> middle + half;
        };
    double height =
        measured.stream().mapToDouble(m -> m.face().size() * m.face().lineHeight()).sum()
            * shrunk
            * scale;
    double bottom =
        Math.max(height + margin, Math.min(canvas.height() - margin, place.y() * canvas.height()));
    List<Line> lines = new ArrayList<>();
    for (int i = measured.size() - 1; i >= 0; i--) {
      Face face = measured.get(i).face();
      double size = face.size() * shrunk * scale;
      double depth = typeface(face).descent() * size;
      lines.add(
          0,
          new Line(
              measured.get(i).words(),
              face,
              x,
              bottom - depth,
              size,
              depth,
              measured.get(i).width() * shrunk));
      bottom -= size * face.lineHeight();
    }
    return new CaptionLayout(lines, shrunk, middle - half, middle + half);
  }

  /** What stands around the letters. */
  private static double edge(Style style) {
    double outlines = style.edges().stream().mapToDouble(e -> e.width()).sum();
    return Math.max(outlines, style.ground().shows() ? style.ground().padding() : 0);
  }

  static Typeface typeface(Face face) {
    return Typefaces.of(face).orElseGet(() -> Typefaces.all().get(0));
  }

  /** Width of a line on a picture 1080 pixels wide. */
  private static double width(List<CueWord> words, Face face, Style style) {
    Typeface typeface = typeface(face);
    double width = 0;
    int letters = 0;
    String before = null;
    for (CueWord word : words) {
      String text = DrawnText.cased(DrawnText.harmless(word.text()), face);
      double own = word.style().scale() * (word.isKey() ? style.key().scale() : 1);
      width += typeface.width(text) * Math.max(1, own);
      letters += text.length() + 1;
      if (before != null && Spacing.isBetween(before, word.text())) {
        width += typeface.width(" ");
      }
      before = word.text();
    }
    return width * face.size() * face.width() + Math.max(0, letters - 1) * face.spacing();
  }

  double top() {
    return lines.get(0).top();
  }

  double bottom() {
    return lines.get(lines.size() - 1).bottom();
  }

  double height() {
    return bottom() - top();
  }
}
