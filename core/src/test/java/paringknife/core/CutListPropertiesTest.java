package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.clip.cut.Reason;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SoundPlan;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.pare.ParedDelta;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/** What must hold for any clip, whatever was done to it. */
class CutListPropertiesTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("Um, so the first winter we ran the mill, the ice came up.")
          .pause(1.4)
          .say("Nobody had told me, you know, that it freezes.")
          .speaker("Ben")
          .pause(0.7)
          .say("Uh, right. And did you get up?")
          .speaker("Ada")
          .pause(2)
          .say("I did not. It was not the tide.");
  private static final Transcript TRANSCRIPT = TALK.transcript();
  private static final PareEditor EDITOR = new PareEditor(TRANSCRIPT, TALK.levels());
  private static final int LAST = TRANSCRIPT.words().size() - 1;

  /** One thing a producer may do. */
  interface Step {
    Pared apply(Pared clip);
  }

  @Provide
  Arbitrary<Step> steps() {
    Arbitrary<Integer> word = Arbitraries.integers().between(0, LAST);
    Arbitrary<Step> words =
        Combinators.combine(word, word)
            .as((a, b) -> clip -> EDITOR.pareWords(clip, Math.min(a, b), Math.max(a, b)));
    Arbitrary<Step> back =
        Combinators.combine(word, word)
            .as((a, b) -> clip -> EDITOR.putBackWords(clip, Math.min(a, b), Math.max(a, b)));
    Arbitrary<Step> pauses =
        Arbitraries.doubles()
            .between(0.1, 1)
            .map(
                s ->
                    clip ->
                        EDITOR.parePauses(
                            clip, new PauseSettings(-38, Math.round(s * 1e6), 20_000, 150_000)));
    Arbitrary<Step> treated =
        Combinators.combine(word, word, Arbitraries.of(Means.class))
            .as(
                (a, b, means) ->
                    clip -> EDITOR.treatWords(clip, Math.min(a, b), Math.max(a, b), means));
    Arbitrary<Step> gaps =
        Combinators.combine(word, Arbitraries.longs().between(20_000, 3_000_000))
            .as((a, us) -> clip -> EDITOR.putGapAfter(clip, a, us));
    Arbitrary<Step> others =
        Arbitraries.of(
            (Step) clip -> EDITOR.pareSureFillers(clip),
            clip -> EDITOR.putBack(clip, Reason.BY_HAND),
            clip -> EDITOR.putBack(clip, List.of(1L, 3L)),
            clip -> clip.withSpeed(1.1));
    return Arbitraries.oneOf(words, back, pauses, treated, gaps, others);
  }

  private static Pared after(List<Step> steps) {
    Pared clip = TALK.clip();
    for (Step step : steps) {
      clip = step.apply(clip);
    }
    return clip;
  }

  @Property(tries = 400)
  void keptPlusCutIsTheWhole(
      @ForAll @Size(max = 12) List<@net.jqwik.api.From("steps") Step> steps) {
    Pared clip = after(steps);
    CutList cuts = clip.cuts(TRANSCRIPT);
    List<Span> all = new ArrayList<>(cuts.kept());
    all.addAll(cuts.cut());
    all.sort(null);
    long at = clip.stretches().get(0).startUs();
    for (Span span : all) {
      assertThat(span.startUs()).isEqualTo(at);
      assertThat(span.lengthUs()).isPositive();
      at = span.endUs();
    }
    assertThat(at).isEqualTo(clip.stretches().get(0).endUs());
  }

  @Property(tries = 200)
  void noPauseIsLeftThatWasCounted(
      @ForAll @Size(max = 6) List<@net.jqwik.api.From("steps") Step> steps,
      @ForAll @DoubleRange(min = 0.2, max = 1) double shortest) {
    PauseSettings settings = new PauseSettings(-38, Math.round(shortest * 1e6), 20_000, 150_000);
    Pared clip = after(steps);
    assertThat(EDITOR.pauses(EDITOR.parePauses(clip, settings), settings)).isEmpty();
  }

  @Property(tries = 400)
  void undoOfAnythingRestoresExactly(
      @ForAll @Size(max = 15) List<@net.jqwik.api.From("steps") Step> steps) {
    List<Pared> states = new ArrayList<>(List.of(TALK.clip()));
    List<ParedDelta> log = new ArrayList<>();
    for (Step step : steps) {
      Pared before = states.get(states.size() - 1);
      Pared after = step.apply(before);
      log.add(ParedDelta.between(before, after));
      states.add(after);
    }
    Pared clip = states.get(states.size() - 1);
    for (int i = log.size() - 1; i >= 0; i--) {
      clip = log.get(i).backwards(clip);
      assertThat(clip).isEqualTo(states.get(i));
    }
    for (int i = 0; i < log.size(); i++) {
      clip = log.get(i).forwards(clip);
      assertThat(clip).isEqualTo(states.get(i + 1));
    }
  }

  @Property(tries = 300)
  void noWordThatStaysLosesAnything(
      @ForAll @IntRange(min = 0, max = 20) int first,
      @ForAll @IntRange(min = 0, max = 6) int more) {
    int last = Math.min(LAST, first + more);
    KeptIndex kept = EDITOR.pareWords(TALK.clip(), first, last).cuts(TRANSCRIPT).index();
    for (int i = 0; i <= LAST; i++) {
      Span word = TRANSCRIPT.words().get(i).span();
      assertThat(kept.keptUs(word)).isEqualTo(i >= first && i <= last ? 0 : word.lengthUs());
    }
  }

  /** Sound and picture are laid out from the same cut list, and last as long as it says. */
  @Property(tries = 200)
  void theSoundLastsAsLongAsTheCut(
      @ForAll @Size(max = 10) List<@net.jqwik.api.From("steps") Step> steps) {
    Pared clip = after(steps);
    CutList cuts = clip.cuts(TRANSCRIPT);
    SoundPlan plan =
        new SoundPlanner(new RoomToneFinder(TALK.levels(), TRANSCRIPT)).plan(clip, cuts);
    assertThat(plan.lengthUs()).isEqualTo(cuts.lengthUs());
    long silenced =
        plan.segments().stream()
            .filter(SoundPlan.Tone.class::isInstance)
            .mapToLong(SoundPlan.Segment::lengthUs)
            .sum();
    assertThat(silenced)
        .isGreaterThanOrEqualTo(cuts.gaps().stream().mapToLong(g -> g.lengthUs()).sum());
  }

  @Property(tries = 300)
  void pictureStaysWithinHalfAFrameOfTheSound(
      @ForAll @Size(max = 10) List<@net.jqwik.api.From("steps") Step> steps,
      @ForAll @IntRange(min = 0, max = 3) int which) {
    FrameRate rate =
        List.of(
                new FrameRate(25, 1),
                new FrameRate(30_000, 1_001),
                new FrameRate(60, 1),
                new FrameRate(24_000, 1_001))
            .get(which);
    Pared clip = after(steps);
    CutList cuts = clip.cuts(TRANSCRIPT);
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    assertThat(PictureRun.total(runs)).isEqualTo(rate.nearestFrame(cuts.lengthUs()));
    KeptIndex index = cuts.index();
    double frameUs = 1e6 / rate.perSecond();
    long shown = -1;
    for (PictureRun run : runs) {
      if (run.held()) {
        assertThat(run.episodeFrame()).isEqualTo(shown < 0 ? run.episodeFrame() : shown);
        continue;
      }
      shown = run.episodeFrame() + run.count() - 1;
      for (long k : new long[] {0, run.count() / 2, run.count() - 1}) {
        double heard = index.toEpisode(rate.startUs(run.clipFrame() + k));
        double seen = rate.startUs(run.episodeFrame() + k);
        boolean atTheJoin = k == 0 || k == run.count() - 1;
        if (!atTheJoin) {
          assertThat(Math.abs(heard - seen)).isLessThanOrEqualTo(frameUs / 2 + 2);
        }
      }
    }
  }

  @Property(tries = 200)
  void aTimeOfTheClipFindsItsPlaceAndBack(
      @ForAll @Size(max = 8) List<@net.jqwik.api.From("steps") Step> steps,
      @ForAll @IntRange(min = 0, max = 999) int share) {
    Pared clip = after(steps);
    CutList cuts = clip.cuts(TRANSCRIPT);
    long us = cuts.lengthUs() * share / 1000;
    if (cuts.lengthUs() > 0 && cuts.gaps().isEmpty()) {
      assertThat(cuts.index().toClip(cuts.index().toEpisode(us))).hasValue(us);
    }
  }
}
