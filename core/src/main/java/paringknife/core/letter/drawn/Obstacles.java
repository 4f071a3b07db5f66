package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.ShownFace;
import paringknife.core.frame.ShownText;

/**
 * What captions keep clear of.
 *
 * @param faces where they are seen, moment by moment
 * @param texts of the recording's own picture
 * @param standing what stands in one place all the time
 */
public record Obstacles(List<ShownFace> faces, List<ShownText> texts, List<StandingBox> standing) {
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
    texts = List.copyOf(texts);
    standing = List.copyOf(standing);
  }

  /** Faces and nothing else. */
  public static Obstacles of(List<ShownFace> faces) {
    return new Obstacles(faces, List.of(), List.of());
  }

  /** With the text that is in the picture. */
  public Obstacles andTexts(List<ShownText> more) {
    return new Obstacles(faces, more, standing);
  }

  /** With something more that stands. */
  public Obstacles and(StandingBox box) {
    List<StandingBox> all = new ArrayList<>(standing);
    all.add(box);
    return new Obstacles(faces, texts, all);
  }

  /** Whether there is nothing to keep clear of. */
  public boolean isNone() {
    return faces.isEmpty() && texts.isEmpty() && standing.isEmpty();
  }
}
