package paringknife.core.clip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.pare.FillerList;

class HabitsTest {
  private static final FillerList WORDS = new FillerList(List.of("äh"), List.of());

  @Test
  void whatAStyleDoesNotSayIsNothing() {
    assertThat(new Habits(null, null, null, null, null)).isEqualTo(Habits.NONE);
  }

  @Test
  void whatCannotBeIsRefusedBeforeAShowIsGivenIt() {
    Habits.Spelling spelling = new Habits.Spelling("osmond", "Osmund");
    for (Runnable wrong :
        List.<Runnable>of(
            () -> new Habits(List.of(), "no field", null, List.of(), List.of()),
            () -> new Habits(List.of(), null, "{nothing}", List.of(), List.of()),
            () -> new Habits(List.of(), null, null, List.of(), Collections.nCopies(2001, spelling)),
            () -> new Habits.Spelling(" ", "x"),
            () -> new Habits.Spelling("x", null),
            () -> new Habits.Spelling("x", "x".repeat(201)),
            () -> new Habits.Fillers("../de", WORDS),
            () -> new Habits.Fillers(null, WORDS),
            () -> new Habits.Fillers("de", null))) {
      assertThatIllegalArgumentException().isThrownBy(wrong::run);
    }
  }
}
