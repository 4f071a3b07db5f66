package paringknife.core.letter.drawn;

import static paringknife.core.letter.drawn.AssNumber.tenths;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.fonts.BorrowedLetters;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Edge;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.letter.style.WordLook;
import paringknife.core.writing.Spacing;

/** The words of a line with the override tags that make each look as it should at a moment. */
final class WordsInLine {
  private final Cue cue;
  private final Style style;
  private final AssScript.StyleNames names;
  private final double scale;
  private final DrawnCaption.Layer layer;
  private final BorrowedLetters borrowed;

  /** Letters of words in their usual size, which most moments show again. */
  private final Map<CueWord, String> letters = new IdentityHashMap<>();

  /**
   * @param scale pixels of the canvas for one of the style's
   */
  WordsInLine(
      Cue cue,
      Style style,
      AssScript.StyleNames names,
      double scale,
      DrawnCaption.Layer layer,
      BorrowedLetters borrowed) {
    this.cue = cue;
    this.style = style;
    this.names = names;
    this.scale = scale;
    this.layer = layer;
    this.borrowed = borrowed;
  }

  DrawnCaption.Layer layer() {
    return layer;
  }

  /**
   * Text of an event.
   *
   * @param largest the largest word's size as a share of the others'
   */
  record Written(String text, double largest) {}

  /** Tags that hold for all words of a line, where its style in the script does not say so. */
  String base(int line) {
    Face face = style.faceOf(line);
    StringBuilder tags = new StringBuilder();
    tags.append(sized(face.size() * scale));
    if (face.slant() != 0) {
      tags.append(String.format(Locale.ROOT, "\\fax%.2f", -face.slant()));
    }
    return tags.append(drawn()).toString();
  }

  private static String sized(double pixels) {
    return "\\fs" + tenths(pixels);
  }

  /** Colours and outline of this layer. */
  private String drawn() {
    if (!layer.isText()) {
      return layer.fill().tags(1)
          + layer.border().tags(3)
          + "\\bord"
          + tenths(layer.borderWidth() * scale)
          + "\\blur"
          + tenths(layer.blur() * scale);
    }
    String colour = layer.strip() == null ? "" : layer.fill().tags(1);
    double softness = style.fill().softness();
    if (softness > 0) {
      return colour + "\\bord0\\blur" + tenths(softness * scale);
    }
    double soft = style.edges().stream().findFirst().map(Edge::softness).orElse(0.0);
    return soft > 0 ? colour + "\\blur" + tenths(soft * scale) : colour;
  }

  Written write(CaptionLayout.Line line, int number, int firstWord, DrawnCaption.Moment moment) {
    StringBuilder text = new StringBuilder();
    double largest = 1;
    List<CueWord> words = line.words();
    long heardUs = cue.span().startUs();
    for (int i = 0; i < words.size(); i++) {
      CueWord word = words.get(i);
      if (i > 0 && Spacing.isBetween(words.get(i - 1).text(), word.text())) {
        text.append(' ');
      }
      WordLook look = look(word, firstWord + i, moment.spoken());
      largest = Math.max(largest, look.scale());
      if (style.mark() instanceof SpokenMark.Filled && layer.isText()) {
        text.append(filling(word, heardUs));
        heardUs = word.span().endUs();
      }
      text.append(marked(word, look, number));
    }
    return new Written(text.toString(), largest);
  }

  private WordLook look(CueWord word, int index, int spoken) {
    SpokenMark.Moment moment =
        spoken < 0 || index < spoken
            ? SpokenMark.Moment.SAID
            : index == spoken ? SpokenMark.Moment.SPOKEN : SpokenMark.Moment.TO_COME;
    WordLook look = spoken < 0 ? WordLook.PLAIN : style.mark().at(moment);
    look = look.over(word.style());
    if (word.isKey()) {
      look = look.over(style.key());
    }
    WordLook own = look;
    look = style.tints().of(word.text(), word.speaker()).map(own::tinted).orElse(own);
    boolean waits =
        style.motion().entrance() instanceof Entrance.WordByWord
            && spoken >= 0
            && moment == SpokenMark.Moment.TO_COME;
    return waits ? look.hidden() : look;
  }

  /** Lets colour run through a word while it is heard; times count on from those before. */
  private static String filling(CueWord word, long heardUs) {
    long wait = Math.max(0, AssTime.centis(word.span().startUs()) - AssTime.centis(heardUs));
    long lasts = AssTime.centis(word.span().endUs()) - AssTime.centis(word.span().startUs());
    String waits = wait > 0 ? "{\\k" + wait + "}" : "";
    return waits + "{\\kf" + Math.max(1, lasts) + "}";
  }

  private String marked(CueWord word, WordLook look, int number) {
    Face face = style.faceOf(number);
    double size = face.size() * scale * look.scale();
    String shown = look.scale() == 1 ? usual(word, face) : inFaces(word, face, size);
    if (look.isBoxed() && layer.isText()) {
      String after = number == 0 ? names.text() : names.lower();
      return "{\\r"
          + names.spoken()
          + sized(size)
          + "}"
          + shown
          + "{\\r"
          + after
          + base(number)
          + "}";
    }
    StringBuilder before = new StringBuilder();
    StringBuilder after = new StringBuilder();
    Colour text = layer.fill();
    if (look.isHidden()) {
      before.append("\\alpha&HFF&");
      Colour border = layer.isText() ? borderColour() : layer.border();
      after.append(text.tags(1)).append(border.tags(3)).append("\\2a&H00&\\4a&HFF&");
    } else if (look.colour() != null && layer.isText()) {
      before.append(look.colour().tags(1));
      after.append(text.tags(1));
    }
    if (look.scale() != 1) {
      before.append(sized(size));
      after.append(sized(face.size() * scale));
    }
    if (look.italic() != face.italic() && look.italic()) {
      before.append("\\i1");
      after.append("\\i0");
    }
    if (look.isUnderlined() && layer.isText()) {
      before.append("\\u1");
      after.append("\\u0");
    }
    return before.isEmpty() ? shown : "{" + before + "}" + shown + "{" + after + "}";
  }

  private String usual(CueWord word, Face face) {
    return letters.computeIfAbsent(word, w -> inFaces(w, face, face.size() * scale));
  }

  private Colour borderColour() {
    return style.edges().isEmpty() ? Colour.rgb(0) : style.edges().get(0).colour();
  }

  /** Letters that the face does not have are drawn from one that does, in its size. */
  private String inFaces(CueWord word, Face face, double size) {
    String text = DrawnText.cased(DrawnText.harmless(word.text()), face);
    Typeface own = CaptionLayout.typeface(face);
    StringBuilder out = new StringBuilder();
    Typeface now = own;
    for (int c : text.codePoints().toArray()) {
      Typeface wanted = faceFor(c, own, now);
      if (wanted != now) {
        out.append(inFace(wanted, own, face, size));
        now = wanted;
      }
      out.appendCodePoint(c);
    }
    return now == own ? out.toString() : out.append(inFace(own, own, face, size)).toString();
  }

  private Typeface faceFor(int c, Typeface own, Typeface now) {
    boolean joins =
        Character.getType(c) == Character.NON_SPACING_MARK || c == 0x200C || c == 0x200D;
    if (joins && now != own) {
      return now;
    }
    if (own.has(c)) {
      return own;
    }
    Optional<Typeface> other = borrowed.having(c);
    return other.orElse(now);
  }

  private static String inFace(Typeface typeface, Typeface own, Face face, double size) {
    boolean back = typeface == own;
    double same = size * own.em() / typeface.em();
    boolean bold = back ? face.bold() : typeface.isBold();
    return "{\\fn" + typeface.family() + sized(back ? size : same) + (bold ? "\\b1}" : "\\b0}");
  }
}
