package paringknife.server.events;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import paringknife.server.database.Author;

/**
 * Tells every open browser what has changed, as server-sent events. Whoever tells goes on at once;
 * a browser that does not read what it is sent is let go, and makes up for it when it comes back.
 */
@Component
public class Events {
  /** More than this many events behind, a browser is let go. */
  private static final int MOST_BEHIND = 512;

  private final List<Listener> listeners = new CopyOnWriteArrayList<>();
  private final ExecutorService senders =
      Executors.newCachedThreadPool(
          work -> {
            Thread thread = new Thread(work, "events");
            thread.setDaemon(true);
            return thread;
          });

  private volatile boolean databaseAnswers = true;

  private record Event(String name, Object data) {}

  /** One browser, what it has still to be told, and whether somebody is telling it. */
  private final class Listener {
    private final SseEmitter emitter = new SseEmitter(0L);
    private final BlockingQueue<Event> waiting = new ArrayBlockingQueue<>(MOST_BEHIND);
    private final AtomicBoolean beingTold = new AtomicBoolean();
    private final @Nullable String name = Author.name();

    void tell(Event event) {
      if (!waiting.offer(event)) {
        leave();
        return;
      }
      goOn();
    }

    private void goOn() {
      if (!waiting.isEmpty() && beingTold.compareAndSet(false, true)) {
        senders.execute(this::send);
      }
    }

    private void send() {
      try {
        for (Event next = waiting.poll(); next != null; next = waiting.poll()) {
          emitter.send(
              SseEmitter.event().name(next.name()).data(next.data(), MediaType.APPLICATION_JSON));
        }
      } catch (IOException | IllegalStateException e) {
        leave();
        return;
      } finally {
        beingTold.set(false);
      }
      goOn();
    }

    void leave() {
      listeners.remove(this);
      waiting.clear();
    }
  }

  SseEmitter listen() {
    Listener listener = new Listener();
    listener.emitter.onCompletion(listener::leave);
    listener.emitter.onError(e -> listener.leave());
    listeners.add(listener);
    if (!databaseAnswers) {
      listener.tell(new Event("database", Map.of("answers", false)));
    }
    return listener.emitter;
  }

  /** Lets go of the browsers of somebody who is signed out. */
  @EventListener
  void signedOut(SignedOut who) {
    listeners.stream()
        .filter(l -> who.name().equals(l.name))
        .forEach(
            l -> {
              l.leave();
              l.emitter.complete();
            });
  }

  /** A clip has come to a revision. */
  public void clipChanged(long episodeId, long clipId, int revision) {
    send("clip", Map.of("episodeId", episodeId, "clipId", clipId, "revision", revision));
  }

  /** Clips of an episode were made or removed. */
  public void clipsChanged(long episodeId) {
    send("clips", Map.of("episodeId", episodeId));
  }

  /** It was put right who is seen in an episode. */
  public void peopleChanged(long episodeId) {
    send("people", Map.of("episodeId", episodeId));
  }

  /** A transcript was corrected. */
  public void transcriptChanged(long episodeId) {
    send("transcript", Map.of("episodeId", episodeId));
  }

  /** Something was remarked of a clip, or said of it. */
  public void remarksChanged(long episodeId, long clipId) {
    send("remarks", Map.of("episodeId", episodeId, "clipId", clipId));
  }

  /** Something in the outbox has come further. */
  public void outboxChanged() {
    send("outbox", Map.of());
  }

  /** The database went away, or is back. */
  public void databaseAnswers(boolean answers) {
    databaseAnswers = answers;
    send("database", Map.of("answers", answers));
  }

  public void send(String name, Object data) {
    Event event = new Event(name, data);
    listeners.forEach(l -> l.tell(event));
  }

  /** Lets the browsers go, so that stopping does not wait for them. */
  @EventListener(ContextClosedEvent.class)
  void stop() {
    listeners.forEach(l -> l.emitter.complete());
    senders.shutdownNow();
  }

  /** Keeps connections open and finds the ones that are gone. */
  @Scheduled(fixedRate = 15_000)
  void beat() {
    send("beat", Map.of());
  }
}
