package paringknife.core.formats;

import java.util.List;

/** Writes SubRip: numbered cues, comma before the milliseconds. */
public final class SubRip {
  private SubRip() {}

  public static String write(List<TimedText> cues) {
    StringBuilder out = new StringBuilder();
    int number = 1;
    for (TimedText cue : cues) {
      out.append(number++).append('\n');
      out.append(ClockText.of(cue.span().startUs(), ',')).append(" --> ");
      out.append(ClockText.of(cue.span().endUs(), ',')).append('\n');
      out.append(cue.text().replaceAll("\\n{2,}", "\n")).append("\n\n");
    }
    return out.toString();
  }
}
