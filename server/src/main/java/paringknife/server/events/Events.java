package paringknife.server.events;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every open browser what has changed, as server-sent events. */
@Component
public class Events {
  private final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();

  SseEmitter listen() {
    SseEmitter emitter = new SseEmitter(0L);
    emitter.onCompletion(() -> listeners.remove(emitter));
    emitter.onError(e -> listeners.remove(emitter));
    listeners.add(emitter);
    return emitter;
  }

  /** A clip has come to a revision. */
  public void clipChanged(long episodeId, long clipId, int revision) {
    send("clip", Map.of("episodeId", episodeId, "clipId", clipId, "revision", revision));
  }

  /** Clips of an episode were made or removed. */
  public void clipsChanged(long episodeId) {
    send("clips", Map.of("episodeId", episodeId));
  }

  /** A transcript was corrected. */
  public void transcriptChanged(long episodeId) {
    send("transcript", Map.of("episodeId", episodeId));
  }

  public void send(String name, Object data) {
    for (SseEmitter listener : listeners) {
      try {
        listener.send(SseEmitter.event().name(name).data(data, MediaType.APPLICATION_JSON));
      } catch (IOException | IllegalStateException e) {
        listeners.remove(listener);
      }
    }
  }

  /** Lets the browsers go, so that stopping does not wait for them. */
  @EventListener(ContextClosedEvent.class)
  void stop() {
    listeners.forEach(SseEmitter::complete);
  }

  /** Keeps connections open and finds the ones that are gone. */
  @Scheduled(fixedRate = 15_000)
  void beat() {
    send("beat", Map.of());
  }
}
