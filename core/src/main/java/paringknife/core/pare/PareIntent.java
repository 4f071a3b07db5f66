package paringknife.core.pare;

import java.util.List;
import java.util.Locale;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.Reason;
import paringknife.core.listen.PauseSettings;
import paringknife.core.steps.Intent;
import paringknife.core.time.Span;

/** What a producer wants done to what plays of a clip; words by index. */
public sealed interface PareIntent extends Intent {
  private static String taking(String what, Means means) {
    return switch (means) {
      case CUT -> "pare " + what;
      case ROOM_TONE -> "room tone for " + what;
      case MUTE -> "mute " + what;
      case CAPTIONS_ONLY -> "take " + what + " out of the captions";
    };
  }

  /** Taking more than so many out at once keeps the state before as a version. */
  int SWEEPING = 3;

  /** What was pared after this was done. */
  Pared apply(Pared pared, PareDesk desk);

  /** Take words out, by index, both included. */
  record PareWords(int first, int last) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(first, last);
      return desk.editor().pareWords(clip, first, last);
    }

    @Override
    public String label() {
      int n = last - first + 1;
      return n == 1 ? "pare a word" : "pare " + n + " words";
    }
  }

  /** Move words before another word of the clip, or to its end (-1). */
  record MoveWords(int first, int last, int before) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(first, last);
      desk.check(Math.max(0, before), Math.max(0, before));
      return desk.stretches().move(clip, first, last, before);
    }

    @Override
    public String label() {
      return "move words";
    }
  }

  /** Put words of elsewhere before a word of the clip, or at its end (-1). */
  record PullWords(int first, int last, int before) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(first, last);
      desk.check(Math.max(0, before), Math.max(0, before));
      return desk.stretches().pull(clip, first, last, before);
    }

    @Override
    public String label() {
      return "pull words in";
    }
  }

  /** Drop one of the stretches a clip is put together from. */
  record DropStretch(int place) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.stretches().drop(clip, place);
    }

    @Override
    public String label() {
      return "drop a stretch";
    }
  }

  /** Move the edges of the join before a stretch. */
  record MoveSeam(int place, long outUs, long inUs) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.stretches().moveSeam(clip, place, Math.min(outUs, desk.durationUs()), inUs);
    }

    @Override
    public String label() {
      return "move a join";
    }
  }

  /** Take out all pauses by these settings: dBFS and seconds. */
  record ParePauses(double thresholdDb, double shortest, double head, double tail)
      implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().parePauses(clip, settings(thresholdDb, shortest, head, tail));
    }

    public static PauseSettings settings(
        double thresholdDb, double shortest, double head, double tail) {
      return new PauseSettings(
          thresholdDb, Math.round(shortest * 1e6), Math.round(head * 1e6), Math.round(tail * 1e6));
    }

    @Override
    public String label() {
      return "pare pauses";
    }

    @Override
    public boolean isSweeping() {
      return true;
    }
  }

  /** Take out all sure fillers. */
  record PareFillers() implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().pareSureFillers(clip);
    }

    @Override
    public String label() {
      return "pare fillers";
    }

    @Override
    public boolean isSweeping() {
      return true;
    }
  }

  /** Take single fillers out, by the index of their first word. */
  record PareChosenFillers(List<Integer> first, Means means) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor()
          .takeFillers(
              clip,
              desk.editor().fillers(clip).stream().filter(f -> first.contains(f.first())).toList(),
              means);
    }

    @Override
    public String label() {
      return taking(first.size() == 1 ? "a filler" : first.size() + " fillers", means);
    }

    @Override
    public boolean isSweeping() {
      return first.size() > SWEEPING;
    }
  }

  /** Silence words, or take them out of the captions only; by index, both included. */
  record TreatWords(int first, int last, Means means) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(first, last);
      return desk.editor().treatWords(clip, first, last, means);
    }

    @Override
    public String label() {
      return taking("words", means);
    }
  }

  /** Put room tone of so many seconds after a word. */
  record PutGap(int word, double seconds) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(word, word);
      return desk.editor().putGapAfter(clip, word, Math.round(seconds * 1e6));
    }

    @Override
    public String label() {
      return "put in a gap";
    }
  }

  /** Give a gap another length in seconds; 0 takes it out. */
  record ChangeGap(long id, double seconds) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().changeGapLength(clip, id, Math.round(seconds * 1e6));
    }

    @Override
    public String label() {
      return seconds > 0 ? "change a gap" : "take a gap out";
    }
  }

  /** Take every attempt out but the last of each group. */
  record PareRepeats() implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().repeats().pare(clip);
    }

    @Override
    public String label() {
      return "pare repeats";
    }

    @Override
    public boolean isSweeping() {
      return true;
    }
  }

  /** Keep one attempt of the group that begins with a word. */
  record KeepAttempt(int group, int attempt) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      RepeatGroup found =
          desk.editor().repeats().groupsIn(clip).stream()
              .filter(
                  g ->
                      g.attempts().get(0).first() == group
                          && attempt >= 0
                          && attempt < g.attempts().size())
              .findFirst()
              .orElseThrow(
                  () -> new IllegalArgumentException("There is no such repeat in this clip."));
      return desk.editor().repeats().keepAttempt(clip, found, attempt);
    }

    @Override
    public String label() {
      return "keep an attempt";
    }
  }

  /** Take out the pause after a word. */
  record ParePauseAfter(int word) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(word, word);
      return desk.editor().parePauseAfter(clip, word);
    }

    @Override
    public String label() {
      return "pare a pause";
    }
  }

  /** Move the edges of one removal. */
  record MoveCut(long id, long startUs, long endUs) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      if (endUs <= startUs) {
        throw new IllegalArgumentException("A cut must begin before it ends.");
      }
      return desk.editor().moveCut(clip, id, new Span(startUs, endUs));
    }

    @Override
    public String label() {
      return "move a cut";
    }
  }

  /** Make the clip fit a length by these ways. */
  record Fit(long targetUs, List<Way> ways) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      if (targetUs < 1_000_000) {
        throw new IllegalArgumentException("A clip cannot be fitted to less than a second.");
      }
      return FitPlan.of(desk.editor(), clip, targetUs).apply(desk.editor(), clip, ways);
    }

    @Override
    public String label() {
      return "fit to " + Math.round(targetUs / 1e6) + " s";
    }

    @Override
    public boolean isSweeping() {
      return true;
    }
  }

  /** Play at another speed, at the same pitch. */
  record SetSpeed(double speed) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return clip.withSpeed(speed);
    }

    @Override
    public String label() {
      return "change the speed";
    }
  }

  /** Put words back, by index, both included. */
  record PutBackWords(int first, int last) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      desk.check(first, last);
      return desk.editor().putBackWords(clip, first, last);
    }

    @Override
    public String label() {
      return "put back";
    }
  }

  /** Put single removals back. */
  record PutBackRemovals(List<Long> ids) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().putBack(clip, ids);
    }

    @Override
    public String label() {
      return "put back";
    }
  }

  /** Put back all that went for a reason. */
  record PutBackReason(Reason reason) implements PareIntent {
    @Override
    public Pared apply(Pared clip, PareDesk desk) {
      return desk.editor().putBack(clip, reason);
    }

    @Override
    public String label() {
      return "put back all " + reason.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }
}
