package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.List;
import paringknife.core.frame.people.FaceSample;
import paringknife.media.faces.FaceReading;

/**
 * The small pictures in which faces are looked for, five a second: those of the proxy where it is
 * wide, otherwise {@value #WIDTH} pixels wide. Nothing is made larger than it was recorded.
 */
public final class AnalysisPictures {
  private static final int PROXY_HEIGHT = 360;
  private static final int WIDTH = 640;
  private static final double PER_SECOND = 5;

  private final Recording recording;
  private final int proxyHeight;
  private final int width;
  private final double ratio;

  public AnalysisPictures(Recording recording) {
    this.recording = recording;
    Recording.Picture picture = recording.picture();
    this.proxyHeight =
        picture == null ? PROXY_HEIGHT : Math.min(PROXY_HEIGHT, even(picture.height()));
    this.width = picture == null ? WIDTH : Math.min(WIDTH, even(picture.width()));
    this.ratio = picture == null ? 16 / 9.0 : picture.width() / (double) picture.height();
  }

  /** Whether pictures of the proxy's size will do. */
  boolean areOfTheProxy() {
    return ratio > 1;
  }

  int proxyHeight() {
    return proxyHeight;
  }

  private int width() {
    return areOfTheProxy() ? even(proxyHeight * ratio) : width;
  }

  private int height() {
    return areOfTheProxy() ? proxyHeight : even(width / ratio);
  }

  private static int even(double length) {
    return Math.max(2, 2 * (int) Math.round(length / 2));
  }

  /** The filters that make them of the recording. */
  String filters() {
    return "fps="
        + PER_SECOND
        + ":start_time=0,scale="
        + width()
        + ":"
        + height()
        + ":flags=area,format=rgb24";
  }

  /** The filters that make them of the proxy's pictures. */
  String filtersAfterProxy() {
    return "fps="
        + PER_SECOND
        + ":start_time=0,scale="
        + width()
        + ":"
        + height()
        + ":flags=area,format=rgb24";
  }

  List<FaceSample> read(InputStream pictures) throws IOException {
    return new FaceReading(width(), height(), PER_SECOND).read(pictures);
  }

  /** Faces of a whole recording, without taking it in. */
  public List<FaceSample> faces() {
    if (recording.picture() == null) {
      throw new UnusableRecording(recording.file().getFileName() + " has no picture.");
    }
    return Ffmpeg.now()
        .recording(recording.file())
        .with("-map", "0:v:0", "-vf", Straightened.filters(recording.picture()) + filters())
        .with("-f", "rawvideo", "pipe:1")
        .within(Duration.ofSeconds(120 + recording.durationUs() / 500_000))
        .read(this::read);
  }
}
