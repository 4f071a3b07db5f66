package paringknife.core.pare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.clip.cut.Removal;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * What is taken out while its time stays: room tone, mute, captions; gaps put in; clips parted and
 * joined.
 */
class KeptTimeTest {
  private final Talk talk =
      new Talk()
          .speaker("Ada")
          .say("So the ice, um, came up.")
          .pause(0.9)
          .say("Nobody had told me that.")
          .pause(0.9)
          .say("Get up, she said.");
  private final Transcript transcript = talk.transcript();
  private final PareEditor editor = new PareEditor(transcript, talk.levels());
  private final StretchEditor stretches = new StretchEditor(transcript, talk.levels());
  private final SoundPlanner planner =
      new SoundPlanner(new RoomToneFinder(talk.levels(), transcript));
  private final Pared clip = talk.clip();

  private CutList cuts(Pared document) {
    return document.cuts(transcript);
  }

  private String captions(Pared document) {
    List<Span> without =
        document.removals().stream()
            .filter(r -> r.means().uncaptions())
            .map(Removal::span)
            .toList();
    return String.join(
        " ",
        new CueBreaker(Letterings.byId("sluice").breaking())
            .cues(cuts(document), transcript, without, List.of()).stream()
                .map(c -> c.text().replace('\n', ' '))
                .toList());
  }

  private List<SoundPlan.Segment> tones(Pared document) {
    return planner.plan(document, cuts(document)).segments().stream()
        .filter(SoundPlan.Tone.class::isInstance)
        .toList();
  }

  @Test
  void roomToneTakesTheWordOutOfSoundAndCaptionsButNotOutOfTime() {
    Pared toned = editor.treatWords(clip, 3, 3, Means.ROOM_TONE);
    assertThat(cuts(toned)).isEqualTo(cuts(clip));
    assertThat(tones(toned)).hasSize(1);
    assertThat(tones(toned).get(0).lengthUs()).isBetween(300_000L, 420_000L);
    assertThat(captions(toned)).doesNotContain("um");
    assertThat(editor.fillers(toned)).as("it is no filler that is left").isEmpty();
  }

  @Test
  void aMutedWordKeepsItsCaptionAndOneOutOfTheCaptionsIsHeard() {
    assertThat(captions(editor.treatWords(clip, 3, 3, Means.MUTE))).contains("um");
    assertThat(tones(editor.treatWords(clip, 3, 3, Means.MUTE))).hasSize(1);
    assertThat(captions(editor.treatWords(clip, 3, 3, Means.CAPTIONS_ONLY))).doesNotContain("um");
    assertThat(tones(editor.treatWords(clip, 3, 3, Means.CAPTIONS_ONLY))).isEmpty();
  }

  @Test
  void anotherTreatmentTakesThePlaceOfTheOneBeforeAndPutBackTakesItAway() {
    Pared muted =
        editor.treatWords(editor.treatWords(clip, 3, 3, Means.ROOM_TONE), 3, 3, Means.MUTE);
    assertThat(muted.removals()).extracting(Removal::means).containsExactly(Means.MUTE);
    assertThat(editor.putBackWords(muted, 3, 3).removals()).isEmpty();
    Pared backFromCut = editor.treatWords(editor.pareWords(clip, 3, 3), 3, 3, Means.ROOM_TONE);
    assertThat(cuts(backFromCut).lengthUs()).isEqualTo(cuts(clip).lengthUs());
    assertThat(Parings.of(backFromCut, cuts(backFromCut)).byReason()).as("no time went").isEmpty();
  }

  @Test
  void aPauseParedBesideAWordStaysPared() {
    Pared pared = editor.parePauses(clip, paringknife.core.listen.PauseSettings.DEFAULT);
    Pared toned = editor.treatWords(pared, 5, 6, Means.ROOM_TONE);
    assertThat(cuts(editor.treatWords(pared, 6, 6, Means.MUTE)).lengthUs())
        .as("the words lie beside it")
        .isEqualTo(cuts(pared).lengthUs());
    assertThat(cuts(toned).lengthUs())
        .as("they go over it, so it is theirs")
        .isGreaterThan(cuts(pared).lengthUs());
  }

  @Test
  void aGapIsExactlyAsLongAsAskedForAndHoldsThePicture() {
    Pared gapped = editor.putGapAfter(clip, 5, 640_000);
    assertThat(cuts(gapped).lengthUs()).isEqualTo(cuts(clip).lengthUs() + 640_000);
    assertThat(tones(gapped)).extracting(SoundPlan.Segment::lengthUs).containsExactly(640_000L);
    FrameRate rate = new FrameRate(25, 1);
    List<PictureRun> held =
        PictureRun.of(cuts(gapped), rate).stream().filter(PictureRun::held).toList();
    assertThat(held).hasSize(1);
    assertThat(held.get(0).count()).isEqualTo(16);
    Pared longer = editor.changeGapLength(gapped, gapped.gaps().get(0).id(), 1_000_000);
    assertThat(cuts(longer).lengthUs()).isEqualTo(cuts(clip).lengthUs() + 1_000_000);
    assertThat(editor.putGapAfter(longer, 5, 200_000).gaps()).as("one gap in one place").hasSize(1);
    assertThat(cuts(editor.changeGapLength(longer, longer.gaps().get(0).id(), 0)))
        .isEqualTo(cuts(clip));
    assertThatThrownBy(() -> editor.putGapAfter(clip, 5, 11_000_000))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** The words around it may go: the gap plays at the join then. */
  @Test
  void aGapStaysWhenWhatIsAroundItIsPared() {
    Pared gapped = editor.putGapAfter(clip, 5, 500_000);
    Pared pared = editor.pareWords(editor.parePauseAfter(gapped, 5), 5, 6);
    assertThat(cuts(pared).gaps()).hasSize(1);
    assertThat(cuts(pared).lengthUs())
        .isEqualTo(cuts(pared).kept().stream().mapToLong(Span::lengthUs).sum() + 500_000);
    Pared nothing = editor.pareWords(gapped, 0, transcript.words().size() - 1);
    Pared all = editor.parePauses(nothing, paringknife.core.listen.PauseSettings.DEFAULT);
    assertThat(cuts(all).kept().isEmpty() ? cuts(all).lengthUs() : 0).as("no gap alone").isZero();
  }

  @Test
  void captionsWaitForTheGap() {
    Pared gapped = editor.putGapAfter(clip, 0, 500_000);
    long before =
        new CueBreaker(Letterings.byId("sluice").breaking())
            .cues(cuts(clip), transcript)
            .get(0)
            .lines()
            .get(0)
            .get(1)
            .span()
            .startUs();
    long after =
        new CueBreaker(Letterings.byId("sluice").breaking())
            .cues(cuts(gapped), transcript).stream()
                .flatMap(c -> c.lines().stream())
                .flatMap(List::stream)
                .skip(1)
                .findFirst()
                .orElseThrow()
                .span()
                .startUs();
    assertThat(after - before).isEqualTo(500_000);
  }

  @Test
  void aClipIsPartedAndJoinedAgainWithAllThatWasPared() {
    Pared pared =
        editor.putGapAfter(
            editor.treatWords(editor.pareWords(clip, 1, 2), 8, 8, Means.MUTE), 7, 300_000);
    StretchEditor.Parted parted = stretches.part(pared, 6);
    assertThat(cuts(parted.first()).lengthUs() + cuts(parted.second()).lengthUs())
        .isEqualTo(cuts(pared).lengthUs());
    assertThat(parted.first().removals()).extracting(Removal::means).containsExactly(Means.CUT);
    assertThat(parted.second().removals()).extracting(Removal::means).containsExactly(Means.MUTE);
    assertThat(parted.second().gaps()).hasSize(1);
    assertThat(parted.first().gaps()).isEmpty();
    Pared joined = stretches.append(parted.first(), parted.second());
    assertThat(cuts(joined).kept()).isEqualTo(cuts(pared).kept());
    assertThat(cuts(joined).lengthUs()).isEqualTo(cuts(pared).lengthUs());
    assertThat(joined.stretches()).hasSize(1);
    assertThatThrownBy(() -> stretches.part(clip, 0)).isInstanceOf(IllegalArgumentException.class);
  }

  /**
   * A noisy room before the join, a quiet one after it: the noisier tone goes on under the quiet
   * side, as strong as is missing (powers add up), and fades away.
   */
  @Test
  void theRoomsNoiseGlidesOverAJoin() {
    Talk far =
        new Talk()
            .speaker("Ada")
            .say("So the ice, um, came up.")
            .pause(20)
            .say("Nobody had told me that.")
            .pause(0.9)
            .say("Get up, she said.");
    float[] levels = far.levels().dbfs();
    for (int i = 0; i < (int) (12_000_000 / LevelCurve.WINDOW_US); i++) {
      levels[i] = Math.max(levels[i], -48);
    }
    LevelCurve curve = new LevelCurve(levels);
    PareEditor paring = new PareEditor(far.transcript(), curve);
    Pared pared = paring.parePauseAfter(far.clip(), 5);
    CutList cut = pared.cuts(far.transcript());
    SoundPlan plan = new SoundPlanner(new RoomToneFinder(curve, far.transcript())).plan(pared, cut);
    assertThat(plan.beds()).hasSize(1);
    SoundPlan.Bed bed = plan.beds().get(0);
    assertThat(bed.atUs()).isEqualTo(cut.kept().get(0).lengthUs());
    assertThat(bed.gainAtStart()).isCloseTo(Math.sqrt(1 - Math.pow(10, -1.2)), within(0.01));
    assertThat(bed.gainAtEnd()).isZero();
    assertThat(
            new SoundPlanner(new RoomToneFinder(talk.levels(), transcript))
                .plan(editor.pareWords(clip, 6, 7), cuts(editor.pareWords(clip, 6, 7)))
                .beds())
        .as("an even room needs nothing")
        .isEmpty();
  }
}
