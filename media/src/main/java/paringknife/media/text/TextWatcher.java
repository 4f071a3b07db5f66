package paringknife.media.text;

import java.util.ArrayList;
import java.util.List;
import org.bytedeco.javacpp.Loader;
import org.jspecify.annotations.Nullable;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.text.SeenText;
import paringknife.core.frame.text.TextBox;
import paringknife.core.frame.text.TextTracker;

/**
 * Watches the pictures of one camera, once a second, for text that stands. What may be text is
 * found quickly; only what stays is looked at closely, and only once. Not for use from several
 * threads.
 */
public final class TextWatcher implements AutoCloseable {
  /** From one picture that is looked at to the next, microseconds. */
  public static final long EVERY_US = 1_000_000;

  /** So many places are looked at closely in one picture; the others wait for their turn. */
  private static final int MOST_CLOSELY = 4;

  /** Normalized correlation with what it looked like, where a picture moves behind it. */
  private static final double ALIKE = 0.6;

  /** Text and what it looked like when it was looked at closely. */
  private record Known(TextTracker.Standing standing, Rect place, Mat looked) {}

  static {
    Loader.load(org.bytedeco.opencv.opencv_java.class);
    Core.setNumThreads(1);
  }

  private final int width;
  private final int height;
  private final Mat rgb;
  private final Mat grey = new Mat();
  private final TextLines lines = new TextLines();
  private final TextTracker tracker = new TextTracker(EVERY_US);
  private final List<TextTracker.Standing> waiting = new ArrayList<>();
  private final List<Known> known = new ArrayList<>();
  private @Nullable TextModel model;

  /**
   * @param width of the pictures, pixels
   * @param height likewise
   */
  public TextWatcher(int width, int height) {
    this.width = width;
    this.height = height;
    this.rgb = new Mat(height, width, CvType.CV_8UC3);
  }

  /**
   * Looks at the next picture.
   *
   * @param picture packed RGB
   * @param faces that are seen in it: glasses and brows are no text
   */
  public void watch(long us, byte[] picture, List<Face> faces) {
    rgb.put(0, 0, picture);
    Imgproc.cvtColor(rgb, grey, Imgproc.COLOR_RGB2GRAY);
    List<TextBox> boxes =
        lines.in(grey).stream()
            .map(this::share)
            .filter(b -> faces.stream().noneMatch(f -> isOn(f, b)))
            .toList();
    waiting.addAll(tracker.next(us, boxes));
    known.removeIf(k -> !isStill(k, us));
    waiting.removeIf(s -> !s.isThere(us));
    for (int i = 0; i < MOST_CLOSELY && !waiting.isEmpty(); i++) {
      lookClosely(waiting.remove(0));
    }
  }

  private static boolean isOn(Face face, TextBox box) {
    double x = box.x() + box.width() / 2;
    double y = box.y() + box.height() / 2;
    return x > face.x()
        && x < face.x() + face.width()
        && y > face.y()
        && y < face.y() + face.height();
  }

  private void lookClosely(TextTracker.Standing standing) {
    if (model == null) {
      model = new TextModel();
    }
    Rect text = model.textAt(rgb, pixels(standing.box()));
    if (text == null) {
      standing.isNoText();
    } else {
      standing.isText(share(text));
      Rect within = within(text);
      if (within.area() > 0) {
        known.add(new Known(standing, within, grey.submat(within).clone()));
      }
    }
  }

  /** Whether known text is there: it was found, or it looks as it did. */
  private boolean isStill(Known known, long us) {
    if (known.standing().isThere(us)) {
      return true;
    }
    Mat now = grey.submat(known.place());
    Mat alike = new Mat();
    Imgproc.matchTemplate(now, known.looked(), alike, Imgproc.TM_CCOEFF_NORMED);
    boolean is = alike.get(0, 0)[0] >= ALIKE;
    now.release();
    alike.release();
    if (is) {
      known.standing().stays(us);
    } else {
      known.looked().release();
    }
    return is;
  }

  private Rect within(Rect box) {
    int left = Math.max(0, box.x);
    int top = Math.max(0, box.y);
    int right = Math.min(width, box.x + box.width);
    int bottom = Math.min(height, box.y + box.height);
    return new Rect(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
  }

  private TextBox share(Rect box) {
    return new TextBox(
        box.x / (double) width,
        box.y / (double) height,
        box.width / (double) width,
        box.height / (double) height);
  }

  private Rect pixels(TextBox box) {
    return new Rect(
        (int) Math.round(box.x() * width),
        (int) Math.round(box.y() * height),
        Math.max(1, (int) Math.round(box.width() * width)),
        Math.max(1, (int) Math.round(box.height() * height)));
  }

  /** All text that was seen; nothing more comes. */
  public List<SeenText> end() {
    return tracker.end();
  }

  @Override
  public void close() {
    rgb.release();
    grey.release();
    known.forEach(k -> k.looked().release());
    lines.close();
  }
}
