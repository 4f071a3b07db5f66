package paringknife.core.frame.colour;

import java.util.ArrayList;
import java.util.List;

/**
 * Colours of cameras: made to look like those of one of them, and then changed by hand.
 *
 * @param camera to which they are matched, counted from 0; {@value #TO_NONE} for as recorded
 * @param maps what the colours of each camera become, in their order; none for as recorded
 * @param looks what was changed of each camera's picture besides, in their order; none for nothing
 */
public record CameraColours(int camera, List<ColourMap> maps, List<Look> looks) {
  public static final int TO_NONE = -1;
  public static final CameraColours AS_RECORDED = new CameraColours(TO_NONE, List.of(), List.of());

  public CameraColours {
    maps = List.copyOf(maps);
    // Clips of before there were any have none.
    looks = looks == null ? List.of() : List.copyOf(looks);
    if (looks.stream().anyMatch(Look::mirrored)) {
      throw new IllegalArgumentException("One camera alone cannot be mirrored.");
    }
    for (int c = 0; c < looks.size(); c++) {
      map(maps, looks, c);
    }
  }

  /** The same cameras, looking like one of them, and changed by hand as these were. */
  public CameraColours withLooksOf(CameraColours other) {
    return new CameraColours(camera, maps, other.looks);
  }

  /** With another look of one of the cameras. */
  public CameraColours with(int changed, Look look) {
    if (look == null) {
      throw new IllegalArgumentException("Say how the camera's picture is changed.");
    }
    List<Look> all = new ArrayList<>(looks);
    while (all.size() <= changed) {
      all.add(Look.AS_RECORDED);
    }
    all.set(changed, look);
    return all.stream().allMatch(Look.AS_RECORDED::equals)
        ? new CameraColours(camera, maps, List.of())
        : new CameraColours(camera, maps, all);
  }

  /**
   * Matches all cameras to one of them.
   *
   * @param seen by the cameras, in their order
   * @throws IllegalArgumentException when there is no such camera
   */
  public static CameraColours to(int camera, List<SeenColours> seen) {
    if (camera < 0 || camera >= seen.size()) {
      throw new IllegalArgumentException("There is no such camera.");
    }
    List<ColourMap> maps = new ArrayList<>();
    for (int c = 0; c < seen.size(); c++) {
      maps.add(
          c == camera ? ColourMap.NONE : ColourTransfer.between(seen.get(c), seen.get(camera)));
    }
    return new CameraColours(camera, maps, List.of());
  }

  /** What becomes of the colours of a camera. */
  public ColourMap of(int camera) {
    return map(maps, looks, camera);
  }

  private static ColourMap map(List<ColourMap> maps, List<Look> looks, int camera) {
    ColourMap matched = camera < maps.size() ? maps.get(camera) : ColourMap.NONE;
    return camera < looks.size() ? matched.then(looks.get(camera)) : matched;
  }
}
