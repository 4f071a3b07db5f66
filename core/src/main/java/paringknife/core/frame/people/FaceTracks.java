package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import paringknife.core.time.Span;

/**
 * Follows faces from picture to picture through one shot. Of all faces and all that are followed
 * those that lie nearest are put together first, by distance in pixels and by how much they
 * overlap; at most {@value #REACH} face widths away and after {@value #LONGEST_GAP_US} microseconds
 * without a sighting. No track reaches across a shot.
 */
final class FaceTracks {
  private static final double REACH = 1.0;
  private static final long LONGEST_GAP_US = 1_000_000;

  private final int camera;
  private final double pictureRatio;

  /**
   * @param camera in which is looked, counted from 0
   * @param pictureRatio width of the picture by its height
   */
  FaceTracks(int camera, double pictureRatio) {
    this.camera = camera;
    this.pictureRatio = pictureRatio;
  }

  private record Pairing(FaceTrack track, Face face, double apart) {}

  /** The tracks of the samples that lie in a shot. */
  List<FaceTrack> in(Span shot, List<FaceSample> samples) {
    List<FaceTrack> tracks = new ArrayList<>();
    List<FaceTrack> open = new ArrayList<>();
    for (FaceSample sample : samples) {
      if (!shot.contains(sample.timeUs())) {
        continue;
      }
      open.removeIf(t -> sample.timeUs() - t.last().timeUs() > LONGEST_GAP_US);
      for (Face face : continued(open, sample)) {
        FaceTrack begun = new FaceTrack(camera, new ArrayList<>());
        begun.sightings().add(new Person.Sighting(sample.timeUs(), face));
        open.add(begun);
        tracks.add(begun);
      }
    }
    return tracks;
  }

  /** Lengthens the tracks by the faces that are theirs; answers the other faces. */
  private List<Face> continued(List<FaceTrack> open, FaceSample sample) {
    List<Pairing> pairings = new ArrayList<>();
    for (FaceTrack track : open) {
      for (Face face : sample.faces()) {
        double apart = apart(track.last().face(), face);
        if (apart <= REACH) {
          pairings.add(new Pairing(track, face, apart - track.last().face().overlap(face)));
        }
      }
    }
    pairings.sort(Comparator.comparingDouble(Pairing::apart));
    List<Face> free = new ArrayList<>(sample.faces());
    Set<Object> placed = Collections.newSetFromMap(new IdentityHashMap<>());
    for (Pairing pairing : pairings) {
      if (!placed.contains(pairing.track()) && placed.add(pairing.face())) {
        placed.add(pairing.track());
        pairing.track().sightings().add(new Person.Sighting(sample.timeUs(), pairing.face()));
        free.remove(pairing.face());
      }
    }
    return free;
  }

  /** How far the middles of two faces are from one another, in widths of the second. */
  double apart(Face a, Face b) {
    double across = (a.middleX() - b.middleX()) * pictureRatio;
    double down = a.y() + a.height() / 2 - b.y() - b.height() / 2;
    return Math.hypot(across, down) / (b.width() * pictureRatio);
  }
}
