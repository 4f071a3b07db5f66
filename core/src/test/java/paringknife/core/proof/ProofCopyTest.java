package paringknife.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static paringknife.core.letter.cue.CaptionUse.BESIDE;
import static paringknife.core.letter.cue.CaptionUse.BOTH;
import static paringknife.core.letter.cue.CaptionUse.BURNT;
import static paringknife.core.letter.cue.CaptionUse.NONE;

import org.junit.jupiter.api.Test;

class ProofCopyTest {
  /** Whoever has to say yes reads the captions, wherever they go in the end. */
  @Test
  void captionsThatGoBesideAreSeenInIt() {
    assertThat(ProofCopy.captions(BESIDE, BESIDE)).isEqualTo(BURNT);
    assertThat(ProofCopy.captions(BURNT, BESIDE)).isEqualTo(BURNT);
    assertThat(ProofCopy.captions(BESIDE, BOTH)).isEqualTo(BURNT);
    assertThat(ProofCopy.captions(NONE, BURNT)).isEqualTo(BURNT);
  }

  @Test
  void withoutCaptionsThereIsNothingToSee() {
    assertThat(ProofCopy.captions(BURNT, NONE)).isEqualTo(NONE);
    assertThat(ProofCopy.captions(NONE, NONE)).as("as the clip says").isNull();
  }

  @Test
  void whatTheClipSaysAlreadyIsLeftToIt() {
    assertThat(ProofCopy.captions(BURNT, BURNT)).isNull();
    assertThat(ProofCopy.captions(BOTH, BOTH)).isNull();
  }
}
