package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.Talk;
import paringknife.core.listen.LevelCurve;

class BriefSentenceTest {
  private static final Brief BEFORE = new Brief(4, 20_000_000, 50_000_000, List.of("locks"));

  @Test
  void aWholeBriefIsReadFromOneSentence() {
    BriefSentence.Understood read =
        BriefSentence.read("Three clips under a minute about ice, nothing with swearing", BEFORE);
    assertThat(read.brief().count()).isEqualTo(3);
    assertThat(read.brief().longestUs()).isEqualTo(60_000_000);
    assertThat(read.brief().subjects()).containsExactly("ice");
    assertThat(read.brief().unheard()).contains("damn");
    assertThat(read.understood())
        .containsExactly("3 picks", "at most 60 s", "no swearing", "about ice");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "5 moments between 20 and 40 seconds | 5 | 20 | 40",
        "two short clips of 30 to 45 s | 2 | 30 | 45",
        "clips of at least half a minute and at most 90 seconds | 4 | 30 | 90",
        "one pick, about 30 seconds | 1 | 24 | 36",
        "ten pieces no longer than 15 secs | 10 | 5 | 15",
        "hello there | 4 | 20 | 50"
      })
  void lengthsAndCountsAreReadInManyWords(String sentence, int count, int shortest, int longest) {
    Brief brief = BriefSentence.read(sentence, BEFORE).brief();
    assertThat(brief.count()).isEqualTo(count);
    assertThat(brief.shortestUs()).isEqualTo(shortest * 1_000_000L);
    assertThat(brief.longestUs()).isEqualTo(longest * 1_000_000L);
  }

  @Test
  void subjectsWantedAndAvoidedAreToldApart() {
    Brief brief =
        BriefSentence.read(
                "four clips about the ferry and night bells but not about money, without the council",
                BEFORE)
            .brief();
    assertThat(brief.subjects()).containsExactly("ferry", "night bells");
    assertThat(brief.avoid()).containsExactly("money", "council");
  }

  @Test
  void aLengthIsNoSubject() {
    assertThat(
            BriefSentence.read("two clips of 20 to 40 seconds about ice", BEFORE)
                .brief()
                .subjects())
        .containsExactly("ice");
    assertThat(
            BriefSentence.read("one clip of about 30 seconds on the ferry", BEFORE)
                .brief()
                .subjects())
        .containsExactly("ferry");
  }

  @Test
  void theSameSentenceAlwaysReadsTheSame() {
    String sentence = "three clips under a minute about ice";
    assertThat(BriefSentence.read(sentence, BEFORE))
        .isEqualTo(BriefSentence.read(sentence, BEFORE));
  }

  @Test
  void whatMustNotBeHeardIsNeverPickedAndWhatIsAvoidedComesLast() {
    Talk talk = new Talk().speaker("A");
    for (int i = 0; i < 6; i++) {
      talk.say(
              "The ferry crosses the river in the early morning light. Nobody rings the bell before the tide.")
          .pause(1);
    }
    talk.say(
            "The damn council sends a letter about the money again. They want all of it by the end.")
        .pause(1);
    PickFinder finder =
        new PickFinder(talk.transcript(), new LevelCurve(new float[0]), new EnglishForms());
    Brief brief = new Brief(20, 5_000_000, 8_000_000, List.of(), List.of(), List.of("damn"));
    assertThat(finder.find(brief))
        .isNotEmpty()
        .noneMatch(p -> talk.transcript().text(p.first(), p.last() + 1).contains("damn"));
    Brief avoiding = new Brief(20, 5_000_000, 8_000_000, List.of(), List.of("money"), List.of());
    List<Pick> picks = finder.find(avoiding);
    double worst = picks.stream().mapToDouble(Pick::score).min().orElseThrow();
    assertThat(picks)
        .filteredOn(p -> talk.transcript().text(p.first(), p.last() + 1).contains("money"))
        .allMatch(p -> p.score() == worst && p.reasons().toString().contains("avoids"));
  }
}
