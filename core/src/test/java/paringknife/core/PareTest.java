package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Reason;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.pare.Parings;
import paringknife.core.time.Span;
import paringknife.core.transcript.TranscriptSearch;

class PareTest {
  private static final Talk TALK =
      new Talk()
          .say("Um, we live, you know, by the tide. You know the tide.")
          .pause(1)
          .say("It was like ice. I like ice.");
  private static final PareEditor EDITOR = new PareEditor(TALK.transcript(), TALK.levels());

  @Test
  void doubtfulFillersCountOnlyWhereTheRhythmShowsThem() {
    List<Filler> fillers = FillerFinder.of(TALK.transcript()).find(TALK.transcript());
    assertThat(fillers).contains(new Filler(0, 0, true), new Filler(3, 4, false));
    assertThat(fillers).noneMatch(f -> f.first() == 8);
    assertThat(fillers)
        .noneMatch(f -> TALK.transcript().words().get(f.first()).text().equals("like"));
  }

  @Test
  void sureFillersGoAndDoubtfulOnesStay() {
    Pared pared = EDITOR.pareSureFillers(TALK.clip());
    assertThat(pared.removals()).hasSize(1);
    assertThat(pared.removals().get(0).text()).isEqualTo("Um,");
    assertThat(EDITOR.pareSureFillers(pared)).isEqualTo(pared);
  }

  @Test
  void wordsStruckOneByOneLeaveNoSilenceBetweenThem() {
    Talk talk = new Talk().say("one two").pause(0.8).say("three four");
    PareEditor editor = new PareEditor(talk.transcript(), talk.levels());
    Pared clip = editor.pareWords(editor.pareWords(talk.clip(), 1, 1), 2, 2);
    CutList cuts = clip.cuts(talk.transcript());
    assertThat(cuts.cut()).hasSize(1);
  }

  @Test
  void wordsInTheMiddleOfALongRemovalComeBackAlone() {
    Pared clip = EDITOR.putBackWords(EDITOR.pareWords(TALK.clip(), 1, 6), 3, 4);
    assertThat(clip.removals()).extracting(r -> r.text()).containsExactly("we live,", "by the");
    var kept = clip.cuts(TALK.transcript()).index();
    Span know = TALK.transcript().words().get(4).span();
    assertThat(kept.keptUs(know)).isEqualTo(know.lengthUs());
  }

  @Test
  void paringsAddUpToWhatIsMissing() {
    Pared clip = EDITOR.pareSureFillers(TALK.clip());
    clip = EDITOR.parePauses(clip, PauseSettings.DEFAULT);
    clip = EDITOR.pareWords(clip, 8, 10);
    Parings parings = Parings.of(clip, clip.cuts(TALK.transcript()));
    long gone = parings.byReason().values().stream().mapToLong(Parings.Total::us).sum();
    long islands = parings.originalUs() - parings.lengthUs() - gone;
    assertThat(islands).isBetween(0L, 400_000L);
    assertThat(parings.byReason()).containsKeys(Reason.PAUSE, Reason.FILLER, Reason.BY_HAND);
  }

  @Test
  void paringEverythingLeavesAClearState() {
    Pared clip = EDITOR.pareWords(TALK.clip(), 0, TALK.transcript().words().size() - 1);
    CutList cuts = clip.cuts(TALK.transcript());
    assertThat(cuts.lengthUs()).isLessThan(1_500_000);
    assertThat(EDITOR.putBack(clip, Reason.BY_HAND).removals()).isEmpty();
  }

  @Test
  void correctingAWordMovesNoCut() {
    Pared clip = EDITOR.pareWords(TALK.clip(), 5, 6);
    CutList before = clip.cuts(TALK.transcript());
    assertThat(
            clip.cuts(
                new paringknife.core.transcript.TranscriptEditor(TALK.transcript())
                    .replace(5, 5, "buy")))
        .isEqualTo(before);
  }

  @Test
  void searchIgnoresCaseAndPunctuation() {
    assertThat(TranscriptSearch.find(TALK.transcript(), "you KNOW")).hasSize(2);
    assertThat(TranscriptSearch.find(TALK.transcript(), "ti")).hasSize(2);
    assertThat(TranscriptSearch.find(TALK.transcript(), " ,. ")).isEmpty();
  }
}
