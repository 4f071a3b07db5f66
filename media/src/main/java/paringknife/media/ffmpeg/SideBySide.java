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

/** Decodes once what several encoders take, each in a thread of its own. */
final class SideBySide {
  private static final int ENDS_WITHIN_S = 5;

  private final WholePictures whole;
  private final List<Encoding> encodings;
  private final AtomicReference<@Nullable RuntimeException> failure = new AtomicReference<>();

  /** Takes whole pictures to their end and makes a file of them. */
  interface Encoding {
    void of(InputStream pictures) throws IOException;
  }

  SideBySide(WholePictures whole, List<Encoding> encodings) {
    this.whole = whole;
    this.encodings = List.copyOf(encodings);
  }

  /**
   * Runs to the end of all; where one fails, all are ended.
   *
   * @param decode writes raw pictures to its standard output
   */
  void run(Ffmpeg decode) {
    ExecutorService encoders = Executors.newFixedThreadPool(encodings.size(), SideBySide::daemon);
    List<PictureQueue> queues = new ArrayList<>();
    List<Future<?>> ends = new ArrayList<>();
    try {
      for (Encoding encoding : encodings) {
        PictureQueue queue = new PictureQueue();
        queues.add(queue);
        ends.add(encoders.submit(() -> encode(encoding, queue)));
      }
      hand(decode, queues);
      for (Future<?> end : ends) {
        await(end);
      }
      endWhereOneFailed();
    } finally {
      queues.forEach(PictureQueue::breakOff);
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

  private void hand(Ffmpeg decode, List<PictureQueue> queues) {
    try {
      decode.read(
          pictures -> {
            handOn(pictures, queues);
            return null;
          });
    } catch (UncheckedIOException e) {
      endWhereOneFailed();
      throw e;
    }
  }

  private void handOn(InputStream pictures, List<PictureQueue> queues) throws IOException {
    DataInputStream in = new DataInputStream(pictures);
    while (failure.get() == null) {
      byte[] picture = new byte[whole.bytes()];
      try {
        in.readFully(picture);
      } catch (EOFException e) {
        queues.forEach(PictureQueue::end);
        return;
      }
      for (PictureQueue queue : queues) {
        queue.put(picture);
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
