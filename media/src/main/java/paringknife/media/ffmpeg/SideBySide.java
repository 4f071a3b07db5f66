package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import paringknife.media.process.Interrupted;

/** Decodes once what several encoders take, each in a thread of its own and in its own size. */
final class SideBySide {
  private static final int ENDS_WITHIN_S = 5;

  private final StackedPictures stack;
  private final List<Taker> takers;
  private final AtomicReference<@Nullable RuntimeException> failure = new AtomicReference<>();

  /** Takes whole pictures to their end and makes a file of them. */
  interface Encoding {
    void of(InputStream pictures) throws IOException;
  }

  /** An encoder, and the size in which it takes pictures. */
  record Taker(WholePictures size, Encoding encoding) {}

  private record Waiting(Taker taker, PictureQueue queue) {}

  /**
   * @param takers of any of the sizes that are stacked
   */
  SideBySide(StackedPictures stack, List<Taker> takers) {
    this.stack = stack;
    this.takers = List.copyOf(takers);
  }

  /**
   * Runs to the end of all; where one fails, all are ended.
   *
   * @param decode writes the stacks to its standard output
   */
  void run(Ffmpeg decode) {
    ExecutorService encoders = Executors.newFixedThreadPool(takers.size(), SideBySide::daemon);
    List<Waiting> all = new ArrayList<>();
    List<Future<?>> ends = new ArrayList<>();
    try {
      for (Taker taker : takers) {
        PictureQueue queue = new PictureQueue(taker.size().bytes());
        all.add(new Waiting(taker, queue));
        ends.add(encoders.submit(() -> encode(taker.encoding(), queue)));
      }
      hand(decode, all);
      for (Future<?> end : ends) {
        await(end);
      }
      endWhereOneFailed();
    } finally {
      all.forEach(w -> w.queue().breakOff());
      end(encoders);
    }
  }

  /** Nobody writes any more when this is left, so that what lies half made can be removed. */
  private static void end(ExecutorService encoders) {
    encoders.shutdownNow();
    try {
      encoders.awaitTermination(ENDS_WITHIN_S, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void encode(Encoding encoding, PictureQueue queue) {
    try (queue) {
      encoding.of(queue);
    } catch (IOException e) {
      failure.compareAndSet(null, new UncheckedIOException(e));
    } catch (RuntimeException e) {
      failure.compareAndSet(null, e);
    }
  }

  /** Where an encoder has failed, that tells more than that the rest was ended. */
  private void endWhereOneFailed() {
    RuntimeException failed = failure.get();
    if (failed != null) {
      throw failed;
    }
  }

  private void hand(Ffmpeg decode, List<Waiting> all) {
    try {
      decode.read(
          pictures -> {
            handOn(pictures, all);
            return null;
          });
    } catch (UncheckedIOException e) {
      endWhereOneFailed();
      throw e;
    }
  }

  private void handOn(InputStream stacks, List<Waiting> all) throws IOException {
    DataInputStream in = new DataInputStream(stacks);
    while (failure.get() == null) {
      byte[] whole = new byte[stack.bytes()];
      try {
        in.readFully(whole);
      } catch (EOFException e) {
        all.forEach(w -> w.queue().end());
        return;
      }
      for (WholePictures size : stack.sizes()) {
        byte[] picture = stack.cut(whole, size);
        all.stream()
            .filter(w -> w.taker().size().equals(size))
            .forEach(w -> w.queue().put(picture));
      }
    }
    throw new IOException("an encoder has failed");
  }

  private static void await(Future<?> end) {
    try {
      end.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    } catch (ExecutionException e) {
      throw new IllegalStateException(e.getCause());
    }
  }

  private static Thread daemon(Runnable work) {
    Thread thread = new Thread(work, "encodes");
    thread.setDaemon(true);
    return thread;
  }
}
