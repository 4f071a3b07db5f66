package paringknife.media.ffmpeg;

import java.util.Locale;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An ASS script as one plane of a picture in BT.709, studio range, needs it: every colour of it is
 * what that plane has of the colour (Recommendation ITU-R BT.709). Letters are laid over a plane as
 * they are over red, green and blue, since the way from one to the other is linear; so a film is
 * neither turned into red, green and blue for its captions nor back.
 */
final class PlaneScript {
  /** The colours of a style, among its fields. */
  private static final Pattern STYLE =
      Pattern.compile("^(Style: (?:[^,\n]*,){3})((?:&H[0-9A-F]{8},){4})", Pattern.MULTILINE);

  /** What is written between braces is an order, what is not is said. */
  private static final Pattern ORDERS = Pattern.compile("\\{[^}\n]*}");

  private static final Pattern COLOUR = Pattern.compile("(?<=&H|&H[0-9A-F]{2})[0-9A-F]{6}(?=[&,])");

  private static final double RED = 0.2126;
  private static final double BLUE = 0.0722;
  private static final double LUMA_RANGE = 219;
  private static final double CHROMA_RANGE = 224;
  private static final int MOST = 255;
  private static final int MIDDLE = 128;

  private PlaneScript() {}

  /** For luma alone, as a grey picture in studio range: its black is 16, its white 235. */
  static String luma(String script) {
    return changed(script, colour -> written(grey(colour), grey(colour), grey(colour)));
  }

  /** For both planes of chroma: green stands for Cb, blue for Cr. */
  static String chroma(String script) {
    return changed(
        script, colour -> written(MIDDLE, chroma(blue(colour), colour, BLUE), redChroma(colour)));
  }

  private static int redChroma(int colour) {
    return chroma(red(colour), colour, RED);
  }

  private static String changed(String script, ColourOfPlane plane) {
    UnaryOperator<String> colours =
        text -> COLOUR.matcher(text).replaceAll(m -> plane.of(Integer.parseInt(m.group(), 16)));
    String styled = replaced(STYLE, script, m -> m.group(1) + colours.apply(m.group(2)));
    return replaced(ORDERS, styled, m -> colours.apply(m.group()));
  }

  private static String replaced(Pattern pattern, String text, Function<MatchResult, String> by) {
    return pattern.matcher(text).replaceAll(m -> Matcher.quoteReplacement(by.apply(m)));
  }

  /** A colour as a plane has it, from blue, green and red, eight bits each, as ASS writes them. */
  private interface ColourOfPlane {
    String of(int colour);
  }

  private static int red(int colour) {
    return colour & MOST;
  }

  private static int green(int colour) {
    return colour >> 8 & MOST;
  }

  private static int blue(int colour) {
    return colour >> 16;
  }

  /** 0 to 255. */
  private static double brightness(int colour) {
    return RED * red(colour) + (1 - RED - BLUE) * green(colour) + BLUE * blue(colour);
  }

  private static int grey(int colour) {
    return (int) Math.round(brightness(colour));
  }

  private static int chroma(int part, int colour, double share) {
    double difference = (part - brightness(colour)) / (2 * (1 - share)) / MOST;
    return (int) Math.round(MIDDLE + difference * CHROMA_RANGE);
  }

  private static String written(int red, int green, int blue) {
    return String.format(Locale.ROOT, "%02X%02X%02X", blue, green, red);
  }
}
