package paringknife.core.pare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.Reason;
import paringknife.core.clip.cut.Removal;
import paringknife.core.transcript.Transcript;

class FillerListTest {
  @Test
  void aListIsCleanedAsItIsTyped() {
    FillerList list =
        new FillerList(List.of(" Um ", "um", "well you see", ""), List.of("Sort  of,", "um"));
    assertThat(list.sure()).containsExactly("um");
    assertThat(list.doubtful())
        .as("a phrase is never sure, a sure word not doubtful as well")
        .containsExactly("sort of", "well you see");
  }

  @Test
  void tooMuchIsRefused() {
    assertThatThrownBy(
            () ->
                new FillerList(IntStream.range(0, 300).mapToObj(i -> "w" + i).toList(), List.of()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new FillerList(List.of("x".repeat(90)), List.of()))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** Which words fill is common practice, from memory. */
  @Test
  void everyLanguageHasItsOwnAndOthersTheEnglishOne() {
    Talk talk = new Talk().speaker("Ada").say("Äh, das ist halt so.");
    Transcript german = new Transcript("de", List.of("Ada"), talk.transcript().words());
    assertThat(new FillerFinder(FillerList.of("de")).find(german))
        .extracting(Filler::sure)
        .contains(true);
    assertThat(new FillerFinder(FillerList.of("en")).find(german)).isEmpty();
    assertThat(FillerList.of("de-CH")).isEqualTo(FillerList.of("de"));
    assertThat(FillerList.of("nl")).isEqualTo(FillerList.of("en"));
  }

  @Test
  void aShowsOwnWordsAreFound() {
    Talk talk = new Talk().speaker("Ada").say("Honestly the tide, honestly, turned.");
    PareEditor editor =
        new PareEditor(
            talk.transcript(), talk.levels(), new FillerList(List.of("honestly"), List.of()));
    assertThat(editor.fillers(talk.clip())).hasSize(2);
    assertThat(
            editor
                .takeFillers(talk.clip(), editor.fillers(talk.clip()), Means.CAPTIONS_ONLY)
                .removals())
        .extracting(Removal::reason)
        .containsOnly(Reason.FILLER);
  }
}
