package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Captions of twenty minutes of speech against published rules: BBC Subtitle Guidelines, "Line
 * breaks" and "Timing" (no article or preposition parted from its noun, two lines, no flashing
 * captions); gaps of less than two frames closed (common practice).
 */
class BreakingTest {
  private static final Set<String> BOUND =
      Set.of("a", "an", "the", "of", "to", "in", "on", "at", "with", "from", "my", "two", "five");
  private static final Transcript HOURS_THIRD = madeSpeech(20 * 60);

  /** Sentences of made-up length from words of made-up length, with pauses. */
  private static Transcript madeSpeech(int seconds) {
    Random random = new Random(7);
    String[] vocabulary =
        ("the a of in on mill wheel water to at tide two five harbour with rope from ferry crossed my"
                + " evening slowly lantern kept keeper remembered an old winter against stone quay")
            .split(" ");
    List<Word> words = new ArrayList<>();
    long us = 0;
    int left = 5;
    while (us < seconds * 1_000_000L) {
      String text = vocabulary[random.nextInt(vocabulary.length)];
      left--;
      boolean ends = left == 0 && !BOUND.contains(text);
      if (ends) {
        text += ".";
      } else if (random.nextInt(9) == 0 && !BOUND.contains(text)) {
        text += ",";
      }
      long length = 90_000 + text.length() * 45_000L;
      words.add(new Word(words.size(), text, us, us + length, 0, 1));
      us += length + 20_000 + (ends ? random.nextInt(1_600_000) : random.nextInt(60_000));
      left = ends ? 5 + random.nextInt(14) : Math.max(1, left);
    }
    return new Transcript("en", List.of("Ada"), words);
  }

  private static List<Cue> cues(Breaking breaking) {
    long end = HOURS_THIRD.words().get(HOURS_THIRD.words().size() - 1).endUs();
    CutList whole = new CutList(List.of(new Span(0, end + 1_000_000)), List.of());
    return new CueBreaker(breaking).cues(whole, HOURS_THIRD);
  }

  private static String last(List<CueWord> line) {
    return line.get(line.size() - 1).text();
  }

  @Test
  void wordsThatBelongTogetherStayTogether() {
    List<Cue> cues = cues(Breaking.of(12, 2, 37));
    long parted =
        cues.stream().flatMap(c -> c.lines().stream()).filter(l -> BOUND.contains(last(l))).count();
    long lines = cues.stream().mapToLong(c -> c.lines().size()).sum();
    assertThat(lines).isGreaterThan(400);
    // Runs of such words longer than a caption have to break somewhere.
    assertThat(parted / (double) lines).isLessThan(0.01);
    assertThat(
            cues.stream()
                .flatMap(
                    c -> c.lines().size() < 2 ? java.util.stream.Stream.of() : c.lines().stream()))
        .noneMatch(l -> l.size() == 1 && l.get(0).text().length() < 4);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 7, 12})
  void limitsAndTimesAreKept(int words) {
    Breaking breaking = Breaking.of(words, words < 4 ? 1 : 2, 32);
    List<Cue> cues = cues(breaking);
    for (int i = 0; i < cues.size(); i++) {
      Cue cue = cues.get(i);
      assertThat(cue.words().size()).isBetween(1, words);
      assertThat(cue.lines().size()).isLessThanOrEqualTo(breaking.lines());
      assertThat(cue.span().lengthUs()).isLessThanOrEqualTo(6_000_000);
      if (i > 0) {
        long gap = cue.span().startUs() - cues.get(i - 1).span().endUs();
        assertThat(gap).isNotNegative();
        assertThat(gap == 0 || gap >= 80_000).as("gap of %d", gap).isTrue();
      }
    }
    assertThat(cues.stream().mapToInt(c -> c.words().size()).sum())
        .isEqualTo(HOURS_THIRD.words().size());
  }

  /** A caption of several words stands half a second wherever there is room for it. */
  @Test
  void captionsStandLongEnoughToBeSeen() {
    assertThat(cues(Breaking.of(12, 2, 37))).allMatch(c -> c.span().lengthUs() >= 500_000);
  }

  @Test
  void sentencesAreWholeWhereTheyHaveRoom() {
    List<Cue> cues = cues(Breaking.of(1, 3, 60).bySentences());
    // The last sentence has no end. Longer ones do not fit into the six seconds that a caption
    // stands at most.
    assertThat(cues.subList(0, cues.size() - 1))
        .filteredOn(c -> !last(c.words()).endsWith("."))
        .allMatch(c -> sentenceUs(c.words().get(0).wordId()) > 5_000_000);
    assertThat(cues)
        .noneMatch(
            c ->
                c.words().subList(0, c.words().size() - 1).stream()
                    .anyMatch(w -> w.text().endsWith(".")));
  }

  private static long sentenceUs(long wordId) {
    int from = (int) wordId;
    while (from > 0 && !HOURS_THIRD.words().get(from - 1).endsSentence()) {
      from--;
    }
    int to = from;
    while (to + 1 < HOURS_THIRD.words().size() && !HOURS_THIRD.words().get(to).endsSentence()) {
      to++;
    }
    return HOURS_THIRD.words().get(to).endUs() - HOURS_THIRD.words().get(from).startUs();
  }

  @Test
  void theLowerLineIsTheWiderOneByChoice() {
    Breaking even = Breaking.of(12, 2, 30);
    Breaking lower =
        new Breaking(12, 2, 30, false, Breaking.LineShape.WIDE_LOWER, Breaking.Timing.USUAL);
    assertThat(share(cues(lower))).isGreaterThan(0.85).isGreaterThan(share(cues(even)) + 0.2);
  }

  private static double share(List<Cue> cues) {
    List<Cue> two = cues.stream().filter(c -> c.lines().size() == 2).toList();
    return two.stream().filter(c -> length(c.lines().get(1)) >= length(c.lines().get(0))).count()
        / (double) two.size();
  }

  private static int length(List<CueWord> line) {
    return line.stream().mapToInt(w -> w.text().length() + 1).sum();
  }

  @Test
  void numbersStayWithWhatTheyCount() {
    Talk talk = new Talk().speaker("Ada").say("We raised the gate by 25 centimetres that night.");
    List<Cue> cues =
        new CueBreaker(Breaking.of(4, 2, 16))
            .cues(talk.clip().cuts(talk.transcript()), talk.transcript());
    assertThat(cues.stream().flatMap(c -> c.lines().stream())).noneMatch(l -> last(l).equals("25"));
  }

  /** Half as many letters as of the Latin alphabet (East Asian Width, UAX 11), and no blanks. */
  @Test
  void squareLettersTakeTwiceTheRoom() {
    List<Word> words = new ArrayList<>();
    for (int i = 0; i < 60; i++) {
      String text = i % 12 == 11 ? "ました。" : i % 2 == 0 ? "渡し船" : "が";
      words.add(new Word(i, text, i * 300_000L, i * 300_000L + 280_000, 0, 1));
    }
    Transcript japanese = new Transcript("ja", List.of("A"), words);
    CutList whole = new CutList(List.of(new Span(0, 60 * 300_000L)), List.of());
    List<Cue> cues = new CueBreaker(Breaking.of(12, 2, 32)).cues(whole, japanese);
    for (Cue cue : cues) {
      assertThat(cue.text()).doesNotContain(" ");
      assertThat(cue.text().lines()).allMatch(l -> l.length() * 2 <= 32, cue.text());
    }
    assertThat(cues.stream().filter(c -> c.text().endsWith("。")))
        .as("captions end with sentences where they can")
        .hasSize(5);
  }

  @Test
  void whatNoCaptionCanBeIsRefused() {
    assertThatIllegalArgumentException().isThrownBy(() -> Breaking.of(0, 1, 20));
    assertThatIllegalArgumentException().isThrownBy(() -> Breaking.of(4, 9, 20));
    assertThatIllegalArgumentException().isThrownBy(() -> Breaking.of(4, 2, 3));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Breaking.Timing(2_000_000, 1_000_000, 0));
  }
}
