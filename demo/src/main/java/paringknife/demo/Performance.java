package paringknife.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import paringknife.media.speech.Flite;

/**
 * A script spoken: one dry track a speaker at 16 kHz, the exact time of every word and phone, and
 * what else happened. The same script and seed give the same performance.
 */
final class Performance {
  static final int RATE = 16_000;

  /** A phone with its time on the performance's clock, seconds. */
  record TimedPhone(String name, double start, double end, char speaker) {}

  final Map<Character, float[]> tracks = new HashMap<>();
  final List<SpokenWord> words = new ArrayList<>();
  final List<TimedPhone> phones = new ArrayList<>();
  final List<double[]> bumps = new ArrayList<>();
  double seconds;

  private final Map<Character, List<float[]>> pieces = new HashMap<>();
  private final Map<Character, List<Integer>> places = new HashMap<>();

  static Performance of(Script script, List<Voice> voices, long seed) {
    return new Performance(script, voices, new Random(seed));
  }

  private Performance(Script script, List<Voice> voices, Random random) {
    Map<Character, Flite> flites = new HashMap<>();
    Map<Character, WordTimer> timers = new HashMap<>();
    for (Voice voice : voices) {
      Flite flite = new Flite(voice.flite(), voice.stretch());
      flites.put(voice.letter(), flite);
      timers.put(voice.letter(), new WordTimer(flite, wordsOf(script, voice.letter())));
      pieces.put(voice.letter(), new ArrayList<>());
      places.put(voice.letter(), new ArrayList<>());
    }
    double at = 0.8;
    char last = 0;
    boolean directed = false;
    double end = 0;
    for (Script.Cue cue : script.cues()) {
      if (cue instanceof Script.Pause pause) {
        at += pause.seconds();
        directed = true;
      } else if (cue instanceof Script.Over over) {
        at -= over.seconds();
        directed = true;
      } else if (cue instanceof Script.Bump) {
        bumps.add(new double[] {at + 0.25, at + 0.37});
        at += 0.75;
        directed = true;
      } else if (cue instanceof Script.Line line) {
        if (!directed) {
          at += (line.speaker() == last ? 0.22 : 0.30) + random.nextDouble() * 0.12;
        }
        at = speak(line, flites, timers, at);
        end = Math.max(end, at);
        last = line.speaker();
        directed = false;
      }
    }
    seconds = Math.ceil(end + 1.2);
    words.sort(java.util.Comparator.comparingDouble(SpokenWord::start));
    lay(voices);
    pieces.clear();
  }

  private static List<String> wordsOf(Script script, char speaker) {
    return script.cues().stream()
        .filter(c -> c instanceof Script.Line l && l.speaker() == speaker)
        .flatMap(c -> ((Script.Line) c).words().stream())
        .map(Script.ScriptWord::spoken)
        .toList();
  }

  /** Sentence by sentence, since flite starts its clock anew with each. */
  private double speak(
      Script.Line line, Map<Character, Flite> flites, Map<Character, WordTimer> timers, double at) {
    List<Script.ScriptWord> sentence = new ArrayList<>();
    for (Script.ScriptWord word : line.words()) {
      sentence.add(word);
      if (word.spoken().matches(".*[.?!]$")) {
        at = say(line.speaker(), sentence, flites, timers, at);
        sentence = new ArrayList<>();
      }
    }
    return sentence.isEmpty() ? at : say(line.speaker(), sentence, flites, timers, at);
  }

  private double say(
      char speaker,
      List<Script.ScriptWord> sentence,
      Map<Character, Flite> flites,
      Map<Character, WordTimer> timers,
      double at) {
    String text = String.join(" ", sentence.stream().map(Script.ScriptWord::spoken).toList());
    try {
      Path wav = Files.createTempFile("line", ".wav");
      List<Flite.Phone> spoken = flites.get(speaker).speak(text, wav);
      float[] sound = read(wav);
      Files.delete(wav);
      List<double[]> times =
          timers
              .get(speaker)
              .times(sentence.stream().map(Script.ScriptWord::spoken).toList(), spoken);
      for (int i = 0; i < sentence.size(); i++) {
        words.add(
            new SpokenWord(
                sentence.get(i).spoken(),
                sentence.get(i).written(),
                at + times.get(i)[0],
                at + times.get(i)[1],
                speaker));
      }
      for (Flite.Phone phone : spoken) {
        phones.add(new TimedPhone(phone.name(), at + phone.start(), at + phone.end(), speaker));
      }
      pieces.get(speaker).add(sound);
      places.get(speaker).add((int) Math.round(at * RATE));
      return at + sound.length / (double) RATE;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void lay(List<Voice> voices) {
    for (Voice voice : voices) {
      float[] track = new float[(int) Math.round(seconds * RATE)];
      List<float[]> own = pieces.get(voice.letter());
      for (int p = 0; p < own.size(); p++) {
        int place = places.get(voice.letter()).get(p);
        float[] piece = own.get(p);
        for (int i = 0; i < piece.length && place + i < track.length; i++) {
          track[place + i] += piece[i];
        }
      }
      tracks.put(voice.letter(), track);
    }
  }

  private static float[] read(Path wav) throws IOException {
    byte[] bytes = Files.readAllBytes(wav);
    int header = 44;
    float[] sound = new float[(bytes.length - header) / 2];
    ByteBuffer samples =
        ByteBuffer.wrap(bytes, header, bytes.length - header).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < sound.length; i++) {
      sound[i] = samples.getShort() / 32768f;
    }
    return sound;
  }
}
