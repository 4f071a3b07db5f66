package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import paringknife.media.matte.Mattes;

/**
 * Makes mattes for the plate, one stretch after the other, what was asked for last first. What is
 * not asked for again need not be made: of more than {@value #MOST} that wait the oldest is
 * forgotten.
 */
@Component
class MatteWork implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(MatteWork.class);
  private static final int MOST = 64;

  private final Deque<Stretch> waiting = new ArrayDeque<>();
  private boolean working;
  private boolean stopped;

  private record Stretch(Mattes mattes, long number) {}

  /** A stretch where it is made; where it is not it will be. */
  Optional<Path> ask(Mattes mattes, long number) {
    Optional<Path> made = mattes.made(number);
    if (made.isEmpty()) {
      want(new Stretch(mattes, number));
    }
    return made;
  }

  private synchronized void want(Stretch stretch) {
    waiting.remove(stretch);
    waiting.addFirst(stretch);
    if (waiting.size() > MOST) {
      waiting.removeLast();
    }
    if (!working && !stopped) {
      working = true;
      Thread worker = new Thread(this::work, "mattes");
      worker.setDaemon(true);
      worker.start();
    }
  }

  private synchronized Optional<Stretch> next() {
    Optional<Stretch> next = Optional.ofNullable(stopped ? null : waiting.pollFirst());
    working = next.isPresent();
    return next;
  }

  private void work() {
    for (Optional<Stretch> next = next(); next.isPresent(); next = next()) {
      Stretch stretch = next.get();
      try {
        stretch.mattes().make(stretch.number());
      } catch (RuntimeException | LinkageError e) {
        LOG.warn("Mattes {} could not be made", stretch.number(), e);
      }
    }
  }

  @Override
  public synchronized void destroy() {
    stopped = true;
  }
}
