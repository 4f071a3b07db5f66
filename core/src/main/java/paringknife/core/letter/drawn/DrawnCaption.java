package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Edge;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.Ground;
import paringknife.core.letter.style.Shadow;
import paringknife.core.letter.style.Style;

/** The events of one caption: what stands behind it, its shadow, its outlines, its text. */
final class DrawnCaption {
  private static final int GROUND = 0;
  private static final int SHADOW = 1;
  private static final int OUTSIDE = 2;
  private static final int TEXT = 3;

  private final Cue cue;
  private final Style style;
  private final Canvas canvas;
  private final CaptionLayout layout;

  DrawnCaption(Cue cue, Style style, Canvas canvas) {
    this.cue = cue;
    this.style = style;
    this.canvas = canvas;
    this.layout = CaptionLayout.of(cue, style, canvas);
  }

  /**
   * A time in which nothing of a caption changes but what moves.
   *
   * @param spoken the word that is heard; -1 where it makes no difference
   */
  record Moment(long fromUs, long toUs, int spoken) {}

  void write(StringBuilder out) {
    ground(out);
    List<Moment> moments = moments();
    for (int line = 0; line < layout.lines().size(); line++) {
      for (Moment moment : moments) {
        if (style.shadow().colour().shows()) {
          shadow(out, moment, line);
        }
        if (style.edges().size() > 1) {
          outside(out, moment, line);
        }
        event(out, TEXT, moment, line, Layer.TEXT, 0, 0);
      }
    }
  }

  /** What of the letters is drawn. */
  record Layer(boolean isText, Colour fill, Colour border, double borderWidth, double blur) {
    /** The text as its style has it. */
    static final Layer TEXT = new Layer(true, Colour.NONE, Colour.NONE, 0, 0);
  }

  private void shadow(StringBuilder out, Moment moment, int line) {
    Shadow shadow = style.shadow();
    double width = style.edges().stream().mapToDouble(Edge::width).sum();
    Layer layer = new Layer(false, shadow.colour(), shadow.colour(), width, shadow.softness());
    event(out, SHADOW, moment, line, layer, shadow.right(), shadow.down());
  }

  private void outside(StringBuilder out, Moment moment, int line) {
    Edge outer = style.edges().get(1);
    double width = style.edges().get(0).width() + outer.width();
    Layer layer = new Layer(false, outer.colour(), outer.colour(), width, outer.softness());
    event(out, OUTSIDE, moment, line, layer, 0, 0);
  }

  private List<Moment> moments() {
    boolean changes =
        style.mark().changes() || style.motion().entrance() instanceof Entrance.WordByWord;
    if (!changes || cue.isAdded()) {
      return List.of(new Moment(cue.span().startUs(), cue.span().endUs(), -1));
    }
    List<CueWord> words = cue.words();
    List<Moment> moments = new ArrayList<>();
    long from = cue.span().startUs();
    for (int i = 0; i < words.size(); i++) {
      long next = i + 1 == words.size() ? cue.span().endUs() : words.get(i + 1).span().startUs();
      long to = Math.min(cue.span().endUs(), next);
      if (AssTime.centis(to) > AssTime.centis(from)) {
        moments.add(new Moment(from, to, i));
      }
      from = Math.max(from, to);
    }
    return moments;
  }

  private void event(
      StringBuilder out,
      int depth,
      Moment moment,
      int line,
      Layer layer,
      double right,
      double down) {
    CaptionLayout.Line at = layout.lines().get(line);
    WordsInLine words = new WordsInLine(cue, style, canvas.scale() * layout.shrunk(), layer);
    int firstWord = layout.lines().subList(0, line).stream().mapToInt(l -> l.words().size()).sum();
    WordsInLine.Written written = words.write(at, line, firstWord, moment);
    double scale = canvas.scale();
    double y = at.baseline() + at.depth() * written.largest() + down * scale;
    begin(out, depth, moment, line == 0 ? AssScript.TEXT : AssScript.LOWER);
    out.append("{\\an").append(alignment());
    out.append(moved(at.x() + right * scale, y, moment));
    out.append(words.base(line));
    out.append(shownBy(moment, at.face().width())).append('}');
    out.append(written.text()).append('\n');
  }

  private int alignment() {
    return switch (style.align()) {
      case LEFT -> 1;
      case CENTRE -> 2;
      case RIGHT -> 3;
    };
  }

  private static void begin(StringBuilder out, int depth, Moment moment, String styleName) {
    out.append("Dialogue: ").append(depth).append(',');
    out.append(AssTime.of(moment.fromUs())).append(',').append(AssTime.of(moment.toUs()));
    out.append(',').append(styleName).append(",,0,0,0,,");
  }

  private long offsetMs(Moment moment) {
    return (moment.fromUs() - cue.span().startUs()) / 1000;
  }

  /** Place, or the way to it. */
  private String moved(double x, double y, Moment moment) {
    long offset = offsetMs(moment);
    if (style.motion().entrance() instanceof Entrance.Rise rise && offset < rise.ms()) {
      return String.format(
          Locale.ROOT,
          "\\move(%.1f,%.1f,%.1f,%.1f,%d,%d)",
          x,
          y + rise.from() * canvas.scale(),
          x,
          y,
          -offset,
          rise.ms() - offset);
    }
    return String.format(Locale.ROOT, "\\pos(%.1f,%.1f)", x, y);
  }

  /** How it comes, grows and goes; moments of one caption go on from one another. */
  private String shownBy(Moment moment, double width) {
    StringBuilder tags = new StringBuilder();
    Entrance entrance = style.motion().entrance();
    long offset = offsetMs(moment);
    long whole = cue.span().lengthUs() / 1000;
    boolean comes = entrance instanceof Entrance.Fade || entrance instanceof Entrance.Rise;
    long fadesIn = comes ? Math.min(entrance.ms(), whole) : 0;
    long leaves = Math.min(style.motion().leaveMs(), whole - fadesIn);
    boolean fades =
        fadesIn > offset || whole - leaves < (moment.toUs() - cue.span().startUs()) / 1000;
    if (fades && fadesIn + leaves > 0) {
      tags.append(
          String.format(
              Locale.ROOT,
              "\\fade(255,0,255,%d,%d,%d,%d)",
              -offset,
              fadesIn - offset,
              whole - leaves - offset,
              whole - offset));
    }
    double plain = 100 * width;
    double grown = 1 + style.motion().growth();
    if (entrance instanceof Entrance.Pop pop && offset < pop.ms()) {
      tags.append(scaled(width, pop.from()));
      tags.append(
          String.format(
              Locale.ROOT, "\\t(%d,%d,%s)", -offset, pop.ms() - offset, scaled(width, 1)));
    }
    if (grown > 1) {
      if (!(entrance instanceof Entrance.Pop)) {
        tags.append(String.format(Locale.ROOT, "\\fscx%.1f\\fscy100", plain));
      }
      long from = Math.min(entrance.ms(), whole - 1);
      tags.append(
          String.format(
              Locale.ROOT, "\\t(%d,%d,%s)", from - offset, whole - offset, scaled(width, grown)));
    }
    return tags.toString();
  }

  private static String scaled(double width, double share) {
    return String.format(Locale.ROOT, "\\fscx%.1f\\fscy%.1f", 100 * width * share, 100 * share);
  }

  /** A box of a whole caption, or of each line where its corners are round. */
  private void ground(StringBuilder out) {
    Ground ground = style.ground();
    if (!ground.shows()) {
      return;
    }
    if (ground.extent() == Ground.Extent.BLOCK) {
      box(out, layout.left(), layout.top(), layout.right(), layout.bottom());
      return;
    }
    for (CaptionLayout.Line line : layout.lines()) {
      double left =
          switch (style.align()) {
            case LEFT -> line.x();
            case CENTRE -> line.x() - line.width() / 2;
            case RIGHT -> line.x() - line.width();
          };
      box(out, left, line.top(), left + line.width(), line.bottom());
    }
  }

  private void box(StringBuilder out, double left, double top, double right, double bottom) {
    double padding = style.ground().padding() * canvas.scale();
    double width = right - left + 2 * padding;
    double height = bottom - top + padding;
    Moment whole = new Moment(cue.span().startUs(), cue.span().endUs(), -1);
    begin(out, GROUND, whole, AssScript.TEXT);
    out.append("{\\an5").append(moved((left + right) / 2, (top + bottom) / 2, whole));
    out.append("\\bord0\\shad0\\blur0").append(style.ground().colour().tags(1));
    out.append("\\fscx100").append(shownBy(whole, 1)).append("\\p1}");
    out.append(
            new RoundedBox(0, 0, width, height, style.ground().radius() * canvas.scale()).drawing())
        .append('\n');
  }
}
