package paringknife.core.letter;

import java.util.List;
import java.util.Locale;

/**
 * Writes captions as an ASS v4+ script, from which both the preview and the export draw. Every word
 * gets its own event in which it is marked, so the mark changes exactly with the word.
 */
public final class AssScript {
  private static final double BOX_MARGIN = 10;

  private final Lettering lettering;
  private final Canvas canvas;

  public AssScript(Lettering lettering, Canvas canvas) {
    this.lettering = lettering;
    this.canvas = canvas;
  }

  /** The whole script. */
  public String write(List<Cue> cues) {
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
    if (lettering.ground().isSeen()) {
      boxedStyle(out, "Text", lettering.text(), lettering.ground());
    } else {
      outlinedStyle(out);
    }
    lettering
        .mark()
        .style()
        .ifPresent(box -> boxedStyle(out, SpokenMark.Box.STYLE, box.text(), box.ground()));
    out.append("\n[Events]\n");
    out.append("Format: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text\n");
    for (Cue cue : cues) {
      events(out, cue);
    }
    return out.toString();
  }

  private void outlinedStyle(StringBuilder out) {
    Lettering.Edge edge = lettering.edge();
    style(out, "Text", lettering.text(), edge.colour(), edge.width(), 1);
  }

  private void boxedStyle(StringBuilder out, String name, Colour text, Colour ground) {
    style(out, name, text, ground, BOX_MARGIN, 3);
  }

  private void style(
      StringBuilder out, String name, Colour text, Colour border, double width, int borderStyle) {
    double scale = canvas.scale();
    int side = (int) Math.round(canvas.safe().widest() * canvas.width());
    out.append(
        String.format(
            Locale.ROOT,
            "Style: %s,%s,%.1f,%s,%s,%s,%s,%d,0,0,0,100,100,0,0,%d,%.1f,%.1f,2,%d,%d,%d,1\n",
            name,
            lettering.face().family(),
            lettering.face().size() * scale,
            text.ass(),
            text.ass(),
            border.ass(),
            border.ass(),
            lettering.face().bold() ? -1 : 0,
            borderStyle,
            width * scale,
            lettering.edge().shadow() * scale,
            side,
            side,
            marginBottom()));
  }

  private int marginBottom() {
    return (int) Math.round((canvas.safe().bottom() + 0.03) * canvas.height());
  }

  private void events(StringBuilder out, Cue cue) {
    List<CueWord> words = cue.words();
    long from = cue.span().startUs();
    for (int i = 0; i < words.size(); i++) {
      boolean last = i + 1 == words.size();
      long to = last ? cue.span().endUs() : words.get(i + 1).span().startUs();
      if (centis(to) > centis(from)) {
        out.append("Dialogue: 0,").append(time(from)).append(',').append(time(to));
        out.append(",Text,,0,0,0,,").append(i == 0 ? lettering.entrance().tags() : "");
        out.append(text(cue, words.get(i))).append('\n');
      }
      from = Math.max(from, to);
    }
  }

  private String text(Cue cue, CueWord spoken) {
    StringBuilder text = new StringBuilder();
    for (List<CueWord> line : cue.lines()) {
      if (!text.isEmpty()) {
        text.append("\\N");
      }
      for (int i = 0; i < line.size(); i++) {
        if (i > 0) {
          text.append(' ');
        }
        String shown = escape(cased(line.get(i).text()));
        if (line.get(i) == spoken) {
          text.append(lettering.mark().around(shown));
        } else {
          text.append(shown);
        }
      }
    }
    return text.toString();
  }

  private String cased(String text) {
    return lettering.face().upperCase() ? text.toUpperCase(Locale.ROOT) : text;
  }

  /** Makes text harmless: no override blocks, no escapes, no line of its own. */
  static String escape(String text) {
    return text.replace('\\', '/').replace('{', '(').replace('}', ')').replaceAll("\\R", " ");
  }

  private static long centis(long us) {
    return (us + 5_000) / 10_000;
  }

  private static String time(long us) {
    long cs = centis(us);
    return String.format(
        Locale.ROOT, "%d:%02d:%02d.%02d", cs / 360_000, cs / 6_000 % 60, cs / 100 % 60, cs % 100);
  }
}
