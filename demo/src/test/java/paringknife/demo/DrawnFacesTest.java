package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import paringknife.core.frame.Face;
import paringknife.core.time.FrameRate;
import paringknife.media.faces.FaceDetector;

/** The drawn people are people to the face detector. */
class DrawnFacesTest {
  @Test
  void bothFacesAreFoundInAtLeast95PercentOfPictures() throws IOException {
    Performance performance =
        DemoMaker.perform(
            new DemoMaker.Plan(
                "t",
                "field-notes-03.txt",
                "",
                "",
                DemoMaker.FIELD_NOTES.voices(),
                new FrameRate(25, 1),
                1280,
                720,
                0));
    List<Voice> voices =
        List.of(DemoMaker.FIELD_NOTES.voices().get(0), DemoMaker.FIELD_NOTES.voices().get(0));
    Filming filming = new Filming(performance, voices, new FrameRate(25, 1), 1280, 720, 0);
    FaceDetector detector = new FaceDetector();
    int pictures = 60;
    int good = 0;
    for (int i = 0; i < pictures; i++) {
      List<Face> faces = detector.detect(rgb(filming.still(1 + i * 1.73)));
      good += faces.size() == 2 ? 1 : 0;
    }
    assertThat(good).isGreaterThanOrEqualTo((int) Math.ceil(0.95 * pictures));
  }

  private static Mat rgb(BufferedImage image) {
    int w = image.getWidth();
    int h = image.getHeight();
    byte[] bytes = new byte[w * h * 3];
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int p = image.getRGB(x, y);
        bytes[(y * w + x) * 3] = (byte) (p >> 16);
        bytes[(y * w + x) * 3 + 1] = (byte) (p >> 8);
        bytes[(y * w + x) * 3 + 2] = (byte) p;
      }
    }
    Mat mat = new Mat(h, w, CvType.CV_8UC3);
    mat.put(0, 0, bytes);
    Mat small = new Mat();
    Imgproc.resize(mat, small, new Size(640, 360), 0, 0, Imgproc.INTER_AREA);
    return small;
  }
}
