package paringknife.core.pare;

import java.util.ArrayDeque;
import java.util.Deque;
import paringknife.core.clip.cut.CutList;
import paringknife.core.transcript.Transcript;

/**
 * The cut lists of clips of one transcript. Those of the {@value #AT_HAND} states asked for last
 * are at hand, so that an edit does not work out anew what it starts from. Safe for use by several
 * threads.
 */
final class LatestCutLists {
  private static final int AT_HAND = 12;

  private final Transcript transcript;
  private final Deque<Known> known = new ArrayDeque<>();

  private record Known(Pared clip, CutList cuts) {}

  LatestCutLists(Transcript transcript) {
    this.transcript = transcript;
  }

  /** A state's cut list; states are told apart as objects, which never change. */
  CutList of(Pared clip) {
    synchronized (known) {
      for (Known one : known) {
        if (one.clip() == clip) {
          return one.cuts();
        }
      }
    }
    CutList made = clip.cuts(transcript);
    synchronized (known) {
      known.addFirst(new Known(clip, made));
      if (known.size() > AT_HAND) {
        known.removeLast();
      }
    }
    return made;
  }
}
