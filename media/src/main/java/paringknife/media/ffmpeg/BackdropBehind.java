package paringknife.media.ffmpeg;

import java.util.List;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Rect;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.Window;
import paringknife.core.frame.cameras.CameraGrid;

/**
 * Lays a backdrop behind the people of a pane. It fills the pane and stays where it is while the
 * window goes along with them: people are cut out of what was drawn, not of the whole picture.
 */
final class BackdropBehind implements AutoCloseable {
  private static final int WHOLE = 255;

  private final BackdropPlanes backdrop;
  private final Matte.Source mattes;
  private final List<PictureRun> runs;
  private final CameraGrid grid;
  private final Mat seen = new Mat();
  private final Mat turned = new Mat(2, 3, CvType.CV_64F);
  private Mat matte = new Mat();

  /**
   * A part of one plane.
   *
   * @param number 0 for luma, 1 and 2 for chroma
   * @param samples all of the plane, in lines of {@code stride}
   * @param every luma samples from one sample to the next
   * @param offsetX where the middle of the first sample lies, in luma samples
   * @param offsetY likewise
   */
  record Part(
      int number,
      byte[] samples,
      int stride,
      CubicWindow.Place place,
      int every,
      double offsetX,
      double offsetY) {}

  BackdropBehind(
      BackdropPlanes backdrop, Matte.Source mattes, List<PictureRun> runs, CameraGrid grid) {
    this.backdrop = backdrop;
    this.mattes = mattes;
    this.runs = runs;
    this.grid = grid;
  }

  /** Goes to a frame of the clip. */
  void at(long clipFrame) {
    Matte now = mattes.at(PictureRun.at(runs, clipFrame).shownAt(clipFrame));
    matte.release();
    matte = new Mat(now.height(), now.width(), CvType.CV_8UC1);
    matte.put(0, 0, now.shares());
  }

  /** Lays it behind the people in a part of a plane, where a window was drawn. */
  void lay(Part part, Window window) {
    CubicWindow.Place place = part.place();
    CameraGrid.Cell cell =
        grid.cellsIn(matte.cols(), matte.rows())
            .get(grid.cameraAt(window.middleX(), window.middleY()));
    double across = matte.cols() / (double) grid.width();
    double down = matte.rows() / (double) grid.height();
    double stepX = window.width() / place.width() * across;
    double stepY = window.height() / place.height() * down;
    turned.put(
        0,
        0,
        stepX,
        0,
        window.x() * across + stepX * part.offsetX() / part.every() - 0.5 - cell.x(),
        0,
        stepY,
        window.y() * down + stepY * part.offsetY() / part.every() - 0.5 - cell.y());
    Mat ofCamera = matte.submat(new Rect(cell.x(), cell.y(), cell.width(), cell.height()));
    Imgproc.warpAffine(
        ofCamera,
        seen,
        turned,
        new Size(place.width(), place.height()),
        Imgproc.INTER_LINEAR | Imgproc.WARP_INVERSE_MAP,
        Core.BORDER_REPLICATE);
    ofCamera.release();
    byte[] people = new byte[place.width() * place.height()];
    seen.get(0, 0, people);
    byte[] behind =
        backdrop.plane(part.number(), place.width() * part.every(), place.height() * part.every());
    for (int y = 0; y < place.height(); y++) {
      int to = (place.y() + y) * part.stride() + place.x();
      for (int x = 0; x < place.width(); x++) {
        int from = y * place.width() + x;
        int ground = behind[from] & WHOLE;
        int share = people[from] & WHOLE;
        int person = part.samples()[to + x] & WHOLE;
        part.samples()[to + x] =
            (byte) ((ground * (WHOLE - share) + person * share + WHOLE / 2) / WHOLE);
      }
    }
  }

  @Override
  public void close() {
    List.of(seen, turned, matte).forEach(Mat::release);
  }
}
