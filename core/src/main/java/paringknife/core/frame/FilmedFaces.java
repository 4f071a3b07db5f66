package paringknife.core.frame;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * The faces of an episode at the frames of a clip.
 *
 * @param runs what of the recording's picture plays
 */
record FilmedFaces(CameraGrid grid, People people, List<PictureRun> runs, FrameRate rate) {
  /** A face that was not found for longer is not known. */
  private static final long STALE_US = 600_000;

  /** When on the episode's clock a frame of the clip was filmed. */
  long episodeUs(long clipFrame) {
    return new FilmedTime(runs, rate).episodeUs(clipFrame);
  }

  /** The box of a face in the grid; null where it is not known. */
  @Nullable Face faceAt(int number, Window window, long us) {
    if (number < 0 || number >= people.count()) {
      return null;
    }
    int camera = grid.cameraAt(window.middleX(), window.middleY());
    Person person = people.on(camera).get(number);
    if (person.seenIn(new Span(us - STALE_US, us + STALE_US)).isEmpty()) {
      return null;
    }
    return grid.cells().get(camera).inGrid(person.faceAt(us));
  }
}
