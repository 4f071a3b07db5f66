package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.KeptPieces;

/** Orders of one clip that stand side by side are made by one hand; all reckoned by hand. */
class RestTimesTest {
  private static final Instant NOW = Instant.now();

  /** Two seconds for a unit of work. */
  private static final List<QueueStore.Worked> MEASURED =
      List.of(new QueueStore.Worked(3, NOW.minusSeconds(100), NOW.minusSeconds(80), 10));

  private static QueueStore.Order order(
      long id, long clip, String spec, double progress, double spent, String ledBy, int errors) {
    return new QueueStore.Order(
        new RenderingStore.Row(
            id,
            clip,
            spec,
            1,
            null,
            "mp4",
            "of " + id,
            spent > 0 ? RenderState.RENDERING : RenderState.WAITING,
            progress,
            spent > 0 ? NOW.minusMillis(Math.round(spent * 1000)) : null,
            "name",
            0,
            List.of(),
            errors,
            ledBy.isEmpty() ? null : ledBy,
            null),
        1,
        "Show",
        "Episode",
        1);
  }

  private static QueueStore.Order waits(long id, long clip) {
    return order(id, clip, "vertical-60", 0, 0, "", 0);
  }

  private static List<@Nullable Long> left(List<QueueStore.Order> orders, boolean isMeasured) {
    RestTimes times =
        RestTimes.of(orders, isMeasured ? MEASURED : List.of(), 1, Set.of("held"), false, NOW);
    return orders.stream().<@Nullable Long>map(o -> times.seconds(o.row())).toList();
  }

  @Test
  void whatIsMadeTogetherIsDoneTogether() {
    assertThat(left(List.of(waits(1, 7), waits(2, 7), waits(3, 7), waits(4, 8)), true))
        .containsExactly(6L, 6L, 6L, 8L);
  }

  /** At most four are made at once, and none that another clip stands between. */
  @Test
  void whatIsNotMadeTogetherIsDoneOneAfterTheOther() {
    assertThat(left(List.of(waits(1, 7), waits(2, 7), waits(3, 7), waits(4, 7), waits(5, 7)), true))
        .containsExactly(8L, 8L, 8L, 8L, 10L);
    assertThat(left(List.of(waits(1, 7), waits(2, 8), waits(3, 7)), true))
        .containsExactly(2L, 4L, 6L);
    QueueStore.Order failedBefore = order(2, 7, "wide", 0, 0, "", 1);
    assertThat(left(List.of(waits(1, 7), failedBefore), true)).containsExactly(2L, 4L);
    String pieces = new KeptPieces(false, 0).id();
    assertThat(left(List.of(waits(1, 7), order(2, 7, pieces, 0, 0, "", 0)), true))
        .containsExactly(2L, 4L);
    QueueStore.Order heldToSize = order(2, 7, "held", 0, 0, "", 0);
    assertThat(left(List.of(heldToSize, waits(1, 7)), true)).containsExactly(2L, 4L);
    assertThat(left(List.of(waits(1, 7), heldToSize), true)).containsExactly(2L, 4L);
  }

  /** Half of two units took 30 s: one takes 30. What is led is gone through, and done, first. */
  @Test
  void theFirstEverTellHowFastItGoesByAllThatTheyMake() {
    QueueStore.Order leader = order(1, 7, "vertical-60", 0.5, 30, "", 0);
    QueueStore.Order follower = order(2, 7, "wide", 0.5, 30, "1-1", 0);
    assertThat(left(List.of(leader, follower, waits(3, 8)), false)).containsExactly(30L, 23L, 60L);
  }

  /** What is left of the time is what is left to go through. */
  @Test
  void whenTheFirstIsGoneThroughTheOthersFollow() {
    QueueStore.Order leader = order(1, 7, "vertical-60", 0.9, 90, "", 0);
    QueueStore.Order follower = order(2, 7, "wide", 0.9, 90, "1-1", 0);
    assertThat(left(List.of(leader, follower), false)).containsExactly(10L, 5L);
  }

  @Test
  void theFirstEverTellNothingBeforeATenthIsDone() {
    QueueStore.Order begun = order(1, 7, "vertical-60", 0.09, 30, "", 0);
    assertThat(left(List.of(begun, waits(3, 8)), false)).containsExactly(null, null);
    assertThat(left(List.of(begun, waits(3, 8)), true)).doesNotContainNull();
  }
}
