package paringknife.core.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What is other in a text than when it was last looked at. A word is the same when it is the same
 * place of the recording and reads the same; the longest run of words that kept their order counts
 * as unchanged (a longest increasing subsequence, by Fredman 1975 in n log n).
 *
 * @param isNew for each present word, whether it was not there, read otherwise, or stood elsewhere
 * @param gone where something was taken away
 */
public record TextChanges(List<Boolean> isNew, List<Gone> gone) {

  /**
   * Words that are not there any more.
   *
   * @param before the present word they stood before, by index; as many as there are words for the
   *     end
   */
  public record Gone(int before, String text) {}

  public boolean isNone() {
    return gone.isEmpty() && !isNew.contains(true);
  }

  /** Compares what was looked at with what is there now. */
  public static TextChanges between(List<ProofWord> before, List<ProofWord> now) {
    int[] stays = stays(before, now);
    Set<Long> there = now.stream().map(ProofWord::sourceUs).collect(Collectors.toSet());
    List<Boolean> isNew = new ArrayList<>();
    List<Gone> gone = new ArrayList<>();
    int next = 0;
    for (int i = 0; i < now.size(); i++) {
      isNew.add(stays[i] < 0);
      if (stays[i] >= 0) {
        addGone(before.subList(next, stays[i]), i, there, gone);
        next = stays[i] + 1;
      }
    }
    addGone(before.subList(next, before.size()), now.size(), there, gone);
    return new TextChanges(isNew, gone);
  }

  /** What was only moved or put right is shown where it is now, and is not gone. */
  private static void addGone(List<ProofWord> words, int before, Set<Long> there, List<Gone> gone) {
    StringBuilder text = new StringBuilder();
    for (ProofWord word : words) {
      if (!there.contains(word.sourceUs())) {
        text.append(text.isEmpty() ? "" : " ").append(word.text());
      }
    }
    if (!text.isEmpty()) {
      gone.add(new Gone(before, text.toString()));
    }
  }

  /** For each present word, which one of before it is, where it kept its place; else -1. */
  private static int[] stays(List<ProofWord> before, List<ProofWord> now) {
    Map<Long, Integer> places = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      places.put(before.get(i).sourceUs(), i);
    }
    int[] was = new int[now.size()];
    for (int i = 0; i < was.length; i++) {
      Integer place = places.get(now.get(i).sourceUs());
      was[i] = place != null && before.get(place).isSaidAs(now.get(i)) ? place : -1;
    }
    return longestRising(was);
  }

  /** Keeps the longest subsequence that rises, and puts -1 for the rest. */
  private static int[] longestRising(int[] values) {
    int[] ends = new int[values.length];
    int[] previous = new int[values.length];
    int length = 0;
    for (int i = 0; i < values.length; i++) {
      if (values[i] < 0) {
        continue;
      }
      int low = 0;
      int high = length;
      while (low < high) {
        int middle = (low + high) / 2;
        if (values[ends[middle]] < values[i]) {
          low = middle + 1;
        } else {
          high = middle;
        }
      }
      previous[i] = low == 0 ? -1 : ends[low - 1];
      ends[low] = i;
      length = Math.max(length, low + 1);
    }
    int[] kept = new int[values.length];
    Arrays.fill(kept, -1);
    for (int i = length == 0 ? -1 : ends[length - 1]; i >= 0; i = previous[i]) {
      kept[i] = values[i];
    }
    return kept;
  }
}
