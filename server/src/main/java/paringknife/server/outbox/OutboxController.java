package paringknife.server.outbox;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.outbox.PostingState;
import paringknife.server.clips.ClipStore;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.Attachment;

/** The outbox over HTTP. */
@RestController
@RequestMapping("/api/outbox")
class OutboxController {
  private static final int MOST = 2_000;
  private static final Duration LONGEST = Duration.ofDays(800);

  private final Outbox outbox;
  private final PostingStore postings;
  private final DestinationStore destinations;
  private final ClipStore clips;
  private final SpecStore specs;

  OutboxController(
      Outbox outbox,
      PostingStore postings,
      DestinationStore destinations,
      ClipStore clips,
      SpecStore specs) {
    this.outbox = outbox;
    this.postings = postings;
    this.destinations = destinations;
    this.clips = clips;
    this.specs = specs;
  }

  /**
   * Something that is posted.
   *
   * @param spec by name
   * @param nextAt when it is tried next; null when it is not
   * @param reasons why it was refused, or is not out yet
   * @param endedAt when it came to where it is; null while it waits
   */
  record Posting(
      long id,
      long episodeId,
      String show,
      String episode,
      long clipId,
      String clip,
      String spec,
      String destination,
      Instant dueAt,
      PostingState state,
      int tries,
      @Nullable Instant nextAt,
      List<String> reasons,
      @Nullable String reference,
      @Nullable Instant endedAt) {}

  /** What is due from one time up to another. */
  @GetMapping
  List<Posting> between(@RequestParam Instant from, @RequestParam Instant to) {
    if (!from.isBefore(to) || Duration.between(from, to).compareTo(LONGEST) > 0) {
      throw new IllegalArgumentException(
          "The outbox is shown from one time to a later one, up to two years.");
    }
    DeliverySpecs known = specs.all();
    return postings.between(from, to, MOST).stream().map(s -> posting(s, known)).toList();
  }

  private Posting posting(PostingStore.Shown shown, DeliverySpecs known) {
    PostingStore.Row row = shown.row();
    boolean waits =
        row.state() == PostingState.SCHEDULED || row.state() == PostingState.WITHDRAWING;
    return new Posting(
        row.id(),
        shown.episodeId(),
        shown.show(),
        shown.episode(),
        row.clipId(),
        clips.byId(row.clipId()).document().title(),
        known.find(row.spec()).map(DeliverySpec::name).orElse("a spec that is gone"),
        row.destination(),
        row.dueAt(),
        row.state(),
        row.tries(),
        waits ? row.nextAt() : null,
        row.reasons(),
        row.reference(),
        row.endedAt());
  }

  /** The same as an iCalendar file; two months back and a year ahead. */
  @GetMapping(path = "/schedule.ics", produces = "text/calendar;charset=UTF-8")
  ResponseEntity<String> schedule() {
    Instant now = Instant.now();
    List<Posting> shown = between(now.minus(Duration.ofDays(61)), now.plus(Duration.ofDays(366)));
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, Attachment.named("outbox.ics").toString())
        .body(ScheduleFile.write(shown));
  }

  /** Files that are to be posted, in order, and when. */
  record Scheduling(List<Outbox.FileToPost> files, long destination, Outbox.When when) {}

  @PostMapping
  void schedule(@RequestBody Scheduling asked) {
    outbox.schedule(asked.files(), asked.destination(), asked.when());
  }

  @PutMapping("/{id}/time")
  void putOff(@PathVariable long id, @RequestBody Outbox.When when) {
    outbox.putOff(id, when);
  }

  @DeleteMapping("/{id}")
  void withdraw(@PathVariable long id) {
    outbox.withdraw(id);
  }

  @GetMapping("/destinations")
  List<DestinationStore.Destination> destinations() {
    return destinations.all();
  }

  @PostMapping("/destinations")
  DestinationStore.Destination add(@RequestBody DestinationStore.DestinationWanted wanted) {
    return destinations.add(wanted);
  }

  @PutMapping("/destinations/{id}")
  DestinationStore.Destination change(
      @PathVariable long id, @RequestBody DestinationStore.DestinationWanted wanted) {
    return destinations.change(id, wanted);
  }

  @DeleteMapping("/destinations/{id}")
  void remove(@PathVariable long id) {
    outbox.removeDestination(id);
  }
}
