package paringknife.core.letter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.Talk;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Style;

class LetterIntentTest {
  private static final Talk TALK =
      new Talk().speaker("Ada").say("We let the pond run out, and then the pond ran dry.");
  private static final Lettered PLAIN = Lettered.in("sluice");

  private static Lettered after(LetterIntent... intents) {
    Lettered lettered = PLAIN;
    for (LetterIntent intent : intents) {
      lettered = intent.apply(lettered, TALK.transcript());
    }
    return lettered;
  }

  private static List<Cue> cues(Lettered lettered) {
    return CaptionTrack.spoken(
            lettered.with(Breaking.of(6, 2, 40)),
            TALK.clip().cuts(TALK.transcript()),
            List.of(),
            TALK.transcript())
        .cues();
  }

  private static String text(Lettered lettered) {
    return String.join(" ", cues(lettered).stream().map(c -> c.text().replace('\n', ' ')).toList());
  }

  /** The first six words are "We let the pond run out,". */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "We let the pond run out, | We let the pond run out,",
        "We let that pond run out, | We let that pond run out,",
        "We let the big old pond run out, | We let the big old pond run out,",
        "We let the pond out, | We let the pond out,",
        "Something else | Something else",
        "Well, we let the pond run out of it all, | Well, we let the pond run out of it all,",
        "'' | ''",
      })
  void aCaptionReadsAsItIsTyped(String typed, String reads) {
    Lettered lettered = after(new LetterIntent.Retype(seen(0, 5), typed));
    assertThat(text(lettered)).isEqualTo((reads + " and then the pond ran dry.").strip());
    Cue last = cues(lettered).get(cues(lettered).size() - 1);
    assertThat(last.words().get(last.words().size() - 1).span())
        .isEqualTo(
            cues(PLAIN).get(cues(PLAIN).size() - 1).words().get(last.words().size() - 1).span());
  }

  private static List<LetterIntent.Retype.SeenWord> seen(int first, int last) {
    return TALK.transcript().words().subList(first, last + 1).stream()
        .map(w -> new LetterIntent.Retype.SeenWord(w.id(), w.text()))
        .toList();
  }

  @Test
  void linesAreBrokenAsTheyAreTyped() {
    Lettered lettered = after(new LetterIntent.Retype(seen(0, 5), "We\nlet the pond run out,"));
    assertThat(cues(lettered).get(0).text()).isEqualTo("We\nlet the pond run out,");
    assertThat(lettered.editsOf(Lettered.SPOKEN)).contains(new CaptionEdit.LineBefore(1));
    Lettered together =
        new LetterIntent.Retype(seen(0, 5), "We let the pond run out,")
            .apply(lettered, TALK.transcript());
    assertThat(cues(together)).isEqualTo(cues(PLAIN));
    assertThat(together.editsOf(Lettered.SPOKEN))
        .noneMatch(e -> e.subject() == CaptionEdit.Subject.LINE);
  }

  /** What is typed into one caption, however long or short, moves no other. */
  @Test
  void onlyTheCaptionThatIsTypedChanges() {
    List<Cue> before = cues(PLAIN);
    for (String typed : new String[] {"Well", "We let all of the big pond run out, then"}) {
      List<Cue> after = cues(after(new LetterIntent.Retype(seen(0, 5), typed)));
      assertThat(after.subList(1, after.size())).isEqualTo(before.subList(1, before.size()));
      assertThat(after.get(0).text().replace('\n', ' ')).isEqualTo(typed);
      assertThat(after.get(0).span().startUs()).isEqualTo(before.get(0).span().startUs());
    }
  }

  @Test
  void wordsAreReplacedWhereverCaptionsSayThem() {
    List<Long> all = TALK.transcript().words().stream().map(w -> w.id()).toList();
    Lettered lettered = after(new LetterIntent.ReplaceInCaptions(all, "The POND", "it"));
    assertThat(text(lettered)).isEqualTo("We let it run out, and then it ran dry.");
    assertThat(text(after(new LetterIntent.ReplaceInCaptions(all, "dry", "empty"))))
        .endsWith("ran empty.");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> after(new LetterIntent.ReplaceInCaptions(all, "whale", "x")));
  }

  @Test
  void theLaterOfTwoEditsOfOneThingCounts() {
    Lettered lettered =
        after(
            new LetterIntent.EditCaptions(List.of(new CaptionEdit.BreakBefore(3))),
            new LetterIntent.EditCaptions(
                List.of(new CaptionEdit.GoOnWith(3), new CaptionEdit.LineBefore(3))));
    assertThat(lettered.editsOf(Lettered.SPOKEN))
        .containsExactly(new CaptionEdit.GoOnWith(3), new CaptionEdit.LineBefore(3));
    assertThat(
            after(
                    new LetterIntent.EditCaptions(
                        List.of(new CaptionEdit.Key(1), new CaptionEdit.LineBefore(1))),
                    new LetterIntent.LetCaptionsBe(List.of(1L), Set.of(CaptionEdit.Subject.KEY)))
                .editsOf(Lettered.SPOKEN))
        .containsExactly(new CaptionEdit.LineBefore(1));
  }

  @Test
  void captionsAreMovedFromTheirWords() {
    Cue before = cues(PLAIN).get(0);
    long last = before.words().get(before.words().size() - 1).wordId();
    long said = before.words().get(before.words().size() - 1).span().endUs();
    Lettered lettered =
        after(new LetterIntent.Shift(List.of(new LetterIntent.Shift.Ends(0, last, 0, 0)), 100_000));
    Cue moved = cues(lettered).get(0);
    assertThat(moved.span().startUs()).isEqualTo(before.span().startUs() + 100_000);
    assertThat(moved.span().endUs())
        .isEqualTo(Math.min(said + 100_000, cues(PLAIN).get(1).span().startUs()));
    assertThatIllegalArgumentException().isThrownBy(() -> new CaptionEdit.Begin(0, 11_000_000));
  }

  /** A beginning that was set by hand is not moved back for a caption to stand long enough. */
  @Test
  void aShortCaptionBeginsWhereItIsSet() {
    Talk talk = new Talk().speaker("Ada").say("No.").pause(3).say("We let the pond run out.");
    Lettered set =
        new LetterIntent.EditCaptions(List.of(new CaptionEdit.Begin(1, 400_000)))
            .apply(PLAIN, talk.transcript());
    List<Cue> cues =
        CaptionTrack.spoken(
                set.with(Breaking.of(2, 1, 40)),
                talk.clip().cuts(talk.transcript()),
                List.of(),
                talk.transcript())
            .cues();
    assertThat(cues.get(1).span().startUs())
        .isEqualTo(cues.get(1).words().get(0).span().startUs() + 400_000);
  }

  @Test
  void aCaptionStandsWhereNobodySpeaks() {
    Talk talk = new Talk().speaker("Ada").say("It stopped.").pause(3).say("Nobody rang.");
    Lettered lettered =
        new LetterIntent.EditCaptions(
                List.of(new CaptionEdit.Added(1, 800_000, 1_500_000, "the wheel\ncreaks")))
            .apply(PLAIN, talk.transcript());
    List<Cue> cues =
        CaptionTrack.spoken(
                lettered, talk.clip().cuts(talk.transcript()), List.of(), talk.transcript())
            .cues();
    assertThat(cues).hasSize(3);
    assertThat(cues.get(1).text()).isEqualTo("the wheel\ncreaks");
    assertThat(cues.get(1).isAdded()).isTrue();
    assertThat(cues.get(1).span().lengthUs()).isEqualTo(1_500_000);
    assertThat(cues.get(1).span().startUs()).isGreaterThanOrEqualTo(cues.get(0).span().endUs());
  }

  @Test
  void whatWasChangedOfALetteringGoesBackInOneStep() {
    Style changed = Letterings.SLUICE.style().withText(Colour.rgb(0x336699));
    Lettered lettered = after(new LetterIntent.Restyle(changed));
    assertThat(lettered.asSet().style()).isEqualTo(changed);
    assertThat(lettered.asSet().breaking()).isEqualTo(Letterings.SLUICE.breaking());
    assertThat(new LetterIntent.Restyle(null).apply(lettered, TALK.transcript())).isEqualTo(PLAIN);
    Lettered other =
        new LetterIntent.Letter("ledger")
            .apply(
                new LetterIntent.EditCaptions(List.of(new CaptionEdit.Key(2)))
                    .apply(lettered, TALK.transcript()),
                TALK.transcript());
    assertThat(other.asSet()).isEqualTo(Letterings.LEDGER);
    assertThat(other.editsOf(Lettered.SPOKEN)).hasSize(1);
  }

  @Test
  void editsBelongToOneTrack() {
    Lettered lettered =
        new Lettered(
            "sluice",
            null,
            null,
            null,
            null,
            Map.of("de", List.of(new CaptionEdit.BreakBefore(3))),
            Map.of());
    assertThat(lettered.editsOf(Lettered.SPOKEN)).isEmpty();
    assertThat(lettered.editsOf("de")).hasSize(1);
  }
}
