package paringknife.core.letter.cue;

import java.util.EnumSet;
import java.util.Set;
import paringknife.core.writing.Columns;

/** What may be wrong with a caption. */
public enum CueFault {
  /** More than {@link Breaking#FASTEST_READING} characters a second. */
  TOO_FAST,
  /** It stands shorter than captions are to. */
  TOO_SHORT,
  /** It stands longer than captions are to. */
  TOO_LONG,
  /** A line has more characters than there is room for. */
  TOO_WIDE;

  /**
   * All that is wrong with a caption.
   *
   * @param played as long as it shows
   */
  public static Set<CueFault> of(Cue played, Breaking breaking) {
    EnumSet<CueFault> faults = EnumSet.noneOf(CueFault.class);
    long lengthUs = played.span().lengthUs();
    if (played.charactersPerSecond() > Breaking.FASTEST_READING) {
      faults.add(TOO_FAST);
    }
    if (lengthUs < breaking.timing().shortestUs()) {
      faults.add(TOO_SHORT);
    }
    if (lengthUs > breaking.timing().longestUs()) {
      faults.add(TOO_LONG);
    }
    if (played.text().lines().anyMatch(l -> Columns.of(l) > breaking.characters())) {
      faults.add(TOO_WIDE);
    }
    return faults;
  }
}
