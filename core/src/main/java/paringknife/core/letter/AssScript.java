package paringknife.core.letter;

import java.util.List;
import java.util.Locale;
import paringknife.core.deliver.DeliverySpec;

/**
 * Writes captions as an ASS v4+ script, from which both the preview and the export draw. Every word
 * gets its own event in which it is marked, so the mark changes exactly with the word.
 */
public final class AssScript {
  private final Lettering lettering;
  private final DeliverySpec spec;

  public AssScript(Lettering lettering, DeliverySpec spec) {
    this.lettering = lettering;
    this.spec = spec;
  }

  /** Pixels of this spec for one of the lettering's pixels (stated for a width of 1080). */
  public double scale() {
    return Math.min(spec.width(), spec.height()) / 1080.0;
  }

  /** The whole script. */
  public String write(List<Cue> cues) {
    StringBuilder out = new StringBuilder();
    out.append("[Script Info]\nScriptType: v4.00+\n");
    out.append("PlayResX: ").append(spec.width()).append('\n');
    out.append("PlayResY: ").append(spec.height()).append('\n');
    out.append("WrapStyle: 2\nScaledBorderAndShadow: yes\nYCbCr Matrix: None\n\n");
    out.append("[V4+ Styles]\n");
    out.append(
        "Format: Name, Fontname, Fontsize, PrimaryColour, SecondaryColour, OutlineColour,"
            + " BackColour, Bold, Italic, Underline, StrikeOut, ScaleX, ScaleY, Spacing, Angle,"
            + " BorderStyle, Outline, Shadow, Alignment, MarginL, MarginR, MarginV, Encoding\n");
    style(out, "Text", lettering.text(), lettering.outline(), false);
    style(
        out,
        "Spoken",
        lettering.markText(),
        lettering.markGround(),
        lettering.mark() == Lettering.Mark.BOX);
    out.append("\n[Events]\n");
    out.append("Format: Layer, Start, End, Style, Name, MarginL, MarginR, MarginV, Effect, Text\n");
    for (Cue cue : cues) {
      events(out, cue);
    }
    return out.toString();
  }

  private void style(
      StringBuilder out, String name, Lettering.Colour text, Lettering.Colour edge, boolean boxed) {
    boolean ground = lettering.ground().alpha() > 0;
    Lettering.Colour border = ground && !boxed ? lettering.ground() : edge;
    double width = boxed || ground ? 10 : lettering.outlineWidth();
    int side = (int) Math.round(spec.safe().widest() * spec.width());
    out.append(
        String.format(
            Locale.ROOT,
            "Style: %s,%s,%.1f,%s,%s,%s,%s,%d,0,0,0,100,100,0,0,%d,%.1f,%.1f,2,%d,%d,%d,1\n",
            name,
            lettering.font(),
            lettering.size() * scale(),
            text.ass(),
            text.ass(),
            border.ass(),
            border.ass(),
            lettering.bold() ? -1 : 0,
            boxed || ground ? 3 : 1,
            width * scale(),
            lettering.shadow() * scale(),
            side,
            side,
            marginBottom()));
  }

  private int marginBottom() {
    return (int) Math.round((spec.safe().bottom() + 0.03) * spec.height());
  }

  private void events(StringBuilder out, Cue cue) {
    List<CueWord> words = cue.words();
    long from = cue.span().startUs();
    for (int i = 0; i < words.size(); i++) {
      boolean last = i + 1 == words.size();
      long to = last ? cue.span().endUs() : words.get(i + 1).span().startUs();
      if (centis(to) > centis(from)) {
        out.append("Dialogue: 0,").append(time(from)).append(',').append(time(to));
        out.append(",Text,,0,0,0,,").append(text(cue, words.get(i))).append('\n');
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
          text.append(marked(shown));
        } else {
          text.append(shown);
        }
      }
    }
    return text.toString();
  }

  private String marked(String shown) {
    return lettering.mark() == Lettering.Mark.BOX
        ? "{\\rSpoken}" + shown + "{\\r}"
        : "{\\1c" + lettering.markText().ass().replaceFirst("&H..", "&H") + "&}" + shown + "{\\1c}";
  }

  private String cased(String text) {
    return lettering.upperCase() ? text.toUpperCase(Locale.ROOT) : text;
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
        "%d:%02d:%02d.%02d", cs / 360_000, cs / 6_000 % 60, cs / 100 % 60, cs % 100);
  }
}
