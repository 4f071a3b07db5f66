package paringknife.core.letter.drawn;

import java.util.List;
import java.util.Locale;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.fonts.BorrowedLetters;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;

/**
 * Writes captions as an ASS v4+ script, from which both the preview and the export draw. Every line
 * has its place; where the spoken word is marked, every word has its own events, so that the mark
 * changes exactly with the word.
 */
public final class AssScript {
  private static final int OUTLINED = 1;
  private static final int BOXED = 3;
  private static final double SPOKEN_PADDING = 10;

  private final Style style;
  private final Canvas canvas;

  /** What the styles are called that events of one part are drawn in. */
  record StyleNames(String text, String lower, String spoken) {
    static StyleNames ofPart(int number) {
      String end = number == 0 ? "" : Integer.toString(number + 1);
      return new StyleNames("Text" + end, "Lower" + end, "Spoken" + end);
    }
  }

  /**
   * Captions that share the picture with others.
   *
   * @param borrowed where letters come from that a face does not have
   */
  public record Part(Style style, List<Cue> cues, BorrowedLetters borrowed) {
    public Part(Style style, List<Cue> cues) {
      this(style, cues, borrowedBy(cues));
    }

    /** What shows within a span, as it shows among all. */
    public Part within(Span span) {
      return new Part(style, cues.stream().filter(c -> c.span().overlaps(span)).toList(), borrowed);
    }

    static BorrowedLetters borrowedBy(List<Cue> cues) {
      return BorrowedLetters.of(cues.stream().flatMap(c -> c.words().stream()).map(CueWord::text));
    }
  }

  /** Captions that keep clear of obstacles, where they have no place of their own. */
  public static Part clearOf(Obstacles obstacles, Style style, Canvas canvas, List<Cue> cues) {
    return new Part(new ClearPlace(style, canvas, cues).clear(obstacles), cues);
  }

  public AssScript(Style style, Canvas canvas) {
    this.style = style;
    this.canvas = canvas;
  }

  /** The whole script. */
  public String write(List<Cue> cues) {
    return write(canvas, List.of(new Part(style, cues)));
  }

  /** The whole script of captions that show together. */
  public static String write(Canvas canvas, List<Part> parts) {
    StringBuilder out = new StringBuilder();
    out.append("[Script Info]\nScriptType: v4.00+\n");
    out.append("PlayResX: ").append(canvas.width()).append('\n');
    out.append("PlayResY: ").append(canvas.height()).append('\n');
    out.append("WrapStyle: 2\nScaledBorderAndShadow: yes\nYCbCr Matrix: None\n\n");
    out.append("[V4+ Styles]\n");
    out.append(
        "Format: Name, Fontname, Fontsize, PrimaryColour, SecondaryColour, OutlineColour,"
            + " BackColour, Bold, Italic, Underline, StrikeOut, ScaleX, ScaleY, Spacing, Angle,"
            + " BorderStyle, Outline, Shadow, Alignment, MarginL, MarginR, MarginV, Encoding\n");
    for (int i = 0; i < parts.size(); i++) {
      new AssScript(parts.get(i).style(), canvas).styles(out, StyleNames.ofPart(i));
    }
    out.append("\n[Events]\n");
    out.append("Format: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text\n");
    for (int i = 0; i < parts.size(); i++) {
      Part part = parts.get(i);
      for (Cue cue : part.cues()) {
        new DrawnCaption(cue, part.style(), canvas, StyleNames.ofPart(i), part.borrowed())
            .write(out);
      }
    }
    return out.toString();
  }

  private void styles(StringBuilder out, StyleNames names) {
    text(out, names.text(), style.face());
    text(out, names.lower(), style.faceOf(1));
    if (style.mark() instanceof SpokenMark.Box box) {
      style(out, names.spoken(), style.face(), box.text(), box.ground(), SPOKEN_PADDING, BOXED);
    }
  }

  private void text(StringBuilder out, String name, Face face) {
    if (style.edges().isEmpty()) {
      style(out, name, face, style.text(), Colour.rgb(0), 0, OUTLINED);
    } else {
      style(
          out,
          name,
          face,
          style.text(),
          style.edges().get(0).colour(),
          style.edges().get(0).width(),
          OUTLINED);
    }
  }

  private void style(
      StringBuilder out,
      String name,
      Face face,
      Colour text,
      Colour border,
      double width,
      int borderStyle) {
    double scale = canvas.scale();
    Colour second = style.mark() instanceof SpokenMark.Filled filled ? filled.unfilled() : text;
    out.append(
        String.format(
            Locale.ROOT,
            "Style: %s,%s,%.1f,%s,%s,%s,%s,%d,%d,0,0,%.1f,100,%.1f,0,%d,%.1f,0,2,0,0,0,-1\n",
            name,
            CaptionLayout.typeface(face).family(),
            face.size() * scale,
            text.ass(),
            second.ass(),
            border.ass(),
            border.ass(),
            face.bold() ? -1 : 0,
            face.italic() ? -1 : 0,
            face.width() * 100,
            face.spacing() * scale,
            borderStyle,
            width * scale));
  }
}
