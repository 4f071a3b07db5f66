package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import paringknife.core.steps.Delta;

/**
 * The difference between two states of a transcript, applicable in both directions.
 *
 * @param at index of the first word that differs
 * @param taken words that are there only before, from {@code at} on
 * @param added words that are there only after, from {@code at} on
 * @param namesBefore speakers before; null when they did not change
 * @param namesAfter speakers after; null when they did not change
 * @param choicesBefore paragraph choices before; null when they did not change
 * @param choicesAfter paragraph choices after; null when they did not change
 */
public record TranscriptDelta(
    int at,
    List<Word> taken,
    List<Word> added,
    @Nullable List<String> namesBefore,
    @Nullable List<String> namesAfter,
    @Nullable Map<Long, Boolean> choicesBefore,
    @Nullable Map<Long, Boolean> choicesAfter)
    implements Delta<Transcript> {

  public static TranscriptDelta between(Transcript before, Transcript after) {
    List<Word> a = before.words();
    List<Word> b = after.words();
    int shorter = Math.min(a.size(), b.size());
    int at = 0;
    while (at < shorter && same(a.get(at), b.get(at))) {
      at++;
    }
    int end = 0;
    while (end < shorter - at && same(a.get(a.size() - 1 - end), b.get(b.size() - 1 - end))) {
      end++;
    }
    boolean names = !before.speakers().equals(after.speakers());
    boolean choices = !before.paragraphChoices().equals(after.paragraphChoices());
    return new TranscriptDelta(
        at,
        List.copyOf(a.subList(at, a.size() - end)),
        List.copyOf(b.subList(at, b.size() - end)),
        names ? before.speakers() : null,
        names ? after.speakers() : null,
        choices ? before.paragraphChoices() : null,
        choices ? after.paragraphChoices() : null);
  }

  private static boolean same(Word a, Word b) {
    return a == b || a.equals(b);
  }

  @Override
  public boolean changesNothing() {
    return taken.isEmpty() && added.isEmpty() && namesAfter == null && choicesAfter == null;
  }

  @Override
  public Transcript forwards(Transcript transcript) {
    return exchange(transcript, taken.size(), added, namesAfter, choicesAfter);
  }

  @Override
  public Transcript backwards(Transcript transcript) {
    return exchange(transcript, added.size(), taken, namesBefore, choicesBefore);
  }

  private Transcript exchange(
      Transcript transcript,
      int out,
      List<Word> in,
      @Nullable List<String> names,
      @Nullable Map<Long, Boolean> choices) {
    List<Word> words = new ArrayList<>(transcript.words().size() + in.size());
    words.addAll(transcript.words().subList(0, at));
    words.addAll(in);
    words.addAll(transcript.words().subList(at + out, transcript.words().size()));
    return new Transcript(
        transcript.language(),
        names == null ? transcript.speakers() : names,
        words,
        choices == null ? transcript.paragraphChoices() : choices);
  }
}
