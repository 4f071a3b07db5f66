package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;

/**
 * The people of an episode. Each has a number that stays theirs through all corrections, so that
 * what was set by hand goes on to mean them; who was joined to somebody or dismissed is seen
 * nowhere any more.
 */
public final class People {
  private final List<Person> all;
  private final Map<Integer, Integer> joined;
  private final Map<Integer, String> names;

  private People(List<Person> all, Map<Integer, Integer> joined, Map<Integer, String> names) {
    this.all = List.copyOf(all);
    this.joined = Map.copyOf(joined);
    this.names = Map.copyOf(names);
  }

  /** As they were found. */
  public static People found(List<Person> people) {
    return new People(people, Map.of(), Map.of());
  }

  /** By number. */
  public List<Person> all() {
    return all;
  }

  /** Whom a number means; numbers that nobody has mean nobody: -1. */
  public int now(int number) {
    int meant = number;
    while (joined.containsKey(meant)) {
      meant = joined.get(meant);
    }
    return meant >= 0 && meant < all.size() ? meant : -1;
  }

  /** The name that a producer gave. */
  public Optional<String> nameOf(int number) {
    return Optional.ofNullable(names.get(number));
  }

  /**
   * Corrected by one more.
   *
   * @throws IllegalArgumentException when it is about nobody who is seen
   */
  public People with(PeopleCorrection correction, ShotList shots) {
    if (correction instanceof PeopleCorrection.Named named) {
      Map<Integer, String> more = new HashMap<>(names);
      more.put(seen(named.person()), named.name().strip());
      return new People(all, joined, more);
    }
    if (correction instanceof PeopleCorrection.Joined join) {
      return joined(seen(join.person()), seen(join.into()));
    }
    if (correction instanceof PeopleCorrection.NotThis not) {
      return parted(not, shots);
    }
    List<Person> rest = new ArrayList<>(all);
    rest.set(seen(((PeopleCorrection.Dismissed) correction).person()), Person.NOBODY);
    return new People(rest, joined, names);
  }

  private int seen(int number) {
    int meant = now(number);
    if (meant < 0 || !all.get(meant).isSeen()) {
      throw new IllegalArgumentException("There is no such person in the picture.");
    }
    return meant;
  }

  private People joined(int person, int into) {
    if (person == into) {
      throw new IllegalArgumentException("They are the same already.");
    }
    List<Person> people = new ArrayList<>(all);
    people.set(into, together(all.get(into), all.get(person).sightings()));
    people.set(person, Person.NOBODY);
    Map<Integer, Integer> more = new HashMap<>(joined);
    more.put(person, into);
    Map<Integer, String> named = new HashMap<>(names);
    String name = named.remove(person);
    if (name != null) {
      named.putIfAbsent(into, name);
    }
    return new People(people, more, named);
  }

  private People parted(PeopleCorrection.NotThis not, ShotList shots) {
    int person = seen(not.person());
    Span shot = shots.around(not.atUs());
    List<Person.Sighting> parted = all.get(person).seenIn(shot);
    if (parted.isEmpty()) {
      throw new IllegalArgumentException("They are not seen in that shot.");
    }
    List<Person> people = new ArrayList<>(all);
    people.set(
        person,
        new Person(
            all.get(person).sightings().stream().filter(s -> !shot.contains(s.timeUs())).toList()));
    if (not.other() < 0) {
      people.add(new Person(parted));
    } else {
      int other = seen(not.other());
      if (other == person) {
        throw new IllegalArgumentException("They are the same already.");
      }
      people.set(other, together(all.get(other), parted));
    }
    return new People(people, joined, names);
  }

  /** Where both are seen at once, the first counts. */
  private static Person together(Person person, List<Person.Sighting> more) {
    Map<Long, Person.Sighting> byTime = new TreeMap<>(Comparator.naturalOrder());
    more.forEach(s -> byTime.put(s.timeUs(), s));
    person.sightings().forEach(s -> byTime.put(s.timeUs(), s));
    return new Person(List.copyOf(byTime.values()));
  }
}
