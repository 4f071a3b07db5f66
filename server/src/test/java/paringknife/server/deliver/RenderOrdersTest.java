package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient.ScheduleOptions;
import com.github.kagkarlsson.scheduler.exceptions.ExecutionException;
import com.github.kagkarlsson.scheduler.task.SchedulableInstance;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentMatchers;
import org.springframework.beans.factory.ObjectProvider;

/** Orders whose tasks are taken up or let go of between a look at the queue and a move in it. */
class RenderOrdersTest {
  private final RenderingStore renderings = mock();
  private final QueueStore queue = mock();
  private final Scheduler scheduler = mock();
  private final ObjectProvider<Scheduler> provided = mock();

  private static QueueStore.Order waiting(long id) {
    RenderingStore.Row row = mock();
    when(row.state()).thenReturn(RenderState.WAITING);
    when(row.present()).thenReturn(new RenderingStore.Attempt(id, 1));
    return new QueueStore.Order(row, 1, "Show", "Episode", 1);
  }

  @Test
  void aTaskThatIsGoneJustNowKeepsNoOrderFromBeingMoved() {
    List<QueueStore.Order> orders = List.of(waiting(1), waiting(2), waiting(3));
    when(queue.orders()).thenReturn(orders);
    when(queue.arrange(any()))
        .thenAnswer(
            asked ->
                asked.<List<RenderingStore.Attempt>>getArgument(0).stream()
                    .map(attempt -> new QueueStore.Placed(attempt, attempt.id()))
                    .toList());
    when(provided.getObject()).thenReturn(scheduler);
    when(scheduler.schedule(
            ArgumentMatchers.<SchedulableInstance<Void>>any(), any(ScheduleOptions.class)))
        .thenThrow(mock(ExecutionException.class))
        .thenReturn(true);
    RenderOrders moved = new RenderOrders(renderings, queue, provided);
    assertThatCode(() -> moved.move(3, 1)).doesNotThrowAnyException();
    verify(scheduler, times(3))
        .schedule(ArgumentMatchers.<SchedulableInstance<Void>>any(), any(ScheduleOptions.class));
    verify(queue)
        .arrange(
            List.of(
                new RenderingStore.Attempt(3, 1),
                new RenderingStore.Attempt(1, 1),
                new RenderingStore.Attempt(2, 1)));
  }
}
