package paringknife.core.pare;

import java.util.List;

/**
 * The same thing said more than once.
 *
 * @param attempts in order of time, at least two; each reaches up to the next
 */
public record RepeatGroup(List<Attempt> attempts) {
  public RepeatGroup {
    attempts = List.copyOf(attempts);
    if (attempts.size() < 2) {
      throw new IllegalArgumentException("one attempt is no repeat");
    }
  }

  /** Word indexes of an attempt, both included. */
  public record Attempt(int first, int last) {
    public int words() {
      return last - first + 1;
    }
  }

  /** The attempts that go when one is kept. */
  public List<Attempt> without(int kept) {
    return java.util.stream.IntStream.range(0, attempts.size())
        .filter(i -> i != kept)
        .mapToObj(attempts::get)
        .toList();
  }

  public int indexOfLast() {
    return attempts.size() - 1;
  }

  /** The attempt with most words; the later one of two alike. */
  public int indexOfLongest() {
    int longest = 0;
    for (int i = 1; i < attempts.size(); i++) {
      longest = attempts.get(i).words() >= attempts.get(longest).words() ? i : longest;
    }
    return longest;
  }
}
