package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

class LetterTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say(
              "When the sea has gone down far enough, you let the pond run out through the race, and the wheel turns.")
          .pause(1.2)
          .say("Twice a day, every day, an hour later each time.")
          .speaker("Ben")
          .say("So you live by the tide table.");

  private static List<Cue> cues(Pared clip, Breaking limits) {
    return new CueBreaker(limits).cues(clip.cuts(TALK.transcript()), TALK.transcript());
  }

  @Test
  void everyKeptWordStandsInExactlyOneCaptionInOrder() {
    Pared clip = new PareEditor(TALK.transcript(), TALK.levels()).pareWords(TALK.clip(), 3, 5);
    List<Long> said =
        cues(clip, Breaking.of(7, 2, 18)).stream()
            .flatMap(c -> c.words().stream())
            .map(CueWord::wordId)
            .toList();
    List<Long> expected =
        TALK.transcript().words().stream().map(w -> w.id()).filter(id -> id < 3 || id > 5).toList();
    assertThat(said).isEqualTo(expected);
  }

  /**
   * The limits are the ones asked for; how long a caption stands at most is of engine.md, section
   * 3.
   */
  @Test
  void captionsKeepWithinTheirLimits() {
    Breaking limits = Breaking.of(7, 2, 18);
    List<Cue> cues = cues(TALK.clip(), limits);
    for (int i = 0; i < cues.size(); i++) {
      Cue cue = cues.get(i);
      assertThat(cue.words().size()).isLessThanOrEqualTo(7);
      assertThat(cue.lines().size()).isLessThanOrEqualTo(2);
      assertThat(cue.text().lines()).allMatch(l -> l.length() <= 18);
      assertThat(cue.span().lengthUs()).isLessThanOrEqualTo(Breaking.Timing.USUAL.longestUs());
      if (i > 0) {
        assertThat(cue.span().startUs()).isGreaterThanOrEqualTo(cues.get(i - 1).span().endUs());
      }
    }
  }

  @Test
  void captionsBreakAtClausesAndNeverSpanASpeaker() {
    List<Cue> cues = cues(TALK.clip(), Breaking.of(9, 2, 32));
    assertThat(cues)
        .extracting(Cue::text)
        .anyMatch(t -> t.endsWith("enough,"))
        .anyMatch(t -> t.endsWith("race,"));
    Transcript t = TALK.transcript();
    for (Cue cue : cues) {
      assertThat(
              cue.words().stream().map(w -> t.words().get((int) w.wordId()).speaker()).distinct())
          .hasSize(1);
    }
  }

  /** engine.md section 3: a cue never spans a cut that leaves out more than a breath. */
  @Test
  void noCaptionSpansASeam() {
    Pared clip = new PareEditor(TALK.transcript(), TALK.levels()).pareWords(TALK.clip(), 3, 8);
    CutList cuts = clip.cuts(TALK.transcript());
    long seam = cuts.kept().get(0).lengthUs();
    List<Cue> cues = new CueBreaker(Breaking.of(9, 2, 32)).cues(cuts, TALK.transcript());
    assertThat(cues.get(0).text()).isEqualTo("When the sea");
    assertThat(cues).noneMatch(cue -> cue.span().startUs() < seam && cue.span().endUs() > seam);
  }

  @Test
  void aCaptionReadsOnWhereOnlyAPauseOrAFillerWentOut() {
    Talk halting = new Talk().speaker("Ada").say("Let the pond").pause(1.6).say("run out.");
    assertThat(texts(halting.clip(), halting)).containsExactly("Let the pond", "run out.");
    Pared tightened =
        new PareEditor(halting.transcript(), halting.levels())
            .parePauses(halting.clip(), PauseSettings.DEFAULT);
    assertThat(texts(tightened, halting)).containsExactly("Let the pond run out.");

    Talk filled = new Talk().speaker("Ada").say("Let the pond um run out.");
    Pared withoutFiller =
        new PareEditor(filled.transcript(), filled.levels()).pareWords(filled.clip(), 3, 3);
    assertThat(texts(withoutFiller, filled)).containsExactly("Let the pond run out.");
  }

  private static List<String> texts(Pared clip, Talk talk) {
    return new CueBreaker(Breaking.of(9, 1, 40))
        .cues(clip.cuts(talk.transcript()), talk.transcript()).stream().map(Cue::text).toList();
  }

  @Test
  void wordsCannotBecomeDrawingInstructions() {
    CueWord evil = new CueWord("{\\fs200}\\N<b>\nhi", new Span(0, 900_000), 0);
    Cue cue = new Cue(new Span(0, 1_000_000), List.of(List.of(evil)));
    String ass =
        new AssScript(Letterings.LEDGER.style(), DeliverySpecs.SHIPPED.byId("vertical-60").canvas())
            .write(List.of(cue));
    String event = ass.lines().filter(l -> l.startsWith("Dialogue: 3")).findFirst().orElseThrow();
    assertThat(event).contains("(/fs200)/N<b> hi");
    assertThat(ass.lines().filter(l -> l.startsWith("Dialogue: 3"))).hasSize(1);
  }

  @Test
  void theSpokenWordIsMarkedExactlyWhileItIsSaid() {
    Cue cue =
        new Cue(
            new Span(0, 1_000_000),
            List.of(
                List.of(
                    new CueWord("salt", new Span(0, 400_000), 0),
                    new CueWord("water", new Span(450_000, 900_000), 1))));
    String ass =
        new AssScript(Letterings.SLUICE.style(), DeliverySpecs.SHIPPED.byId("vertical-60").canvas())
            .write(List.of(cue));
    assertThat(ass)
        .containsPattern(
            "0:00:00.00,0:00:00.45,Text,,0,0,0,,\\{[^}]*}\\{\\\\rSpoken[^}]*}salt\\{[^}]*} water");
    assertThat(ass)
        .containsPattern(
            "0:00:00.45,0:00:01.00,Text,,0,0,0,,\\{[^}]*}salt \\{\\\\rSpoken[^}]*}water");
  }
}
