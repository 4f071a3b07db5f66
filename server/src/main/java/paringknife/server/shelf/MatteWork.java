package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.matte.Mattes;
import paringknife.media.process.ProcessFailed;

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

  /** What came of those that could not be made, until somebody asks again. */
  private final Map<Stretch, RuntimeException> failed = new LinkedHashMap<>();

  private boolean working;
  private boolean stopped;

  private record Stretch(Mattes mattes, long number) {}

  /**
   * A stretch where it is made; where it is not it will be.
   *
   * @throws RuntimeException what kept it from being made since it was last asked for
   */
  Optional<Path> ask(Mattes mattes, long number) {
    Optional<Path> made = mattes.made(number);
    if (made.isEmpty()) {
      want(new Stretch(mattes, number));
    }
    return made;
  }

  private synchronized void want(Stretch stretch) {
    RuntimeException why = failed.remove(stretch);
    if (why != null) {
      throw why;
    }
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
        make(stretch);
      } catch (RuntimeException e) {
        note(stretch, e);
      } catch (LinkageError e) {
        note(stretch, new IllegalStateException(e));
      }
    }
  }

  /** What was killed in the middle is begun once more. */
  private static void make(Stretch stretch) {
    try {
      stretch.mattes().make(stretch.number());
    } catch (ProcessFailed | UnusableRecording killed) {
      stretch.mattes().make(stretch.number());
    }
  }

  private synchronized void note(Stretch stretch, RuntimeException why) {
    LOG.warn("Mattes {} could not be made", stretch.number(), why);
    failed.put(stretch, why);
    if (failed.size() > MOST) {
      failed.remove(failed.keySet().iterator().next());
    }
  }

  @Override
  public synchronized void destroy() {
    stopped = true;
  }
}
