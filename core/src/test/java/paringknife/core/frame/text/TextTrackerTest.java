package paringknife.core.frame.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class TextTrackerTest {
  private static final long S = 1_000_000;
  private static final TextBox BANNER = new TextBox(0.1, 0.8, 0.4, 0.06);
  private static final TextBox SHAKEN = new TextBox(0.105, 0.803, 0.39, 0.06);
  private static final TextBox ELSEWHERE = new TextBox(0.6, 0.1, 0.3, 0.05);

  private final TextTracker tracker = new TextTracker(S);

  private List<TextTracker.Standing> at(long second, TextBox... boxes) {
    return tracker.next(second * S, List.of(boxes));
  }

  @Test
  void whatStandsIsLookedAtOnceAndCountsFromItsBeginning() {
    assertThat(at(3, BANNER)).isEmpty();
    List<TextTracker.Standing> toLookAt = at(4, SHAKEN);
    assertThat(toLookAt).hasSize(1);
    toLookAt.get(0).isText(SHAKEN);
    assertThat(at(5, BANNER)).isEmpty();
    at(6);
    at(7, BANNER);
    for (int s = 8; s < 20; s++) {
      assertThat(at(s)).isEmpty();
    }
    assertThat(tracker.end()).containsExactly(new SeenText(3 * S, 8 * S, SHAKEN));
  }

  @Test
  void whatMovesOrFlickersIsNeverLookedAt() {
    for (int s = 0; s < 10; s++) {
      assertThat(at(s, new TextBox(0.1 + 0.08 * s, 0.5, 0.12, 0.05))).isEmpty();
      assertThat(at(s, s % 4 == 0 ? new TextBox[] {ELSEWHERE} : new TextBox[0])).isEmpty();
    }
    assertThat(tracker.end()).isEmpty();
  }

  /** A bookshelf that comes back shot after shot is looked at once a minute at most. */
  @Test
  void whatIsNoTextIsNotLookedAtAgainSoon() {
    at(0, ELSEWHERE);
    at(1, ELSEWHERE).get(0).isNoText();
    for (int s = 2; s < 10; s++) {
      at(s);
    }
    at(10, ELSEWHERE);
    assertThat(at(11, ELSEWHERE)).isEmpty();
    for (int s = 12; s < 80; s++) {
      at(s);
    }
    at(80, ELSEWHERE);
    assertThat(at(81, ELSEWHERE)).hasSize(1);
    assertThat(tracker.end()).isEmpty();
  }

  @Test
  void whatStandsToTheEndIsThereToTheEnd() {
    at(0, BANNER, ELSEWHERE);
    List<TextTracker.Standing> both = at(1, ELSEWHERE, BANNER);
    assertThat(both).extracting(TextTracker.Standing::box).containsExactly(ELSEWHERE, BANNER);
    both.get(1).isText(BANNER);
    assertThat(tracker.end()).containsExactly(new SeenText(0, 2 * S, BANNER));
  }
}
