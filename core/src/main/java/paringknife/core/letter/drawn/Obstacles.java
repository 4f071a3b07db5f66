package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.ShownFace;

/**
 * What captions keep clear of.
 *
 * @param faces where they are seen, moment by moment
 * @param standing what stands in one place all the time
 */
public record Obstacles(List<ShownFace> faces, List<StandingBox> standing) {
  public static final Obstacles NONE = of(List.of());

  /**
   * A part of the canvas.
   *
   * @param x left edge, as a share of the canvas's width
   * @param y upper edge, as a share of its height
   */
  public record StandingBox(double x, double y, double width, double height) {}

  public Obstacles {
    faces = List.copyOf(faces);
    standing = List.copyOf(standing);
  }

  /** Faces and nothing else. */
  public static Obstacles of(List<ShownFace> faces) {
    return new Obstacles(faces, List.of());
  }

  /** With something more that stands. */
  public Obstacles and(StandingBox box) {
    List<StandingBox> all = new ArrayList<>(standing);
    all.add(box);
    return new Obstacles(faces, all);
  }

  /** Whether there is nothing to keep clear of. */
  public boolean isNone() {
    return faces.isEmpty() && standing.isEmpty();
  }
}
