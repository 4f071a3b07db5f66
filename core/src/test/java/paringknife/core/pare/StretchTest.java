package paringknife.core.pare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Words moved to another place in a clip, pulled in from elsewhere, and dropped. */
class StretchTest {
  private final Talk talk =
      new Talk()
          .speaker("Ada")
          .say("One two three four.")
          .pause(0.8)
          .say("Five six seven eight.")
          .pause(0.8)
          .say("Nine ten eleven twelve.")
          .pause(3)
          .say("Far away from it.");
  private final Transcript transcript = talk.transcript();
  private final StretchEditor editor = new StretchEditor(transcript, talk.levels());
  private final PareEditor paring = new PareEditor(transcript, talk.levels());
  private final Pared clip = Pared.of(List.of(paring.stretchOf(0, 11)));

  /** What is heard, word by word, in playing order. */
  private String heard(Pared document) {
    List<String> words = new ArrayList<>();
    for (Span kept : document.cuts(transcript).kept()) {
      for (Word word : transcript.words()) {
        if (kept.contains(word.span().middleUs())) {
          words.add(word.text());
        }
      }
    }
    return String.join(" ", words);
  }

  @Test
  void aSentenceMovesToTheFrontAndNothingIsLostOrHeardTwice() {
    Pared moved = editor.move(clip, 8, 11, 0);
    assertThat(heard(moved))
        .isEqualTo("Nine ten eleven twelve. One two three four. Five six seven eight.");
    assertThat(moved.cuts(transcript).lengthUs())
        .isCloseTo(clip.cuts(transcript).lengthUs(), org.assertj.core.data.Offset.offset(40_000L));
    assertThat(moved.stretches()).as("no silence is left alone").hasSize(2);
    assertThat(editor.pieces(moved))
        .extracting(p -> transcript.text(p.from(), p.to()))
        .containsExactly("Nine ten eleven twelve.", "One two three four. Five six seven eight.");
  }

  @Test
  void aWordMovesIntoTheMiddleAndBack() {
    Pared moved = editor.move(clip, 1, 1, 6);
    assertThat(heard(moved))
        .isEqualTo("One three four. Five six two seven eight. Nine ten eleven twelve.");
    Pared back = editor.move(moved, 1, 1, 2);
    assertThat(heard(back)).isEqualTo(heard(clip));
    assertThat(back.stretches()).hasSize(1);
  }

  @Test
  void whatWasParedStaysParedWhereverItPlays() {
    Pared pared = paring.pareWords(clip, 9, 10);
    assertThat(heard(editor.move(pared, 8, 11, 4)))
        .isEqualTo("One two three four. Nine twelve. Five six seven eight.");
  }

  @Test
  void wordsOfElsewhereArePulledInAndDroppedAgain() {
    Pared pulled = editor.pull(clip, 12, 15, 4);
    assertThat(heard(pulled))
        .isEqualTo(
            "One two three four. Far away from it. Five six seven eight. Nine ten eleven twelve.");
    assertThat(heard(editor.pull(clip, 12, 15, -1))).endsWith("twelve. Far away from it.");
    assertThat(heard(editor.drop(pulled, 1))).isEqualTo(heard(clip));
    assertThatThrownBy(() -> editor.drop(clip, 0)).hasMessageContaining("at least one stretch");
    assertThatThrownBy(() -> editor.move(clip, 12, 13, 0)).hasMessageContaining("not in this clip");
    assertThatThrownBy(() -> editor.move(clip, 3, 6, 5)).hasMessageContaining("into themselves");
  }

  @Test
  void captionsAndPicturesFollowTheNewOrder() {
    Pared moved = editor.move(clip, 8, 11, 0);
    CutList cuts = moved.cuts(transcript);
    List<Cue> cues = new CueBreaker(Letterings.byId("sluice").breaking()).cues(cuts, transcript);
    assertThat(cues.get(0).text()).startsWith("Nine");
    assertThat(cues).noneMatch(c -> c.text().contains("twelve") && c.text().contains("One"));
    for (int i = 1; i < cues.size(); i++) {
      assertThat(cues.get(i).span().startUs())
          .isGreaterThanOrEqualTo(cues.get(i - 1).span().startUs());
    }
    List<PictureRun> runs = PictureRun.of(cuts, new FrameRate(25, 1));
    assertThat(runs.get(0).episodeFrame()).isGreaterThan(runs.get(runs.size() - 1).episodeFrame());
    assertThat(PictureRun.total(runs))
        .isEqualTo(new FrameRate(25, 1).nearestFrame(cuts.lengthUs()));
  }

  @Test
  void theEdgesOfASeamAreMovedEachByItself() {
    Pared moved = editor.move(clip, 8, 11, 0);
    Span before = moved.stretches().get(0);
    Span after = moved.stretches().get(1);
    Pared nudged = editor.moveSeam(moved, 1, before.endUs() - 40_000, after.startUs() + 80_000);
    assertThat(nudged.cuts(transcript).lengthUs())
        .isEqualTo(moved.cuts(transcript).lengthUs() - 120_000);
    assertThat(heard(nudged)).isEqualTo(heard(moved));
    assertThatThrownBy(() -> editor.moveSeam(moved, 2, 0, 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> editor.moveSeam(moved, 1, before.startUs(), after.startUs()))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
