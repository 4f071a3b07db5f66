package paringknife.core.frame;

import java.util.HashSet;
import java.util.List;

/** Who of those in the picture is seen, and how they share the canvas. */
public sealed interface Layout {
  Layout SPEAKER = new Speaker();

  /**
   * Refuses what cannot be shown.
   *
   * @param people how many people are in the picture
   * @throws IllegalArgumentException with a word for the producer
   */
  default void check(int people) {}

  /** Whoever speaks. */
  record Speaker() implements Layout {}

  /** One person. */
  record One(int person) implements Layout {
    @Override
    public void check(int people) {
      checkPerson(person, people);
    }
  }

  /** The middle of the picture. */
  record Middle() implements Layout {}

  /** The whole picture; where the shape is another one, upon a ground. */
  record Whole(Ground ground) implements Layout {}

  /** Several people at once, each in a pane of their own; the first counts as the speaker. */
  record Together(List<Integer> people, Arrangement arrangement) implements Layout {
    private static final int MOST = 4;

    public Together {
      people = List.copyOf(people);
    }

    @Override
    public void check(int inPicture) {
      people.forEach(p -> checkPerson(p, inPicture));
      boolean apart = new HashSet<>(people).size() == people.size();
      if (people.size() < 2 || people.size() > MOST || !apart) {
        throw new IllegalArgumentException("Two to four different people can be shown together.");
      }
    }
  }

  /** Both while two talk across one another, else whoever speaks. */
  record Conversation(Arrangement arrangement) implements Layout {
    @Override
    public void check(int people) {
      if (people < 2) {
        throw new IllegalArgumentException("There are not two people in the picture.");
      }
    }
  }

  private static void checkPerson(int person, int people) {
    if (person < 0 || person >= people) {
      throw new IllegalArgumentException("There is no such person in the picture.");
    }
  }
}
