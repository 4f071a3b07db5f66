package paringknife.core.frame.people;

/** What a producer puts right about who is seen; people keep their numbers. */
public sealed interface PeopleCorrection {
  /** Somebody has a name; it is the speaker's of that name who is seen. */
  record Named(int person, String name) implements PeopleCorrection {
    public Named {
      if (name.isBlank() || name.length() > LONGEST_NAME) {
        throw new IllegalArgumentException("A name is of 1 to " + LONGEST_NAME + " characters.");
      }
    }
  }

  /** Two are the same; from then on both numbers mean the second. */
  record Joined(int person, int into) implements PeopleCorrection {}

  /**
   * Who is seen in the shot at a time is not this person.
   *
   * @param camera in which they are not this person, counted from 0
   * @param atUs on the episode's clock
   * @param other who it is; -1 for somebody else
   */
  record NotThis(int person, int camera, long atUs, int other) implements PeopleCorrection {}

  /** A poster, a screen, somebody in the audience: nobody to hold. */
  record Dismissed(int person) implements PeopleCorrection {}

  int LONGEST_NAME = 100;
}
