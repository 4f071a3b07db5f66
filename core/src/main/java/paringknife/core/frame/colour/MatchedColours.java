package paringknife.core.frame.colour;

import java.util.ArrayList;
import java.util.List;

/**
 * Cameras whose colours are made to look like those of one of them.
 *
 * @param camera to which they are matched, counted from 0; {@value #TO_NONE} for as recorded
 * @param maps what the colours of each camera become, in their order; none for as recorded
 */
public record MatchedColours(int camera, List<ColourMap> maps) {
  public static final int TO_NONE = -1;
  public static final MatchedColours AS_RECORDED = new MatchedColours(TO_NONE, List.of());

  public MatchedColours {
    maps = List.copyOf(maps);
  }

  /**
   * Matches all cameras to one of them.
   *
   * @param seen by the cameras, in their order
   * @throws IllegalArgumentException when there is no such camera
   */
  public static MatchedColours to(int camera, List<SeenColours> seen) {
    if (camera < 0 || camera >= seen.size()) {
      throw new IllegalArgumentException("There is no such camera.");
    }
    List<ColourMap> maps = new ArrayList<>();
    for (int c = 0; c < seen.size(); c++) {
      maps.add(
          c == camera ? ColourMap.NONE : ColourTransfer.between(seen.get(c), seen.get(camera)));
    }
    return new MatchedColours(camera, maps);
  }

  /** What becomes of the colours of a camera. */
  public ColourMap of(int camera) {
    return camera < maps.size() ? maps.get(camera) : ColourMap.NONE;
  }
}
