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
 * nowhere any more. Several cameras see them at once.
 */
public final class People {
  /** By camera, and by number. */
  private final List<List<Person>> seen;

  private final Map<Integer, Integer> joined;
  private final Map<Integer, String> names;

  private People(
      List<List<Person>> seen, Map<Integer, Integer> joined, Map<Integer, String> names) {
    this.seen = seen.stream().map(List::copyOf).toList();
    this.joined = Map.copyOf(joined);
    this.names = Map.copyOf(names);
  }

  /** As they were found by one camera. */
  public static People found(List<Person> people) {
    return foundBy(List.of(people));
  }

  /**
   * As they were found.
   *
   * @param cameras for each camera all people, in one order
   */
  public static People foundBy(List<List<Person>> cameras) {
    return new People(cameras, Map.of(), Map.of());
  }

  /** What a camera sees of each, by number. */
  public List<Person> on(int camera) {
    return seen.get(camera);
  }

  public int cameras() {
    return seen.size();
  }

  /** How many numbers there are. */
  public int count() {
    return seen.get(0).size();
  }

  /** Whether any camera sees them. */
  public boolean isSeen(int number) {
    return seen.stream().anyMatch(camera -> camera.get(number).isSeen());
  }

  /** Whom a number means; numbers that nobody has mean nobody: -1. */
  public int now(int number) {
    int meant = number;
    while (joined.containsKey(meant)) {
      meant = joined.get(meant);
    }
    return meant >= 0 && meant < count() ? meant : -1;
  }

  /** The name that a producer gave. */
  public Optional<String> nameOf(int number) {
    return Optional.ofNullable(names.get(number));
  }

  /**
   * Corrected by one more.
   *
   * @param shots of each camera
   * @throws IllegalArgumentException when it is about nobody who is seen
   */
  public People with(PeopleCorrection correction, List<ShotList> shots) {
    if (correction instanceof PeopleCorrection.Named named) {
      Map<Integer, String> more = new HashMap<>(names);
      more.put(someone(named.person()), named.name().strip());
      return new People(seen, joined, more);
    }
    if (correction instanceof PeopleCorrection.Joined join) {
      return joined(someone(join.person()), someone(join.into()));
    }
    if (correction instanceof PeopleCorrection.NotThis not) {
      return parted(not, shots);
    }
    int dismissed = someone(((PeopleCorrection.Dismissed) correction).person());
    List<List<Person>> rest = new ArrayList<>();
    for (List<Person> camera : seen) {
      List<Person> here = new ArrayList<>(camera);
      here.set(dismissed, Person.NOBODY);
      rest.add(here);
    }
    return new People(rest, joined, names);
  }

  private int someone(int number) {
    int meant = now(number);
    if (meant < 0 || !isSeen(meant)) {
      throw new IllegalArgumentException("There is no such person in the picture.");
    }
    return meant;
  }

  private People joined(int person, int into) {
    if (person == into) {
      throw new IllegalArgumentException("They are the same already.");
    }
    List<List<Person>> people = new ArrayList<>();
    for (List<Person> camera : seen) {
      List<Person> here = new ArrayList<>(camera);
      here.set(into, together(camera.get(into), camera.get(person).sightings()));
      here.set(person, Person.NOBODY);
      people.add(here);
    }
    Map<Integer, Integer> more = new HashMap<>(joined);
    more.put(person, into);
    Map<Integer, String> named = new HashMap<>(names);
    String name = named.remove(person);
    if (name != null) {
      named.putIfAbsent(into, name);
    }
    return new People(people, more, named);
  }

  private People parted(PeopleCorrection.NotThis not, List<ShotList> shots) {
    int person = someone(not.person());
    int camera = not.camera();
    if (camera < 0 || camera >= cameras()) {
      throw new IllegalArgumentException("There is no such camera.");
    }
    Span shot = shots.get(camera).around(not.atUs());
    Person seenHere = on(camera).get(person);
    List<Person.Sighting> parted = seenHere.seenIn(shot);
    if (parted.isEmpty()) {
      throw new IllegalArgumentException("They are not seen in that shot.");
    }
    List<Person> here = new ArrayList<>(on(camera));
    here.set(
        person,
        new Person(seenHere.sightings().stream().filter(s -> !shot.contains(s.timeUs())).toList()));
    List<List<Person>> people = new ArrayList<>(seen);
    people.set(camera, here);
    if (not.other() < 0) {
      for (int c = 0; c < cameras(); c++) {
        List<Person> more = new ArrayList<>(people.get(c));
        more.add(c == camera ? new Person(parted) : Person.NOBODY);
        people.set(c, more);
      }
    } else {
      int other = someone(not.other());
      if (other == person) {
        throw new IllegalArgumentException("They are the same already.");
      }
      here.set(other, together(here.get(other), parted));
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
