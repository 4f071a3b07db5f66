package paringknife.core.pare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Finds filler words. Sure ones count wherever they stand; doubtful ones only where the rhythm
 * shows it: a comma or a pause of {@value #PAUSE_US} microseconds on a side.
 */
public final class FillerFinder {
  private static final long PAUSE_US = 150_000;

  private final Set<String> sure;
  private final List<List<String>> doubtful;

  public FillerFinder(FillerList list) {
    this.sure = Set.copyOf(list.sure());
    this.doubtful = list.doubtful().stream().map(p -> Arrays.asList(p.split(" "))).toList();
  }

  /** With the shipped filler words of a transcript's language. */
  public static FillerFinder of(Transcript transcript) {
    return new FillerFinder(FillerList.of(transcript.language()));
  }

  /** Whether a word, bare and in lower case, is a filler wherever it stands. */
  public boolean isSure(String bare) {
    return sure.contains(bare);
  }

  public List<Filler> find(Transcript transcript) {
    List<Filler> found = new ArrayList<>();
    List<Word> words = transcript.words();
    for (int i = 0; i < words.size(); i++) {
      if (sure.contains(words.get(i).bare())) {
        found.add(new Filler(i, i, true));
        continue;
      }
      int last = doubtfulAt(words, i);
      if (last >= 0) {
        found.add(new Filler(i, last, false));
        i = last;
      }
    }
    return found;
  }

  private int doubtfulAt(List<Word> words, int at) {
    for (List<String> phrase : doubtful) {
      int last = at + phrase.size() - 1;
      if (last < words.size() && spells(words, at, phrase) && setApart(words, at, last)) {
        return last;
      }
    }
    return -1;
  }

  private static boolean spells(List<Word> words, int at, List<String> phrase) {
    for (int k = 0; k < phrase.size(); k++) {
      if (!words.get(at + k).bare().equals(phrase.get(k))) {
        return false;
      }
    }
    return true;
  }

  private static boolean setApart(List<Word> words, int first, int last) {
    boolean after =
        words.get(last).endsClause() && !words.get(last).endsSentence()
            || last + 1 < words.size()
                && words.get(last + 1).startUs() - words.get(last).endUs() >= PAUSE_US;
    boolean before =
        first > 0
            && (words.get(first - 1).endsClause()
                || words.get(first).startUs() - words.get(first - 1).endUs() >= PAUSE_US);
    return before && after || first == 0 && after;
  }
}
