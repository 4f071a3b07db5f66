package paringknife.server.outbox;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.core.outbox.Patience;
import paringknife.core.outbox.PostingState;
import paringknife.server.events.Events;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;

/**
 * Goes through the outbox again and again: hands over what is due, takes back what is withdrawn.
 */
@Component
@ConditionalOnWebApplication
class PostingRounds {
  private static final Logger LOG = LoggerFactory.getLogger(PostingRounds.class);
  private static final long EVERY_MS = 2_000;

  /** What waits for its file is looked at so often. */
  private static final Duration FILE_AGAIN = Duration.ofSeconds(10);

  private static final Duration TROUBLE_AGAIN = Duration.ofMinutes(1);
  private static final Duration WITHDRAW_AGAIN = Duration.ofMinutes(1);

  private final PostingStore postings;
  private final DestinationStore destinations;
  private final Consignments consignments;
  private final Outlet outlet;
  private final Events events;

  PostingRounds(
      PostingStore postings,
      DestinationStore destinations,
      Consignments consignments,
      Outlet outlet,
      Events events) {
    this.postings = postings;
    this.destinations = destinations;
    this.consignments = consignments;
    this.outlet = outlet;
    this.events = events;
  }

  @EventListener(ApplicationReadyEvent.class)
  void takeUpAgain() {
    int left = postings.takeUpAgain();
    if (left > 0) {
      LOG.info(
          "{} posts were being handed over when the program ended; they are tried again", left);
    }
  }

  @Scheduled(initialDelay = EVERY_MS, fixedDelay = EVERY_MS)
  void round() {
    roundAsOf(Instant.now());
  }

  /** One round, as if it were that time. */
  void roundAsOf(Instant now) {
    boolean changed = false;
    for (PostingStore.Row row : postings.due(PostingState.WITHDRAWING, now)) {
      changed |= done(row, now, this::takeBack);
    }
    for (PostingStore.Row row : postings.due(PostingState.SCHEDULED, now)) {
      changed |= done(row, now, this::handOver);
    }
    if (changed) {
      events.outboxChanged();
    }
  }

  /** What is to be done for a post; true when it has come further. */
  private interface Step {
    boolean take(PostingStore.Row row, Instant now);
  }

  /** Whatever is wrong with one holds up none of the others. */
  private boolean done(PostingStore.Row row, Instant now, Step step) {
    try {
      return step.take(row, now);
    } catch (DataAccessException e) {
      throw e;
    } catch (RuntimeException e) {
      LOG.warn("post {} cannot be dealt with", row.id(), e);
      return postings.wait(
          row, row.state(), now.plus(TROUBLE_AGAIN), List.of("it cannot be dealt with just now"));
    }
  }

  private boolean takeBack(PostingStore.Row row, Instant now) {
    if (outlet.withdraw(row.key())) {
      return postings.to(row, PostingState.WITHDRAWN, List.of(), row.reference());
    }
    return postings.wait(
        row,
        PostingState.WITHDRAWING,
        now.plus(WITHDRAW_AGAIN),
        List.of(row.destination() + " does not answer; it is told again"));
  }

  private boolean handOver(PostingStore.Row row, Instant now) {
    if (row.tries() == 0 && Patience.isTooLate(row.dueAt(), now)) {
      return postings.to(
          row,
          PostingState.MISSED,
          row.reasons().isEmpty()
              ? List.of("its time passed while the program was not running")
              : row.reasons(),
          null);
    }
    Outlet.Consignment consignment;
    try {
      consignment = consignments.of(row, destination(row));
    } catch (NotYet e) {
      List<String> reasons = List.of("waits for its file: " + e.getMessage());
      return postings.wait(row, PostingState.SCHEDULED, now.plus(FILE_AGAIN), reasons)
          && !reasons.equals(row.reasons());
    } catch (NotThere e) {
      return postings.to(row, PostingState.REFUSED, List.of(e.getMessage()), null);
    }
    if (!postings.begin(row)) {
      return false;
    }
    events.outboxChanged();
    // Whoever takes it back from now on finds it as it is while it is handed over.
    postings.byId(row.id()).ifPresent(begun -> settle(begun, answer(consignment), now));
    return true;
  }

  private DestinationStore.Destination destination(PostingStore.Row row) {
    return destinations.byId(Optional.ofNullable(row.destinationId()).orElse(0L));
  }

  private Outlet.Answer answer(Outlet.Consignment consignment) {
    try {
      return outlet.post(consignment);
    } catch (RuntimeException e) {
      LOG.warn("posting to {} failed", consignment.destination(), e);
      return new Outlet.Answer.Busy("it could not be handed over");
    }
  }

  private void settle(PostingStore.Row begun, Outlet.Answer answer, Instant now) {
    if (begun.state() != PostingState.SENDING) {
      return;
    }
    if (answer instanceof Outlet.Answer.Accepted accepted) {
      postings.to(begun, PostingState.ACCEPTED, List.of(), accepted.reference());
    } else if (answer instanceof Outlet.Answer.Refused refused) {
      postings.to(begun, PostingState.REFUSED, refused.reasons(), null);
    } else if (answer instanceof Outlet.Answer.Busy busy) {
      Optional<Duration> pause = Patience.after(begun.tries());
      if (pause.isPresent()) {
        postings.wait(begun, PostingState.SCHEDULED, now.plus(pause.get()), List.of(busy.reason()));
      } else {
        postings.to(
            begun,
            PostingState.REFUSED,
            List.of(busy.reason(), "given up after " + begun.tries() + " tries"),
            null);
      }
    }
  }
}
