package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.text.SeenText;
import paringknife.media.faces.FaceReading;
import paringknife.media.text.TextWatcher;

/**
 * The small pictures in which faces and text are looked for, five a second: those of the proxy
 * where it is wide, otherwise {@value #WIDTH} pixels wide. Nothing is made larger than it was
 * recorded.
 */
public final class AnalysisPictures {
  private static final int PROXY_HEIGHT = 360;
  private static final int WIDTH = 640;
  private static final double PER_SECOND = 5;

  private final Cameras cameras;
  private final CameraGrid grid;
  private final int tileHeight;
  private final int tileWidth;

  /** Of one recording with a picture. */
  public AnalysisPictures(Recording recording) {
    this(Cameras.of(recording));
  }

  AnalysisPictures(Cameras cameras) {
    this.cameras = cameras;
    this.grid = cameras.grid();
    this.tileHeight = Math.min(PROXY_HEIGHT, even(grid.roomDown()));
    this.tileWidth = even(tileHeight * (grid.roomAcross() / (double) grid.roomDown()));
  }

  /** Whether pictures of the proxy's size will do; several cameras are looked at in their tiles. */
  boolean areOfTheProxy() {
    return !cameras.isOne() || grid.width() > grid.height();
  }

  /** Of one camera's picture in the proxy. */
  int tileHeight() {
    return tileHeight;
  }

  /** Of one camera's picture in the proxy. */
  int tileWidth() {
    return tileWidth;
  }

  private int width() {
    return areOfTheProxy() ? tileWidth * grid.columns() : Math.min(WIDTH, even(grid.width()));
  }

  private int height() {
    return areOfTheProxy()
        ? tileHeight * grid.rows()
        : even(width() * (grid.height() / (double) grid.width()));
  }

  static int even(double length) {
    return Math.max(2, 2 * (int) Math.round(length / 2));
  }

  /** The filters that make them of larger ones. */
  String filters() {
    return "fps="
        + PER_SECOND
        + ":start_time=0,scale="
        + width()
        + ":"
        + height()
        + ":flags=area,format=rgb24";
  }

  /**
   * What is seen in them.
   *
   * @param faces of each camera
   * @param texts of each camera
   */
  record Seen(List<List<FaceSample>> faces, List<List<SeenText>> texts) {}

  /** The faces and the text that each camera sees. */
  Seen read(InputStream pictures) throws IOException {
    List<FaceReading.Tile> tiles = tiles();
    List<TextWatcher> watchers =
        tiles.stream().map(t -> new TextWatcher(t.width(), t.height())).toList();
    try {
      List<List<FaceSample>> faces =
          new FaceReading(width(), height(), PER_SECOND)
              .read(
                  pictures,
                  tiles,
                  (tile, us, picture, seen) -> {
                    if (us % TextWatcher.EVERY_US == 0) {
                      watchers.get(tile).watch(us, picture, seen);
                    }
                  });
      return new Seen(faces, watchers.stream().map(TextWatcher::end).toList());
    } finally {
      watchers.forEach(TextWatcher::close);
    }
  }

  private List<FaceReading.Tile> tiles() {
    List<FaceReading.Tile> tiles = new ArrayList<>();
    for (int c = 0; c < grid.cameras(); c++) {
      CameraGrid.Cell cell = grid.cells().get(c);
      double across = width() / (double) grid.width();
      double down = height() / (double) grid.height();
      tiles.add(
          new FaceReading.Tile(
              (int) Math.round(cell.x() * across),
              (int) Math.round(cell.y() * down),
              (int) Math.round(cell.width() * across),
              (int) Math.round(cell.height() * down)));
    }
    return tiles;
  }

  /** Faces of a whole recording, without taking it in. */
  public List<FaceSample> faces() {
    Recording recording = cameras.first();
    return Ffmpeg.now()
        .recording(recording.file())
        .with("-map", "0:v:0", "-vf", Straightened.filters(recording.picture()) + filters())
        .with("-f", "rawvideo", "pipe:1")
        .within(Duration.ofSeconds(120 + recording.durationUs() / 500_000))
        .read(in -> new FaceReading(width(), height(), PER_SECOND).read(in));
  }
}
