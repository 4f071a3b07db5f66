package paringknife.core.frame.shots;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.FrameRate;

/**
 * Finds where shots begin, from small grey pictures given one after the other. A cut is a
 * difference from picture to picture that stands out from those around it (adaptive threshold:
 * Yusoff, Christmas and Kittler, British Machine Vision Conference, 2000) and after which something
 * else is seen than before it, so that a flash is none. A dissolve is a second in which the picture
 * goes evenly from what it was to what it is then (after the twin comparison of Zhang, Kankanhalli
 * and Smoliar, "Automatic partitioning of full-motion video", 1993); the shot begins in its middle.
 * Pictures are compared by what is where, not by how bright it is: light that goes on changes no
 * shot. Memory does not grow with the length of the recording.
 */
public final class ShotDetector {
  /** Mean difference of two pictures of standard deviation 1 that shows something else. */
  private static final double OTHER = 0.55;

  /**
   * Pictures that have nothing in common differ by about 1.1; by this much in the midst of unrest.
   */
  private static final double SURELY_OTHER = 0.75;

  /** A cut stands out from the differences around it by this many of their standard deviations. */
  private static final double STANDS_OUT = 4;

  /** Differences that noise and shaking make are not told from standing still. */
  private static final double NOISE = 0.04;

  /** How far the middle of a dissolve may be off the mean of both pictures, as a share. */
  private static final double UNEVEN = 0.3;

  /** Grey values; what varies less is plain, and its noise is not made larger. */
  private static final double PLAIN = 12;

  private static final double DISSOLVE_SECONDS = 1.1;
  private static final double SHORTEST_SECONDS = 0.3;
  private static final int FLASH = 4;

  private final int half;
  private final int shortest;
  private final List<float[]> pictures = new ArrayList<>();
  private final List<Long> starts = new ArrayList<>(List.of(0L));

  /** Number of the first picture that is still at hand. */
  private long first;

  private long seen;

  /** The first frame that has not been judged. */
  private long next = 1;

  public ShotDetector(FrameRate rate) {
    this.half = (int) Math.ceil(rate.perSecond() * DISSOLVE_SECONDS / 2);
    this.shortest = (int) Math.max(2, Math.round(rate.perSecond() * SHORTEST_SECONDS));
  }

  /** Takes the next picture: grey values, as many for every picture. */
  public void accept(byte[] grey) {
    pictures.add(evened(grey));
    seen++;
    while (next + 2L * half + FLASH < seen) {
      judge(next++);
    }
    while (first + 4L * half + FLASH < next) {
      pictures.remove(0);
      first++;
    }
  }

  /** The first frames of all shots, once the last picture has been taken. */
  public List<Long> starts() {
    while (next < seen) {
      judge(next++);
    }
    return List.copyOf(starts);
  }

  /** A picture brought to a mean of 0 and a standard deviation of 1; a plain one has less. */
  private static float[] evened(byte[] grey) {
    double sum = 0;
    double squares = 0;
    for (byte value : grey) {
      int v = value & 255;
      sum += v;
      squares += v * v;
    }
    double mean = sum / grey.length;
    double deviation = Math.sqrt(Math.max(0, squares / grey.length - mean * mean));
    float[] evened = new float[grey.length];
    for (int i = 0; i < grey.length; i++) {
      evened[i] = (float) (((grey[i] & 255) - mean) / Math.max(PLAIN, deviation));
    }
    return evened;
  }

  private float[] at(long frame) {
    return pictures.get((int) (Math.max(first, Math.min(seen - 1, frame)) - first));
  }

  private static double difference(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += Math.abs(a[i] - b[i]);
    }
    return sum / a.length;
  }

  private void judge(long frame) {
    if (frame - starts.get(starts.size() - 1) < shortest || frame + shortest > seen) {
      return;
    }
    if (isCut(frame) || isDissolve(frame)) {
      starts.add(frame);
    }
  }

  private boolean isCut(long frame) {
    double here = difference(at(frame - 1), at(frame));
    if (here < OTHER || !isOther(frame - 1, frame + FLASH) || !isOther(frame - 1 - FLASH, frame)) {
      return false;
    }
    double sum = 0;
    double squares = 0;
    int count = 0;
    for (long f = frame - half; f <= frame + half; f++) {
      if (f <= first || f >= seen || f == frame) {
        continue;
      }
      double d = difference(at(f - 1), at(f));
      sum += d;
      squares += d * d;
      count++;
    }
    double mean = count == 0 ? 0 : sum / count;
    double deviation = count == 0 ? 0 : Math.sqrt(Math.max(0, squares / count - mean * mean));
    return here > Math.min(SURELY_OTHER, mean + STANDS_OUT * Math.max(NOISE, deviation));
  }

  private boolean isOther(long before, long after) {
    return difference(at(before), at(after)) >= OTHER;
  }

  /**
   * Whether the middle of a dissolve is here: nearer to the mean of both sides than before or
   * after.
   */
  private boolean isDissolve(long frame) {
    if (frame - half < first || frame + half >= seen) {
      return false;
    }
    float[] before = at(frame - half);
    float[] after = at(frame + half);
    double apart = difference(before, after);
    if (apart < OTHER
        || share(frame, before, after) < 0.5
        || share(frame - 1, before, after) >= 0.5) {
      return false;
    }
    return isBetween(frame, before, after, apart)
        && difference(at(frame - half - FLASH), before) < NOISE + apart / 8
        && difference(after, at(frame + half + FLASH)) < NOISE + apart / 8;
  }

  /** How far a picture has gone from one to another, 0 to 1. */
  private double share(long frame, float[] before, float[] after) {
    float[] now = at(frame);
    double along = 0;
    double whole = 0;
    for (int i = 0; i < now.length; i++) {
      double way = after[i] - before[i];
      along += (now[i] - before[i]) * way;
      whole += way * way;
    }
    return along / whole;
  }

  /** Whether a picture is made of both, and goes on evenly. */
  private boolean isBetween(long frame, float[] before, float[] after, double apart) {
    float[] now = at(frame);
    double off = 0;
    double length = 0;
    for (float v : now) {
      length += v * v;
    }
    double[] mean = new double[now.length];
    double meanLength = 0;
    for (int i = 0; i < now.length; i++) {
      mean[i] = (before[i] + after[i]) / 2;
      meanLength += mean[i] * mean[i];
    }
    // Two pictures laid over one another have less contrast than either: brought back to it.
    double scale = meanLength == 0 ? 1 : Math.sqrt(length / meanLength);
    for (int i = 0; i < now.length; i++) {
      off += Math.abs(now[i] - scale * mean[i]);
    }
    double quarter = share(frame - half / 4, before, after);
    double later = share(frame + half / 4, before, after);
    return off / now.length < UNEVEN * apart && quarter < 0.48 && later > 0.52;
  }
}
