package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.time.FrameRate;

/**
 * A face 200 pixels wide at 600 across and 200 down, seen for 20 s, in two cameras side by side.
 */
class FaceCheckTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final CameraGrid GRID =
      CameraGrid.of(List.of(new int[] {1280, 720}, new int[] {1280, 720}));
  private static final List<PictureRun> RUNS = List.of(new PictureRun(0, 0, 1000, false));
  private static final FaceCheck CHECK =
      new FaceCheck(
          new FilmedFaces(
              GRID, People.foundBy(List.of(List.of(Person.NOBODY), List.of(seen()))), RUNS, RATE));

  private static Person seen() {
    List<Person.Sighting> sightings = new ArrayList<>();
    for (long us = 0; us < 20_000_000; us += 200_000) {
      sightings.add(
          new Person.Sighting(us, new Face(600 / 1280.0, 200 / 720.0, 200 / 1280.0, 0.35, 1)));
    }
    return new Person(sightings);
  }

  private static FramePath.Segment segment(long from, long count, double x, double high) {
    Window window = new Window(1280 + x, 100, 400, high);
    return new FramePath.Segment(
        from,
        count,
        List.of(new FramePath.Pane(Place.WHOLE, 0, List.of(window))),
        Ground.DARK,
        FramePath.BY_ITSELF);
  }

  private static List<FaceWarning> of(FramePath.Segment... segments) {
    return CHECK.of(new FramePath(List.of(segments)));
  }

  @Test
  void aFaceThatIsCutIsSaidToBeWhereItIs() {
    assertThat(of(segment(0, 100, 500, 600))).isEmpty();
    assertThat(of(segment(0, 100, 500, 600), segment(100, 50, 700, 601)))
        .containsExactly(new FaceWarning(1, FaceWarning.Problem.CUT));
  }

  @Test
  void aFaceThatIsLostOnASmallScreenIsSaidToBeSmall() {
    Window whole = new Window(1280, 0, 1280, 720);
    FramePath.Pane pane = new FramePath.Pane(new Place(0, 0.9, 1, 0.1), 0, List.of(whole));
    assertThat(of(new FramePath.Segment(0, 100, List.of(pane), Ground.DARK, FramePath.BY_ITSELF)))
        .containsExactly(new FaceWarning(0, FaceWarning.Problem.SMALL));
  }

  /** After 20 s nobody was found any more: nothing is said of what is not known. */
  @Test
  void whereNoFaceIsKnownNothingIsSaid() {
    assertThat(of(segment(600, 100, 900, 600))).isEmpty();
  }
}
