package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Tells who says each word where every speaker has a microphone: the one that is loudest against
 * its own habit. A word between two words of one other speaker, and hardly quieter there, is theirs
 * too.
 */
public final class SpeakersByMicrophone {
  private static final double HABIT = 0.9;
  private static final double HARDLY_DB = 3;

  private SpeakersByMicrophone() {}

  /** One microphone: its level curve, where it lies, and whose it is. */
  public record Microphone(LevelCurve levels, Placement placement, String speaker) {
    double habit() {
      return levels.percentile(HABIT);
    }

    double level(Word word) {
      long from = placement.toRecording(word.startUs());
      long to = Math.max(from + LevelCurve.WINDOW_US, placement.toRecording(word.endUs()));
      double sum = 0;
      int count = 0;
      for (long us = from; us < to; us += LevelCurve.WINDOW_US) {
        boolean inside = us >= 0 && us < levels.durationUs();
        sum += inside ? Math.max(-90, levels.dbfs()[levels.windowAt(us)]) : -90;
        count++;
      }
      return sum / count;
    }
  }

  /** The transcript with the microphones' speakers, in their order. */
  public static Transcript assign(Transcript transcript, List<Microphone> microphones) {
    List<Word> words = transcript.words();
    double[][] above = new double[microphones.size()][words.size()];
    for (int m = 0; m < microphones.size(); m++) {
      double habit = microphones.get(m).habit();
      for (int w = 0; w < words.size(); w++) {
        above[m][w] = microphones.get(m).level(words.get(w)) - habit;
      }
    }
    int[] speaker = new int[words.size()];
    for (int w = 0; w < words.size(); w++) {
      for (int m = 1; m < microphones.size(); m++) {
        speaker[w] = above[m][w] > above[speaker[w]][w] ? m : speaker[w];
      }
    }
    List<Word> assigned = new ArrayList<>();
    for (int w = 0; w < words.size(); w++) {
      int own = speaker[w];
      if (w > 0
          && w + 1 < words.size()
          && speaker[w - 1] == speaker[w + 1]
          && above[own][w] - above[speaker[w - 1]][w] < HARDLY_DB) {
        own = speaker[w - 1];
      }
      Word word = words.get(w);
      assigned.add(
          new Word(word.id(), word.text(), word.startUs(), word.endUs(), own, word.confidence()));
    }
    return new Transcript(
        transcript.language(), microphones.stream().map(Microphone::speaker).toList(), assigned);
  }
}
