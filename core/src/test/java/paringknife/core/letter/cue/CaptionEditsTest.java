package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.pare.PareEditor;

/** Edits override what the breaker proposes, keyed by the identity of a word. */
class CaptionEditsTest {
  private static final Talk TALK =
      new Talk().speaker("Ada").say("The sea went down and we let the pond run out.");
  private static final Breaking LIMITS = Breaking.of(6, 2, 40);

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
}
