package paringknife.media.language;

import com.ibm.icu.text.BreakIterator;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.writing.WordBoundaries;

/** Words of scripts without blanks by ICU's dictionaries (Unicode Standard Annex 29 and CLDR). */
public final class IcuWords implements WordBoundaries {
  @Override
  public List<String> parts(String text) {
    BreakIterator boundaries = BreakIterator.getWordInstance(ULocale.ROOT);
    boundaries.setText(text);
    List<String> parts = new ArrayList<>();
    int from = boundaries.first();
    for (int to = boundaries.next(); to != BreakIterator.DONE; to = boundaries.next()) {
      parts.add(text.substring(from, to));
      from = to;
    }
    return parts;
  }
}
