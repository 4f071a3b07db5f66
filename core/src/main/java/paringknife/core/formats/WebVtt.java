package paringknife.core.formats;

import java.util.List;

/** Writes WebVTT (W3C): the characters {@code & < >} are escaped as the standard asks. */
public final class WebVtt {
  private WebVtt() {}

  public static String write(List<TimedText> cues) {
    StringBuilder out = new StringBuilder("WEBVTT\n\n");
    for (TimedText cue : cues) {
      out.append(ClockText.of(cue.span().startUs(), '.')).append(" --> ");
      out.append(ClockText.of(cue.span().endUs(), '.')).append('\n');
      out.append(
              cue.text()
                  .replace("&", "&amp;")
                  .replace("<", "&lt;")
                  .replace(">", "&gt;")
                  .replaceAll("\\n{2,}", "\n"))
          .append("\n\n");
    }
    return out.toString();
  }
}
