package paringknife.core.frame.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PersonTest {
  private static final long STEP_US = 200_000;

  /** Somebody who walks, looked for in every so many pictures; between, the place is taken over. */
  private static Person walker(int every) {
    List<Person.Sighting> sightings = new ArrayList<>();
    for (int n = 0; n < 60; n++) {
      double found = 0.1 + 0.008 * (n - n % every);
      sightings.add(new Person.Sighting(n * STEP_US, new Face(found, 0.3, 0.1, 0.2, n % 2)));
    }
    return new Person(sightings);
  }

  @Test
  void aFaceThatIsSeldomLookedForDoesNotLagBehind() {
    for (int every : new int[] {1, 2, 3, 5}) {
      Person walker = walker(every);
      for (long us = STEP_US; us < 50 * STEP_US; us += 70_000) {
        assertThat(walker.faceAt(us).x())
            .as("every %d, at %d", every, us)
            .isCloseTo(0.1 + 0.008 * us / STEP_US, within(1e-9));
      }
    }
  }

  @Test
  void whoSitsStillForLongIsWhereTheyWereFound() {
    List<Person.Sighting> sightings = new ArrayList<>();
    for (int n = 0; n < 100; n++) {
      sightings.add(
          new Person.Sighting(n * STEP_US, new Face(n < 80 ? 0.3 : 0.5, 0.3, 0.1, 0.2, 0)));
    }
    assertThat(new Person(sightings).faceAt(40 * STEP_US + 1).x()).isEqualTo(0.3);
  }
}
