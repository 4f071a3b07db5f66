package paringknife.media.faces;

import java.util.ArrayList;
import java.util.List;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.people.Face;

/**
 * Watches a run of pictures: how much each mouth moves by itself in every one, and where faces are
 * in every {@value #SHORTEST_WAIT}th one, or every {@value #LONGEST_WAIT}th while the picture stays
 * nearly the same; at once where it is another picture. Once a second it is looked at what those
 * found look like. Not for use from several threads.
 */
final class FaceWatcher implements AutoCloseable {
  private static final int SHORTEST_WAIT = 3;
  private static final int LONGEST_WAIT = 10;
  private static final double CHANGE = 2.5;

  /** Mean difference in grey values that may be another shot. */
  private static final double OTHER = 12;

  /** Pictures from one look at appearances to the next. */
  private static final int LOOKS = 5;

  private final FaceDetector detector = new FaceDetector();
  private final MouthMotion mouths = new MouthMotion();
  private final Mat rgb;
  private Mat grey = new Mat();
  private Mat greyBefore = new Mat();
  private List<Face> faces = List.of();
  private final Mat greyAtDetection = new Mat();
  private int count = LONGEST_WAIT;
  private int sinceLook = LOOKS;

  public FaceWatcher(int width, int height) {
    this.rgb = new Mat(height, width, CvType.CV_8UC3);
  }

  /** The faces of the next picture, packed RGB. */
  public List<Face> watch(byte[] picture) {
    rgb.put(0, 0, picture);
    Mat swap = greyBefore;
    greyBefore = grey;
    grey = swap;
    Imgproc.cvtColor(rgb, grey, Imgproc.COLOR_RGB2GRAY);
    boolean isNew = isDue();
    if (isNew) {
      faces = detector.detect(rgb);
      grey.copyTo(greyAtDetection);
      count = 0;
    }
    count++;
    boolean looks = isNew && sinceLook >= LOOKS;
    sinceLook = looks ? 1 : sinceLook + 1;
    List<Face> moved = new ArrayList<>();
    for (Face face : faces) {
      moved.add(
          new Face(
              face.x(),
              face.y(),
              face.width(),
              face.height(),
              mouthMotion(face),
              looks ? AppearanceReading.of(rgb, face) : null));
    }
    return moved;
  }

  private boolean isDue() {
    if (count >= LONGEST_WAIT) {
      return true;
    }
    double changed = changed();
    return changed > OTHER || count >= SHORTEST_WAIT && changed > CHANGE;
  }

  /** By how much the picture differs from the one in which was looked, in mean grey values. */
  private double changed() {
    Mat difference = new Mat();
    Core.absdiff(grey, greyAtDetection, difference);
    double mean = Core.mean(difference).val[0];
    difference.release();
    return mean;
  }

  private double mouthMotion(Face face) {
    return greyBefore.empty() ? 0 : mouths.between(greyBefore, grey, face);
  }

  @Override
  public void close() {
    mouths.close();
    rgb.release();
    grey.release();
    greyBefore.release();
    greyAtDetection.release();
  }
}
