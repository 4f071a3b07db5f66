package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import paringknife.media.process.Interrupted;

/**
 * Pictures on their way from one who decodes to one who encodes, in parts, a few at a time. Whoever
 * takes them may close it, and whoever gives them may break it off; the other is told then.
 */
final class PictureQueue extends InputStream {
  private static final int PICTURES_WAITING = 4;
  private static final int MOST_PARTS_WAITING = 24;
  private static final long LOOK_AGAIN_MS = 100;
  private static final byte[] END = new byte[0];

  private final BlockingQueue<byte[]> waiting;
  private volatile boolean closed;
  private volatile boolean brokenOff;
  private byte[] present = new byte[0];
  private int at;
  private boolean over;

  /**
   * @param parts in how many a picture comes
   */
  PictureQueue(int parts) {
    waiting = new ArrayBlockingQueue<>(Math.min(PICTURES_WAITING * parts, MOST_PARTS_WAITING));
  }

  /**
   * Hands a part on, which is not changed any more; waits while enough are on their way. Whoever
   * has closed it has enough of them.
   */
  void put(byte[] part) {
    try {
      boolean taken = false;
      while (!taken && !closed) {
        taken = waiting.offer(part, LOOK_AGAIN_MS, TimeUnit.MILLISECONDS);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }

  /** That was the last picture. */
  void end() {
    put(END);
  }

  /** There will be no more pictures, though that was not the last. */
  void breakOff() {
    brokenOff = true;
  }

  @Override
  public int read() throws IOException {
    byte[] one = new byte[1];
    return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
  }

  @Override
  public int read(byte[] into, int from, int length) throws IOException {
    if (length == 0) {
      return 0;
    }
    while (at == present.length && !over) {
      present = next();
      at = 0;
      over = present == END;
    }
    if (over) {
      return -1;
    }
    int count = Math.min(length, present.length - at);
    System.arraycopy(present, at, into, from, count);
    at += count;
    return count;
  }

  private byte[] next() throws IOException {
    try {
      while (true) {
        byte[] part = waiting.poll(LOOK_AGAIN_MS, TimeUnit.MILLISECONDS);
        if (brokenOff) {
          throw new IOException("no more pictures come");
        }
        if (part != null) {
          return part;
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }

  @Override
  public void close() {
    closed = true;
  }
}
