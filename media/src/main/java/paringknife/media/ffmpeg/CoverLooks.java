package paringknife.media.ffmpeg;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.deliver.cover.CoverLook;
import paringknife.core.deliver.cover.OpenEyes;
import paringknife.core.frame.SeenFace;
import paringknife.core.frame.Window;
import paringknife.core.frame.cameras.CameraGrid;

/**
 * Measures how good moments of a clip look as stills, on the small pictures that ingest has made.
 * What is near together is decoded in one go.
 */
public final class CoverLooks {
  private static final Duration LIMIT = Duration.ofMinutes(3);
  private static final int PICTURES_PER_SECOND = 10;
  private static final long GO_ON_US = 3_000_000;

  private final int width;
  private final int height;
  private final double across;
  private final double down;
  private final List<CoverLook> looks = new ArrayList<>();

  private CoverLooks(int width, int height, CameraGrid grid) {
    this.width = width;
    this.height = height;
    this.across = width / (double) grid.width();
    this.down = height / (double) grid.height();
  }

  /**
   * Measures moments.
   *
   * @param proxy small pictures of all cameras side by side
   * @param grid where the cameras lie in their full size
   */
  public static List<CoverLook> of(Path proxy, CameraGrid grid, List<SeenFace> faces) {
    Recording.Picture picture = Probe.of(proxy).picture();
    if (picture == null || faces.isEmpty()) {
      return List.of();
    }
    CoverLooks measured = new CoverLooks(picture.width(), picture.height(), grid);
    List<SeenFace> inOrder = new ArrayList<>(faces);
    inOrder.sort(Comparator.comparingLong(SeenFace::episodeUs));
    int from = 0;
    for (int i = 1; i <= inOrder.size(); i++) {
      if (i == inOrder.size()
          || inOrder.get(i).episodeUs() - inOrder.get(i - 1).episodeUs() > GO_ON_US) {
        measured.decode(proxy, inOrder.subList(from, i));
        from = i;
      }
    }
    return measured.looks;
  }

  private void decode(Path proxy, List<SeenFace> faces) {
    double start = Math.max(0, faces.get(0).episodeUs() / 1e6 - 1.0 / PICTURES_PER_SECOND);
    double end = faces.get(faces.size() - 1).episodeUs() / 1e6 + 2.0 / PICTURES_PER_SECOND;
    Ffmpeg.now()
        .recording(proxy, "-ss", Ffmpeg.seconds(start), "-t", Ffmpeg.seconds(end - start))
        .with("-vf", "fps=" + PICTURES_PER_SECOND + ",format=gray", "-f", "rawvideo", "-")
        .within(LIMIT)
        .read(pictures -> read(pictures, faces, start));
  }

  private int read(InputStream pictures, List<SeenFace> faces, double start) throws IOException {
    byte[] before = new byte[width * height];
    byte[] picture = new byte[width * height];
    int next = 0;
    try (DataInputStream in = new DataInputStream(pictures)) {
      for (int n = 0; next < faces.size(); n++) {
        byte[] swapped = before;
        before = picture;
        picture = swapped;
        in.readFully(picture);
        while (next < faces.size() && at(faces.get(next), start) <= n) {
          looks.add(look(faces.get(next), picture, n == 0 ? picture : before));
          next++;
        }
      }
      in.transferTo(java.io.OutputStream.nullOutputStream());
    } catch (EOFException end) {
      return next;
    }
    return next;
  }

  private static long at(SeenFace face, double start) {
    return Math.round((face.episodeUs() / 1e6 - start) * PICTURES_PER_SECOND);
  }

  private CoverLook look(SeenFace face, byte[] picture, byte[] before) {
    Window box = face.box();
    int left = clamp(box.x() * across, width - 3);
    int top = clamp(box.y() * down, height - 3);
    int right = Math.max(left + 2, clamp((box.x() + box.width()) * across, width - 2));
    int bottom = Math.max(top + 2, clamp((box.y() + box.height()) * down, height - 2));
    double sum = 0;
    double squares = 0;
    double change = 0;
    for (int y = top; y < bottom; y++) {
      for (int x = left; x < right; x++) {
        int i = y * width + x;
        double laplacian =
            grey(picture, i - 1)
                + grey(picture, i + 1)
                + grey(picture, i - width)
                + grey(picture, i + width)
                - 4.0 * grey(picture, i);
        sum += laplacian;
        squares += laplacian * laplacian;
        change += Math.abs(grey(picture, i) - grey(before, i));
      }
    }
    double pixels = (double) (right - left) * (bottom - top);
    double detail = squares / pixels - sum / pixels * (sum / pixels);
    double eyes =
        face.height() == 0 ? 0 : OpenEyes.in(picture, width, left, top, right - left, bottom - top);
    return new CoverLook(face, detail, change / pixels, eyes);
  }

  private static int clamp(double at, int most) {
    return (int) Math.max(1, Math.min(most, Math.round(at)));
  }

  private static int grey(byte[] picture, int i) {
    return picture[i] & 0xFF;
  }
}
