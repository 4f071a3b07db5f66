package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import paringknife.media.process.WorkBeside;

/** Decodes once what several encoders take, each in a thread of its own and in its own size. */
final class SideBySide {
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
    List<Waiting> all = new ArrayList<>();
    List<Future<?>> ends = new ArrayList<>();
    try (WorkBeside encoders = new WorkBeside("encodes", takers.size())) {
      try {
        for (Taker taker : takers) {
          PictureQueue queue = new PictureQueue(stack.parts());
          all.add(new Waiting(taker, queue));
          ends.add(encoders.start(Executors.callable(() -> encode(taker.encoding(), queue))));
        }
        hand(decode, all);
        ends.forEach(WorkBeside::outcome);
        endWhereOneFailed();
      } finally {
        all.forEach(w -> w.queue().breakOff());
      }
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
      boolean whole =
          stack.part(
              in,
              (size, rows) ->
                  all.stream()
                      .filter(w -> w.taker().size().equals(size))
                      .forEach(w -> w.queue().put(rows)));
      if (!whole) {
        all.forEach(w -> w.queue().end());
        return;
      }
    }
    throw new IOException("an encoder has failed");
  }
}
