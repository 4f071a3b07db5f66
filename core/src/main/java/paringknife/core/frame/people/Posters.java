package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * Tells posters and pictures on screens from people: what never stirs, however often the detector
 * loses it for a moment, or another shot comes between.
 */
final class Posters {
  private Posters() {}

  /** Those that are followed in one camera, without what is a poster. */
  static List<FaceTrack> without(List<FaceTrack> tracks) {
    List<Unstirred> places = new ArrayList<>();
    for (FaceTrack track : tracks) {
      if (track.isUnstirred()) {
        if (places.stream().noneMatch(p -> p.takes(track))) {
          places.add(new Unstirred(track));
        }
      }
    }
    Set<FaceTrack> posters = Collections.newSetFromMap(new IdentityHashMap<>());
    places.stream().filter(p -> p.all.isPicture()).forEach(p -> posters.addAll(p.tracks));
    return tracks.stream().filter(t -> !posters.contains(t)).toList();
  }

  /** What was seen at one place without stirring. */
  private static final class Unstirred {
    private final List<FaceTrack> tracks = new ArrayList<>();
    private FaceTrack all;

    Unstirred(FaceTrack first) {
      tracks.add(first);
      all = first;
    }

    /** Takes in what goes on at this place; answers whether it does. */
    boolean takes(FaceTrack track) {
      FaceTrack both = all.startsNear(track) ? all.and(track) : null;
      if (both == null || !both.isUnstirred()) {
        return false;
      }
      tracks.add(track);
      all = both;
      return true;
    }
  }
}
