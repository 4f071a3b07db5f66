package paringknife.server.outbox;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.outbox.PostingState;
import paringknife.core.outbox.Spread;
import paringknife.server.clips.ClipStore;
import paringknife.server.events.Events;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.NotThere;
import paringknife.server.web.Outdated;

/** What a producer does with the outbox. */
@Service
class Outbox {
  private static final int MOST_AT_ONCE = 500;

  private final PostingStore postings;
  private final DestinationStore destinations;
  private final ClipStore clips;
  private final SpecStore specs;
  private final Events events;

  Outbox(
      PostingStore postings,
      DestinationStore destinations,
      ClipStore clips,
      SpecStore specs,
      Events events) {
    this.postings = postings;
    this.destinations = destinations;
    this.clips = clips;
    this.specs = specs;
    this.events = events;
  }

  /** A finished file that is to be posted. */
  record FileToPost(long clipId, String spec) {}

  /**
   * When it goes out.
   *
   * @param first by the clock on the wall; null for now
   * @param zone of that clock, by its name in the IANA database
   * @param everyHours from one to the next
   */
  record When(@Nullable LocalDateTime first, String zone, int everyHours) {
    List<Instant> times(int count) {
      try {
        ZoneId here = ZoneId.of(zone);
        LocalDateTime from = first == null ? LocalDateTime.now(here) : first;
        return new Spread(from, here, everyHours).times(count);
      } catch (DateTimeException e) {
        throw new IllegalArgumentException("There is no time zone of that name.", e);
      }
    }
  }

  /** Puts files in, in order; what the destination has or is to get already is refused. */
  @Transactional
  public void schedule(List<FileToPost> wanted, long destinationId, When when) {
    if (wanted.isEmpty() || wanted.size() > MOST_AT_ONCE) {
      throw new IllegalArgumentException(
          "From 1 to " + MOST_AT_ONCE + " files are posted at once.");
    }
    DestinationStore.Destination to = destinations.byId(destinationId);
    List<Instant> times = when.times(wanted.size());
    for (int i = 0; i < wanted.size(); i++) {
      FileToPost file = wanted.get(i);
      String title = clips.byId(file.clipId()).document().title();
      String spec = specs.all().byId(file.spec()).id();
      for (PostingStore.Row there : postings.ofCell(file.clipId(), spec)) {
        if (Objects.equals(there.destinationId(), to.id())) {
          throw new IllegalArgumentException(
              "“" + title + "” is in the outbox for " + to.name() + " already.");
        }
      }
      postings.add(file.clipId(), spec, to, times.get(i));
    }
    events.outboxChanged();
  }

  private PostingStore.Row row(long id) {
    return postings.byId(id).orElseThrow(() -> new NotThere("This is not in the outbox any more."));
  }

  /** Gives something another time; what was refused or missed is tried from the beginning. */
  void putOff(long id, When when) {
    PostingStore.Row row = row(id);
    if (!row.state().canBePutOff()) {
      throw new Outdated("This has gone out already, or was taken back.");
    }
    if (!postings.putOff(row, when.times(1).get(0))) {
      throw new Outdated("This has just changed; look again.");
    }
    events.outboxChanged();
  }

  /** Takes something back, whether it is out or not. */
  void withdraw(long id) {
    PostingStore.Row row = row(id);
    if (!row.state().canBeWithdrawn()) {
      return;
    }
    if (!postings.to(row, PostingState.WITHDRAWING, List.of(), row.reference())) {
      throw new Outdated("This has just changed; look again.");
    }
    events.outboxChanged();
  }

  /** Removes a destination to which nothing is still to go. */
  void removeDestination(long id) {
    if (!postings.toComeAt(id).isEmpty()) {
      throw new IllegalArgumentException(
          "Something is still to be posted there; take it back first.");
    }
    destinations.remove(id);
  }
}
