package paringknife.core.formats;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.time.Span;

/** Brings captions into order of time, each ending before the next begins. */
final class CueOrder {
  private CueOrder() {}

  static ImportedText inOrder(List<TimedText> cues, List<String> mended) {
    List<TimedText> sorted = new ArrayList<>(cues);
    sorted.sort(Comparator.comparing(TimedText::span));
    if (!sorted.equals(cues)) {
      mended.add("captions were not in order of time");
    }
    int overlaps = 0;
    for (int i = 0; i + 1 < sorted.size(); i++) {
      Span span = sorted.get(i).span();
      long next = sorted.get(i + 1).span().startUs();
      if (span.endUs() > next) {
        overlaps++;
        sorted.set(
            i,
            new TimedText(
                new Span(span.startUs(), Math.max(span.startUs(), next)), sorted.get(i).text()));
      }
    }
    if (overlaps > 0) {
      mended.add(overlaps + " captions overlapped the next one");
    }
    return new ImportedText(sorted, mended);
  }
}
