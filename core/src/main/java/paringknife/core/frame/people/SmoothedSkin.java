package paringknife.core.frame.people;

import java.util.List;

/**
 * Faces whose skin is smoothed.
 *
 * @param amount how much, 0 for not at all to 1
 */
public record SmoothedSkin(double amount, List<FollowedFace> faces) {
  public static final SmoothedSkin NONE = new SmoothedSkin(0, List.of());

  public SmoothedSkin {
    faces = List.copyOf(faces);
  }
}
