package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.ColourMap;
import paringknife.core.time.FrameRate;

/**
 * All cameras of an episode.
 *
 * @param all at least one
 * @param rate the frame rate at which the episode is edited
 */
public record Cameras(List<Camera> all, FrameRate rate) {
  public Cameras {
    all = List.copyOf(all);
  }

  /** One alone. */
  public static Cameras of(Recording recording) {
    return of(recording, List.of());
  }

  /**
   * The recording and others that were lined up with it.
   *
   * @throws UnusableRecording when one has no picture, or there are too many
   */
  public static Cameras of(Recording recording, List<HeardSound> others) {
    if (others.size() >= CameraGrid.MOST) {
      throw new UnusableRecording("More than " + CameraGrid.MOST + " cameras are too many.");
    }
    Camera first = Camera.first(recording);
    List<Camera> all = new ArrayList<>(List.of(first));
    others.forEach(o -> all.add(new Camera(o.recording(), o.placement(), ColourMap.NONE)));
    return new Cameras(all, first.picture().rate());
  }

  /** The recording whose clock is the episode's. */
  public Recording first() {
    return all.get(0).recording();
  }

  boolean isOne() {
    return all.size() == 1;
  }

  /** Where their pictures lie side by side. */
  public CameraGrid grid() {
    return CameraGrid.of(
        all.stream().map(c -> new int[] {c.picture().width(), c.picture().height()}).toList());
  }

  /** With their colours made alike. */
  public Cameras with(CameraColours colours) {
    return new Cameras(
        IntStream.range(0, all.size()).mapToObj(c -> all.get(c).with(colours.of(c))).toList(),
        rate);
  }

  Cameras only(List<Integer> kept) {
    return new Cameras(kept.stream().map(all::get).toList(), rate);
  }

  /**
   * The filter that lays pictures of one size side by side as the grid has them, without its
   * labels.
   *
   * @param wide width of the pictures, pixels
   * @param high likewise their height
   * @param untilFirst whether it ends with the picture that ends first
   */
  static String sideBySide(CameraGrid grid, int wide, int high, boolean untilFirst) {
    List<String> places = new ArrayList<>();
    for (int c = 0; c < grid.cameras(); c++) {
      places.add(c % grid.columns() * wide + "_" + c / grid.columns() * high);
    }
    return String.format(
        Locale.ROOT,
        "xstack=inputs=%d:layout=%s:fill=black%s,setparams=colorspace=bt709:range=tv",
        grid.cameras(),
        places.stream().collect(Collectors.joining("|")),
        untilFirst ? ":shortest=1" : "");
  }
}
