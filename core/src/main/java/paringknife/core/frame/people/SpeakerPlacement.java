package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Finds which person in the picture is which speaker: the one whose mouth moves more while that
 * speaker talks than while others do. Each person is one speaker at most.
 */
public final class SpeakerPlacement {
  private final Map<Integer, Integer> personOfSpeaker;

  private SpeakerPlacement(Map<Integer, Integer> personOfSpeaker) {
    this.personOfSpeaker = Map.copyOf(personOfSpeaker);
  }

  private record Pairing(int speaker, int person, double contrast) {}

  public static SpeakerPlacement of(List<Person> people, Transcript transcript) {
    return of(People.found(people), transcript);
  }

  /** By all that is seen and said; who bears a speaker's name is that speaker. */
  public static SpeakerPlacement of(People people, Transcript transcript) {
    Map<Integer, Integer> named = new HashMap<>();
    List<List<Person>> views = new ArrayList<>();
    for (int p = 0; p < people.count(); p++) {
      int speaker = people.nameOf(p).map(transcript.speakers()::indexOf).orElse(-1);
      if (speaker >= 0 && people.isSeen(p)) {
        named.putIfAbsent(speaker, p);
      }
      int person = p;
      views.add(
          IntStream.range(0, people.cameras()).mapToObj(c -> people.on(c).get(person)).toList());
    }
    return completed(named, views, transcript);
  }

  /**
   * During one shot: those who are in it where they are known, and of the others who are in it by
   * what is seen and said during the shot.
   */
  public SpeakerPlacement in(Span shot, List<Person> people, Transcript transcript) {
    Map<Integer, Integer> here = new HashMap<>();
    List<Person> others = new ArrayList<>();
    for (Person person : people) {
      others.add(person.in(shot));
    }
    for (Map.Entry<Integer, Integer> placed : personOfSpeaker.entrySet()) {
      if (others.get(placed.getValue()).isSeen()) {
        here.put(placed.getKey(), placed.getValue());
      }
      others.set(placed.getValue(), Person.NOBODY);
    }
    return completed(here, others.stream().map(List::of).toList(), transcript);
  }

  /**
   * @param people what is seen of each, by camera
   */
  private static SpeakerPlacement completed(
      Map<Integer, Integer> known, List<List<Person>> people, Transcript transcript) {
    List<Pairing> pairings = new ArrayList<>();
    for (int p = 0; p < people.size(); p++) {
      Map<Integer, double[]> motion = motionBySpeaker(people.get(p), transcript);
      double sum = motion.values().stream().mapToDouble(m -> m[0]).sum();
      double count = motion.values().stream().mapToDouble(m -> m[1]).sum();
      for (Map.Entry<Integer, double[]> entry : motion.entrySet()) {
        double own = entry.getValue()[0] / entry.getValue()[1];
        double others = count - entry.getValue()[1];
        double rest = others == 0 ? 0 : (sum - entry.getValue()[0]) / others;
        pairings.add(new Pairing(entry.getKey(), p, own - rest));
      }
    }
    pairings.sort(Comparator.comparingDouble(Pairing::contrast).reversed());
    Map<Integer, Integer> placed = new HashMap<>(known);
    Set<Integer> taken = new HashSet<>(known.values());
    for (Pairing pairing : pairings) {
      if (!placed.containsKey(pairing.speaker()) && taken.add(pairing.person())) {
        placed.put(pairing.speaker(), pairing.person());
      }
    }
    return new SpeakerPlacement(placed);
  }

  private static Map<Integer, double[]> motionBySpeaker(List<Person> views, Transcript transcript) {
    Map<Integer, double[]> motion = new HashMap<>();
    views.forEach(person -> count(person, transcript, motion));
    return motion;
  }

  private static void count(Person person, Transcript transcript, Map<Integer, double[]> motion) {
    for (Person.Sighting sighting : person.sightings()) {
      int at = transcript.firstEndingAfter(sighting.timeUs());
      if (at == transcript.words().size()) {
        break;
      }
      Word word = transcript.words().get(at);
      if (word.startUs() <= sighting.timeUs() && word.speaker() >= 0) {
        double[] sum = motion.computeIfAbsent(word.speaker(), s -> new double[2]);
        sum[0] += sighting.face().mouthMotion();
        sum[1]++;
      }
    }
  }

  /** Index of the person who is a speaker; -1 when they are not in the picture. */
  public int personOf(int speaker) {
    return personOfSpeaker.getOrDefault(speaker, -1);
  }
}
