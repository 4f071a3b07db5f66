package paringknife.media.ffmpeg;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;

/**
 * Takes the pictures of a recording in: decoded once, they are made small and encoded, looked at
 * for faces, text and shots, and one in ten seconds becomes a thumbnail.
 */
final class IngestedPictures {
  private static final int THUMBNAIL_WIDTH = 192;

  private final Cameras cameras;
  private final AnalysisPictures analysis;
  private final Ingest.PictureReader reader;

  IngestedPictures(Cameras cameras, Ingest.PictureReader reader) {
    this.cameras = cameras;
    this.analysis = new AnalysisPictures(cameras);
    this.reader = reader;
  }

  /**
   * What is seen in them.
   *
   * @param shots of each camera
   */
  record Seen(AnalysisPictures.Seen looked, List<ShotList> shots) {}

  /**
   * Runs to the end.
   *
   * @param proxy where the small film without sound goes
   * @param thumbnails a folder for them
   * @param small where small grey pictures may be kept meanwhile
   */
  Seen run(Path proxy, Path thumbnails, Path small, Duration limit, DoubleConsumer progress)
      throws IOException {
    Ffmpeg run = Ffmpeg.inBackground();
    cameras.all().forEach(camera -> run.recording(camera.recording().file()));
    run.with("-filter_complex", graph());
    run.with("-map", "[proxy]", "-c:v", "libx264", "-preset", "ultrafast");
    run.with("-tune", "fastdecode", "-crf", "22", "-g", "15", "-bf", "0");
    run.with("-colorspace", "bt709", "-color_primaries", "bt709", "-color_trc", "bt709");
    run.with("-color_range", "tv", proxy.toString());
    run.with("-map", "[frames]", "-f", "rawvideo", "pipe:1");
    run.with("-map", "[thumbnails]", "-f", "image2", "-fps_mode", "passthrough", "-q:v", "5");
    run.with(thumbnails.resolve("%05d.jpg").toString());
    run.with("-map", "[shots]", "-f", "rawvideo", small.toString());
    run.telling(cameras.first().durationUs(), progress).within(limit);
    AnalysisPictures.Seen looked = run.read(reader::read);
    return new Seen(
        new AnalysisPictures.Seen(whileRunning(looked.faces()), looked.texts()), shots(small));
  }

  /** A camera that stands still sees nobody. */
  private List<List<FaceSample>> whileRunning(List<List<FaceSample>> faces) {
    List<List<FaceSample>> seen = new ArrayList<>();
    for (int c = 0; c < faces.size(); c++) {
      Camera camera = cameras.all().get(c);
      seen.add(faces.get(c).stream().filter(s -> camera.runsAt(s.timeUs())).toList());
    }
    return seen;
  }

  private String graph() {
    StringBuilder graph = new StringBuilder();
    if (analysis.areOfTheProxy()) {
      graph.append(proxyPictures()).append(",split=4[proxy][va][vt][vs];[va]");
      graph.append(analysis.filters()).append("[frames];");
    } else {
      graph.append("[0:v:0]").append(Straightened.filters(cameras.first().picture()));
      graph.append("split=2[vp][va];[vp]").append(small());
      graph.append(",split=3[proxy][vt][vs];[va]");
      graph.append(analysis.filters()).append("[frames];");
    }
    graph.append("[vs]").append(Shots.small(cameras.grid())).append("[shots];");
    String tens = "floor(%s/" + Ingest.THUMBNAIL_SECONDS + ")";
    return graph
        + String.format(
            Locale.ROOT,
            "[vt]%sselect='isnan(prev_selected_t)+gt("
                + tens
                + ","
                + tens
                + ")',scale=%d:-2[thumbnails]",
            cameras.isOne() ? "" : firstTile(),
            "t",
            "prev_selected_t",
            THUMBNAIL_WIDTH);
  }

  private String firstTile() {
    return "crop=" + analysis.tileWidth() + ":" + analysis.tileHeight() + ":0:0,";
  }

  /** The pictures of the first camera as small as they are in the proxy. */
  private String small() {
    return "fps="
        + cameras.rate()
        + ":start_time=0,"
        + made("-2", analysis.tileHeight(), cameras.first().picture().form());
  }

  /** To a size. The quicker of ffmpeg's two scalers does not take every form of picture. */
  private static String made(String width, int height, Recording.Form form) {
    String size = "w=" + width + ":h=" + height;
    return form.studioHd()
        ? "zscale=" + size + ":filter=bicubic:threads=1,format=yuv420p"
        : "scale=" + size + ":flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p";
  }

  /**
   * The pictures of all cameras side by side; where one began later or ended earlier it stands
   * still.
   */
  private String proxyPictures() {
    if (cameras.isOne()) {
      return "[0:v:0]" + Straightened.filters(cameras.first().picture()) + small();
    }
    CameraGrid grid = cameras.grid();
    StringBuilder graph = new StringBuilder();
    StringBuilder tiles = new StringBuilder();
    for (int c = 0; c < cameras.all().size(); c++) {
      Camera camera = cameras.all().get(c);
      graph.append(
          String.format(
              Locale.ROOT,
              "[%d:v:0]%sfps=%s:start_time=0,%s,pad=%d:%d:0:0,setsar=1%s[tile%d];",
              c,
              camera.filters(0, 0),
              cameras.rate(),
              madeATile(camera),
              analysis.tileWidth(),
              analysis.tileHeight(),
              c == 0 ? "" : ",tpad=stop=-1:stop_mode=clone",
              c));
      tiles.append("[tile").append(c).append(']');
    }
    return graph
        + tiles.toString()
        + Cameras.sideBySide(grid, analysis.tileWidth(), analysis.tileHeight(), true);
  }

  private String madeATile(Camera camera) {
    CameraGrid grid = cameras.grid();
    double across = analysis.tileWidth() / (double) grid.roomAcross();
    double down = analysis.tileHeight() / (double) grid.roomDown();
    return made(
        Integer.toString(AnalysisPictures.even(camera.picture().width() * across)),
        AnalysisPictures.even(camera.picture().height() * down),
        camera.picture().form());
  }

  private List<ShotList> shots(Path small) throws IOException {
    try (InputStream pictures = new BufferedInputStream(Files.newInputStream(small))) {
      return Shots.read(pictures, cameras.rate(), cameras.grid()).stream()
          .map(starts -> ShotList.of(starts, cameras.rate()))
          .toList();
    }
  }
}
