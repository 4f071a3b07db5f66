package paringknife.server.clips;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Locale;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.Shape;
import paringknife.core.letter.Letterings;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.FitPlan;
import paringknife.core.pare.Framing;
import paringknife.core.pare.Means;
import paringknife.core.pare.Reason;
import paringknife.core.pare.RepeatGroup;
import paringknife.core.time.Span;
import paringknife.server.episodes.Episode;

/** What a producer wants done to a clip, as the browser sends it. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ClipIntent.PareWords.class, name = "pareWords"),
  @JsonSubTypes.Type(value = ClipIntent.ParePauses.class, name = "parePauses"),
  @JsonSubTypes.Type(value = ClipIntent.PareFillers.class, name = "pareFillers"),
  @JsonSubTypes.Type(value = ClipIntent.PareChosenFillers.class, name = "pareChosenFillers"),
  @JsonSubTypes.Type(value = ClipIntent.TreatWords.class, name = "treatWords"),
  @JsonSubTypes.Type(value = ClipIntent.PutGap.class, name = "putGap"),
  @JsonSubTypes.Type(value = ClipIntent.ChangeGap.class, name = "changeGap"),
  @JsonSubTypes.Type(value = ClipIntent.CleanUp.class, name = "cleanUp"),
  @JsonSubTypes.Type(value = ClipIntent.PareRepeats.class, name = "pareRepeats"),
  @JsonSubTypes.Type(value = ClipIntent.KeepAttempt.class, name = "keepAttempt"),
  @JsonSubTypes.Type(value = ClipIntent.ParePauseAfter.class, name = "parePauseAfter"),
  @JsonSubTypes.Type(value = ClipIntent.MoveCut.class, name = "moveCut"),
  @JsonSubTypes.Type(value = ClipIntent.Fit.class, name = "fit"),
  @JsonSubTypes.Type(value = ClipIntent.SetSpeed.class, name = "setSpeed"),
  @JsonSubTypes.Type(value = ClipIntent.PutBackWords.class, name = "putBackWords"),
  @JsonSubTypes.Type(value = ClipIntent.PutBackRemovals.class, name = "putBackRemovals"),
  @JsonSubTypes.Type(value = ClipIntent.PutBackReason.class, name = "putBackReason"),
  @JsonSubTypes.Type(value = ClipIntent.MoveWords.class, name = "moveWords"),
  @JsonSubTypes.Type(value = ClipIntent.PullWords.class, name = "pullWords"),
  @JsonSubTypes.Type(value = ClipIntent.DropStretch.class, name = "dropStretch"),
  @JsonSubTypes.Type(value = ClipIntent.MoveSeam.class, name = "moveSeam"),
  @JsonSubTypes.Type(value = ClipIntent.Rename.class, name = "rename"),
  @JsonSubTypes.Type(value = ClipIntent.Reframe.class, name = "reframe"),
  @JsonSubTypes.Type(value = ClipIntent.Letter.class, name = "letter"),
  @JsonSubTypes.Type(value = ClipIntent.AskFor.class, name = "askFor")
})
public sealed interface ClipIntent {
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

  /** The clip after this was done. */
  ClipDocument apply(ClipDocument clip, Episode episode);

  /** What undo will call it. */
  String label();

  /** Whether it changes so much at once that the state before is kept as a version. */
  default boolean isSweeping() {
    return false;
  }

  /** Take words out, by index, both included. */
  record PareWords(int first, int last) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(first, last, episode);
      return episode.editor().pareWords(clip, first, last);
    }

    @Override
    public String label() {
      int n = last - first + 1;
      return n == 1 ? "pare a word" : "pare " + n + " words";
    }
  }

  /** Move words before another word of the clip, or to its end (-1). */
  record MoveWords(int first, int last, int before) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(first, last, episode);
      Range.check(Math.max(0, before), Math.max(0, before), episode);
      return episode.stretches().move(clip, first, last, before);
    }

    @Override
    public String label() {
      return "move words";
    }
  }

  /** Put words of elsewhere before a word of the clip, or at its end (-1). */
  record PullWords(int first, int last, int before) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(first, last, episode);
      Range.check(Math.max(0, before), Math.max(0, before), episode);
      return episode.stretches().pull(clip, first, last, before);
    }

    @Override
    public String label() {
      return "pull words in";
    }
  }

  /** Drop one of the stretches a clip is put together from. */
  record DropStretch(int place) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.stretches().drop(clip, place);
    }

    @Override
    public String label() {
      return "drop a stretch";
    }
  }

  /** Move the edges of the join before a stretch. */
  record MoveSeam(int place, long outUs, long inUs) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode
          .stretches()
          .moveSeam(clip, place, Math.min(outUs, episode.levels().durationUs()), inUs);
    }

    @Override
    public String label() {
      return "move a join";
    }
  }

  /** Take out all pauses by these settings: dBFS and seconds. */
  record ParePauses(double thresholdDb, double shortest, double head, double tail)
      implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().parePauses(clip, settings(thresholdDb, shortest, head, tail));
    }

    static PauseSettings settings(double thresholdDb, double shortest, double head, double tail) {
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
  record PareFillers() implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().pareSureFillers(clip);
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
  record PareChosenFillers(List<Integer> first, Means means) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode
          .editor()
          .takeFillers(
              clip,
              episode.editor().fillers(clip).stream()
                  .filter(f -> first.contains(f.first()))
                  .toList(),
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
  record TreatWords(int first, int last, Means means) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(first, last, episode);
      return episode.editor().treatWords(clip, first, last, means);
    }

    @Override
    public String label() {
      return taking("words", means);
    }
  }

  /** Put room tone of so many seconds after a word. */
  record PutGap(int word, double seconds) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(word, word, episode);
      return episode.editor().putGapAfter(clip, word, Math.round(seconds * 1e6));
    }

    @Override
    public String label() {
      return "put in a gap";
    }
  }

  /** Give a gap another length in seconds; 0 takes it out. */
  record ChangeGap(long id, double seconds) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().changeGapLength(clip, id, Math.round(seconds * 1e6));
    }

    @Override
    public String label() {
      return seconds > 0 ? "change a gap" : "take a gap out";
    }
  }

  /** Choose what is done to the voice. */
  record CleanUp(boolean hum, boolean noise, boolean even, boolean sibilance)
      implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return clip.withSettings(
          clip.settings().withCleanup(new Cleanup(hum, noise, even, sibilance)));
    }

    @Override
    public String label() {
      return "clean up the sound";
    }
  }

  /** Take every attempt out but the last of each group. */
  record PareRepeats() implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().pareRepeats(clip);
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
  record KeepAttempt(int group, int attempt) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      RepeatGroup found =
          episode.editor().repeatGroups(clip).stream()
              .filter(
                  g ->
                      g.attempts().get(0).first() == group
                          && attempt >= 0
                          && attempt < g.attempts().size())
              .findFirst()
              .orElseThrow(
                  () -> new IllegalArgumentException("There is no such repeat in this clip."));
      return episode.editor().keepAttempt(clip, found, attempt);
    }

    @Override
    public String label() {
      return "keep an attempt";
    }
  }

  /** Take out the pause after a word. */
  record ParePauseAfter(int word) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(word, word, episode);
      return episode.editor().parePauseAfter(clip, word);
    }

    @Override
    public String label() {
      return "pare a pause";
    }
  }

  /** Move the edges of one removal. */
  record MoveCut(long id, long startUs, long endUs) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      if (endUs <= startUs) {
        throw new IllegalArgumentException("A cut must begin before it ends.");
      }
      return episode.editor().moveCut(clip, id, new Span(startUs, endUs));
    }

    @Override
    public String label() {
      return "move a cut";
    }
  }

  /** Make the clip fit a length by these ways. */
  record Fit(long targetUs, List<FitPlan.Kind> ways) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      if (targetUs < 1_000_000) {
        throw new IllegalArgumentException("A clip cannot be fitted to less than a second.");
      }
      return FitPlan.of(episode.editor(), clip, targetUs).apply(episode.editor(), clip, ways);
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
  record SetSpeed(double speed) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return clip.withSettings(clip.settings().withSpeed(speed));
    }

    @Override
    public String label() {
      return "change the speed";
    }
  }

  /** Put words back, by index, both included. */
  record PutBackWords(int first, int last) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      Range.check(first, last, episode);
      return episode.editor().putBackWords(clip, first, last);
    }

    @Override
    public String label() {
      return "put back";
    }
  }

  /** Put single removals back. */
  record PutBackRemovals(List<Long> ids) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().putBack(clip, ids);
    }

    @Override
    public String label() {
      return "put back";
    }
  }

  /** Put back all that went for a reason. */
  record PutBackReason(Reason reason) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return episode.editor().putBack(clip, reason);
    }

    @Override
    public String label() {
      return "put back all " + reason.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }

  /** Give another title. */
  record Rename(String title) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      String clean = title.strip().replaceAll("\\s+", " ");
      return clip.withSettings(
          clip.settings().withTitle(clean.substring(0, Math.min(120, clean.length()))));
    }

    @Override
    public String label() {
      return "rename";
    }
  }

  /** Choose the shape on the plate and whom the frame holds. */
  record Reframe(String shape, Framing.Mode mode, int person) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      if (mode == Framing.Mode.PERSON && (person < 0 || person >= episode.people().size())) {
        throw new IllegalArgumentException("There is no such person in the picture.");
      }
      return clip.withSettings(
          clip.settings()
              .withShape(Shape.parse(shape).toString())
              .withFraming(new Framing(mode, mode == Framing.Mode.PERSON ? person : -1)));
    }

    @Override
    public String label() {
      return "reframe";
    }
  }

  /** Choose a lettering. */
  record Letter(String lettering) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      return clip.withSettings(clip.settings().withLettering(Letterings.byId(lettering).id()));
    }

    @Override
    public String label() {
      return "choose lettering";
    }
  }

  /** Ask for delivery specs. */
  record AskFor(List<String> specs) implements ClipIntent {
    @Override
    public ClipDocument apply(ClipDocument clip, Episode episode) {
      List<String> known = specs.stream().map(s -> DeliverySpecs.byId(s).id()).distinct().toList();
      return clip.withSettings(clip.settings().withSpecs(known));
    }

    @Override
    public String label() {
      return "choose specs";
    }
  }

  /** Word indexes that a request may name. */
  final class Range {
    private Range() {}

    static void check(int first, int last, Episode episode) {
      if (first < 0 || last < first || last >= episode.transcript().words().size()) {
        throw new IllegalArgumentException("These words are not in the transcript.");
      }
    }
  }
}
