package paringknife.core.letter.drawn;

import static paringknife.core.letter.drawn.AssNumber.tenths;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.fonts.BorrowedLetters;
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
  private static final int SOFT_TEXT = 4;

  private final Cue cue;
  private final Style style;
  private final Canvas canvas;
  private final AssScript.StyleNames names;
  private final BorrowedLetters borrowed;
  private final CaptionLayout layout;

  DrawnCaption(
      Cue cue, Style style, Canvas canvas, AssScript.StyleNames names, BorrowedLetters borrowed) {
    this.borrowed = borrowed;
    this.names = names;
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
    double scale = canvas.scale() * layout.shrunk();
    List<WordsInLine> layers =
        layers().stream().map(l -> new WordsInLine(cue, style, names, scale, l, borrowed)).toList();
    int firstWord = 0;
    for (int line = 0; line < layout.lines().size(); line++) {
      for (Moment moment : moments) {
        for (WordsInLine layer : layers) {
          event(out, layer, moment, line, firstWord);
        }
      }
      firstWord += layout.lines().get(line).words().size();
    }
  }

  /**
   * What of the letters is drawn, from the lowest; lengths in pixels on a picture 1080 pixels wide.
   *
   * @param isText whether it is the text as its style has it, not what stands around it
   * @param strip which part of its height is drawn; null for all of it
   * @param right how far it is from the text's place
   * @param down how far it is below the text's place
   */
  record Layer(
      int depth,
      boolean isText,
      @Nullable Strip strip,
      Colour fill,
      Colour border,
      double borderWidth,
      double blur,
      double right,
      double down) {}

  private List<Layer> layers() {
    List<Layer> layers = new ArrayList<>();
    double width = style.edges().stream().mapToDouble(Edge::width).sum();
    Shadow shadow = style.shadow();
    Colour shade = shadow.colour();
    if (shade.shows()) {
      layers.add(
          new Layer(
              SHADOW,
              false,
              null,
              shade,
              shade,
              width,
              shadow.softness(),
              shadow.right(),
              shadow.down()));
    }
    if (style.edges().size() > 1) {
      Edge outer = style.edges().get(1);
      layers.add(around(OUTSIDE, outer, width));
    }
    boolean isSoft = style.fill().softness() > 0;
    if (isSoft && !style.edges().isEmpty()) {
      // What blurs in ASS is the outermost part of an event; soft letters have their outline apart.
      Edge inner = style.edges().get(0);
      layers.add(around(TEXT, inner, inner.width()));
    }
    int text = isSoft ? SOFT_TEXT : TEXT;
    for (Strip strip : strips()) {
      Colour fill = strip == null ? style.text() : style.fill().at(strip.middle(), style.text());
      layers.add(new Layer(text, true, strip, fill, Colour.NONE, 0, 0, 0, 0));
    }
    return layers;
  }

  private static Layer around(int depth, Edge edge, double width) {
    return new Layer(
        depth, false, null, edge.colour(), edge.colour(), width, edge.softness(), 0, 0);
  }

  private List<@Nullable Strip> strips() {
    return style.fill().foot() == null ? Collections.singletonList(null) : Strip.all();
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

  private void event(StringBuilder out, WordsInLine words, Moment moment, int line, int firstWord) {
    CaptionLayout.Line at = layout.lines().get(line);
    WordsInLine.Written written = words.write(at, line, firstWord, moment);
    Layer layer = words.layer();
    double scale = canvas.scale();
    double y = at.baseline() + at.depth() * written.largest() + layer.down() * scale;
    begin(out, layer.depth(), moment, line == 0 ? names.text() : names.lower());
    out.append("{\\an").append(alignment());
    out.append(moved(at.x() + layer.right() * scale, y, moment));
    out.append(words.base(line));
    StripOfLine strip =
        layer.strip() == null ? null : new StripOfLine(layer.strip(), at, y, canvas);
    if (strip != null) {
      double rises = rising(moment) ? riseFrom() : 0;
      out.append(strip.clip(1, rises));
      if (rises > 0) {
        long offset = offsetMs(moment);
        int within = style.motion().entrance().ms();
        out.append(within(-offset, within - offset, strip.clip(1, 0)));
      }
    }
    out.append(shownBy(moment, at.face().width(), strip)).append('}');
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
    if (rising(moment)) {
      return "\\move("
          + tenths(x)
          + ','
          + tenths(y + riseFrom())
          + ','
          + tenths(x)
          + ','
          + tenths(y)
          + ','
          + -offset
          + ','
          + (style.motion().entrance().ms() - offset)
          + ')';
    }
    return "\\pos(" + tenths(x) + ',' + tenths(y) + ')';
  }

  private boolean rising(Moment moment) {
    return style.motion().entrance() instanceof Entrance.Rise rise && offsetMs(moment) < rise.ms();
  }

  private double riseFrom() {
    return style.motion().entrance() instanceof Entrance.Rise rise
        ? rise.from() * canvas.scale()
        : 0;
  }

  /** How it comes, grows and goes; moments of one caption go on from one another. */
  private String shownBy(Moment moment, double width, @Nullable StripOfLine strip) {
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
      tags.append("\\fade(255,0,255,").append(-offset).append(',').append(fadesIn - offset);
      tags.append(',').append(whole - leaves - offset).append(',').append(whole - offset);
      tags.append(')');
    }
    double grown = 1 + style.motion().growth();
    if (entrance instanceof Entrance.Pop pop && offset < pop.ms()) {
      tags.append(scaled(width, pop.from(), strip));
      tags.append(within(-offset, pop.ms() - offset, scaled(width, 1, strip)));
    }
    if (grown > 1) {
      if (!(entrance instanceof Entrance.Pop)) {
        tags.append(scaled(width, 1, strip));
      }
      long from = Math.min(entrance.ms(), whole - 1);
      tags.append(within(from - offset, whole - offset, scaled(width, grown, strip)));
    }
    return tags.toString();
  }

  /** Goes over to tags between two times of an event, milliseconds. */
  private static String within(long fromMs, long toMs, String tags) {
    return "\\t(" + fromMs + ',' + toMs + ',' + tags + ')';
  }

  private static String scaled(double width, double share, @Nullable StripOfLine strip) {
    String size = "\\fscx" + tenths(100 * width * share) + "\\fscy" + tenths(100 * share);
    return strip == null ? size : size + strip.clip(share, 0);
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
    begin(out, GROUND, whole, names.text());
    out.append("{\\an5").append(moved((left + right) / 2, (top + bottom) / 2, whole));
    out.append("\\bord0\\shad0\\blur0").append(style.ground().colour().tags(1));
    out.append("\\fscx100").append(shownBy(whole, 1, null)).append("\\p1}");
    out.append(
            new RoundedBox(0, 0, width, height, style.ground().radius() * canvas.scale()).drawing())
        .append('\n');
  }
}
