package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

class PushInFinderTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("The first winter we ran the old place alone.")
          .pause(1)
          .say("Then the wheel STOPPED in the ice.")
          .pause(6)
          .say("We sat by the fire and we waited.")
          .pause(6)
          .say("In the morning it turned again.");

  private static final Transcript TRANSCRIPT = TALK.transcript();
  private static final int LOUD = 12;

  /** Every word a little louder or softer than the others, one much louder. */
  private static LevelCurve levels() {
    float[] dbfs = TALK.levels().dbfs();
    for (int w = 0; w < TRANSCRIPT.words().size(); w++) {
      Span span = TRANSCRIPT.words().get(w).span();
      float level = w == LOUD ? -4 : -18 + w % 3;
      for (long us = span.startUs(); us < span.endUs(); us += LevelCurve.WINDOW_US) {
        dbfs[(int) (us / LevelCurve.WINDOW_US)] = level;
      }
    }
    return new LevelCurve(dbfs);
  }

  private static List<PushIn> proposed() {
    return new PushInFinder(TRANSCRIPT, levels())
        .propose(TALK.clip().cuts(TRANSCRIPT), 0.12, PushIn.Move.GLIDE);
  }

  @Test
  void theLoudWordAndTheLastLineAreProposed() {
    assertThat(TRANSCRIPT.words().get(LOUD).text()).isEqualTo("STOPPED");
    assertThat(proposed())
        .extracting(PushIn::why)
        .containsExactly(PushIn.Why.LOUD, PushIn.Why.LAST_LINE);
    PushIn loud = proposed().get(0);
    assertThat(loud.span().startUs()).isEqualTo(TRANSCRIPT.words().get(LOUD).startUs());
    assertThat(loud.span().endUs()).isEqualTo(TRANSCRIPT.words().get(15).endUs());
    PushIn last = proposed().get(1);
    assertThat(last.span().endUs())
        .isEqualTo(TRANSCRIPT.words().get(TRANSCRIPT.words().size() - 1).endUs());
  }

  @Test
  void thoseByHandStayAndThoseProposedBeforeGiveWay() {
    PushInFinder finder = new PushInFinder(TRANSCRIPT, levels());
    FrameDesk desk = new FrameDesk(0, 1, 60_000_000, finder, List::of);
    Span hand = new Span(500_000, 1_500_000);
    Framed framed =
        new FrameIntent.PushInOn(hand, 0.2, PushIn.Move.STEP, Curve.EVEN)
            .apply(Framed.UPRIGHT, TALK.clip().cuts(TRANSCRIPT), desk);
    FrameIntent propose = new FrameIntent.ProposePushIns(0.08, PushIn.Move.STEP);
    Framed once = propose.apply(framed, TALK.clip().cuts(TRANSCRIPT), desk);
    Framed twice = propose.apply(once, TALK.clip().cuts(TRANSCRIPT), desk);
    assertThat(twice.pushIns()).hasSameSizeAs(once.pushIns());
    assertThat(twice.pushIns().get(0).span()).isEqualTo(hand);
    assertThat(twice.pushIns()).extracting(PushIn::id).doesNotHaveDuplicates();
  }

  @Test
  void whatIsNotHeardIsNotPushedInOn() {
    Span kept = new Span(0, TRANSCRIPT.words().get(8).endUs());
    List<PushIn> proposed =
        new PushInFinder(TRANSCRIPT, levels())
            .propose(
                new paringknife.core.clip.cut.CutList(List.of(kept), List.of()),
                0.12,
                PushIn.Move.STEP);
    assertThat(proposed).allMatch(p -> p.span().endUs() <= kept.endUs());
    assertThat(proposed).extracting(PushIn::why).containsExactly(PushIn.Why.LAST_LINE);
  }
}
