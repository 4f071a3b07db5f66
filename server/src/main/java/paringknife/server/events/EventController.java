package paringknife.server.events;

import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * The stream of events: {@code shelf}, {@code clips}, {@code renderings}, {@code batch} and {@code
 * beat}.
 */
@RestController
class EventController {
  private final Events events;

  EventController(Events events) {
    this.events = events;
  }

  @GetMapping(path = "/api/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter listen() {
    return events.listen();
  }
}
