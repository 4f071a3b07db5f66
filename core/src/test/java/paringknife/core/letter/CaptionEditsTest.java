package paringknife.core.letter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.pare.PareEditor;
import paringknife.core.time.Span;

/** Edits override what the breaker proposes, keyed by the identity of a word. */
class CaptionEditsTest {
  private static final Talk TALK =
      new Talk().speaker("Ada").say("The sea went down and we let the pond run out.");
  private static final CueLimits LIMITS = new CueLimits(6, 2, 40);

  private static List<String> texts(CutList cuts, CaptionEdit... edits) {
    return new CueBreaker(LIMITS)
        .cues(cuts, TALK.transcript(), List.of(), List.of(edits)).stream().map(Cue::text).toList();
  }

  private static CutList whole() {
    return TALK.clip().cuts(TALK.transcript());
  }

  @Test
  void aCaptionBeginsWhereItIsToldTo() {
    assertThat(texts(whole(), new CaptionEdit.BreakBefore(3)).get(0)).isEqualTo("The sea went");
    assertThat(texts(whole(), new CaptionEdit.BreakBefore(3), new CaptionEdit.BreakBefore(4)))
        .contains("down");
  }

  @Test
  void noCaptionBeginsWhereItIsToldNotTo() {
    for (int word = 1; word < TALK.transcript().words().size(); word++) {
      List<Cue> cues =
          new CueBreaker(LIMITS)
              .cues(whole(), TALK.transcript(), List.of(), List.of(new CaptionEdit.GoOnWith(word)));
      long kept = word;
      assertThat(cues).noneMatch(c -> c.words().get(0).wordId() == kept);
    }
  }

  @Test
  void anotherTextIsShownWhileTheWordKeepsItsTimes() {
    List<Cue> plain = new CueBreaker(LIMITS).cues(whole(), TALK.transcript());
    List<Cue> shown =
        new CueBreaker(LIMITS)
            .cues(
                whole(), TALK.transcript(), List.of(), List.of(new CaptionEdit.ShowAs(1, "tide")));
    assertThat(shown.get(0).words().get(1).text()).isEqualTo("tide");
    assertThat(shown.get(0).words().get(1).span()).isEqualTo(plain.get(0).words().get(1).span());
    assertThat(texts(whole(), new CaptionEdit.ShowAs(0, " ")).get(0)).startsWith("sea");
  }

  @Test
  void anEditWaitsWhileItsWordIsPared() {
    PareEditor editor = new PareEditor(TALK.transcript(), TALK.levels());
    CutList without = editor.pareWords(TALK.clip(), 3, 3).cuts(TALK.transcript());
    assertThat(texts(without, new CaptionEdit.BreakBefore(3))).isEqualTo(texts(without));
  }

  @Test
  void editsBelongToOneTrack() {
    Lettered lettered =
        new Lettered("sluice", Map.of("de", List.of(new CaptionEdit.BreakBefore(3))));
    assertThat(lettered.editsOf(Lettered.SPOKEN)).isEmpty();
    assertThat(lettered.editsOf("de")).hasSize(1);
    assertThat(lettered.withLettering("ledger").editsOf("de")).hasSize(1);
  }

  private static String firstEvent(Lettering lettering) {
    Cue cue =
        new Cue(
            new Span(0, 1_000_000),
            List.of(
                List.of(
                    new CueWord("salt", new Span(0, 400_000), 0),
                    new CueWord("water", new Span(450_000, 900_000), 1))));
    Canvas canvas = new Canvas(1080, 1920, SafeArea.VERTICAL);
    return new AssScript(lettering, canvas)
        .write(List.of(cue))
        .lines()
        .filter(l -> l.startsWith("Dialogue"))
        .findFirst()
        .orElseThrow();
  }

  /** The tags of ASS v4+: fad(in,out) in milliseconds, t(start,end,tags). */
  @Test
  void anEntranceWritesItsOwnTagsAndOnlyAtTheBeginning() {
    assertThat(firstEvent(Letterings.SLUICE)).contains(",,{\\rSpoken}salt");
    assertThat(firstEvent(Letterings.SLUICE.withEntrance(new Entrance.Fade(200))))
        .contains(",,{\\fad(200,0)}{\\rSpoken}salt");
    assertThat(firstEvent(Letterings.LEDGER.withEntrance(new Entrance.Pop(150, 0.6))))
        .contains("{\\fscx60\\fscy60\\t(0,150,\\fscx100\\fscy100)}{\\1c&H5BB3F2&}salt{\\1c}");
    assertThatIllegalArgumentException().isThrownBy(() -> new Entrance.Fade(0));
    assertThatIllegalArgumentException().isThrownBy(() -> new Entrance.Pop(100, 1));
  }
}
