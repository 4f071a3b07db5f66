package paringknife.core.letter.drawn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.Motion;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;
import paringknife.core.letter.style.Tints;
import paringknife.core.letter.style.WordStyle;
import paringknife.core.time.Span;

/** Tags as the ASS v4+ specification and libass have them. */
class AssScriptTest {
  private static final Canvas UPRIGHT = new Canvas(1080, 1920, SafeArea.VERTICAL);

  private static Cue cue(String... words) {
    List<CueWord> said = new java.util.ArrayList<>();
    for (int i = 0; i < words.length; i++) {
      said.add(new CueWord(words[i], new Span(i * 400_000L, i * 400_000L + 350_000), i));
    }
    return new Cue(new Span(0, words.length * 400_000L), List.of(said));
  }

  /** The events of the text; what stands behind it has others. */
  private static List<String> events(Style style, Cue cue) {
    return events(style, cue, 3);
  }

  private static List<String> events(Style style, Cue cue, int layer) {
    return new AssScript(style, UPRIGHT)
        .write(List.of(cue))
        .lines()
        .filter(l -> l.startsWith("Dialogue: " + layer))
        .toList();
  }

  @Test
  void aCaptionGoesOnComingInWhenTheNextWordIsSpoken() {
    List<String> events =
        events(
            Letterings.LEDGER.style().withMotion(Motion.of(new Entrance.Pop(600, 0.5))),
            cue("salt", "water"));
    assertThat(events.get(0)).contains("\\fscx50.0\\fscy50.0\\t(0,600,\\fscx100.0\\fscy100.0)");
    assertThat(events.get(1)).contains("\\t(-400,200,");
    List<String> fading =
        events(
            Letterings.LEDGER.style().withMotion(new Motion(new Entrance.Fade(200), 0, 100)),
            cue("salt", "water"));
    assertThat(fading.get(0)).contains("\\fade(255,0,255,0,200,700,800)");
    assertThat(fading.get(1)).contains("\\fade(255,0,255,-400,-200,300,400)");
    assertThat(
            events(
                Letterings.LEDGER.style().withMotion(Motion.of(new Entrance.Rise(200, 30))),
                cue("salt", "water")))
        .anyMatch(e -> e.contains("\\move(") && e.contains(",0,200)"))
        .anyMatch(e -> e.contains("\\pos("));
  }

  /** What is left out changes nothing about what stays. */
  @Test
  void ofAPartOnlyWhatShowsWithinASpanIsWritten() {
    List<Cue> cues = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      long from = i * 2_000_000L;
      CueWord word = new CueWord("salt" + i, new Span(from, from + 900_000), i);
      cues.add(new Cue(new Span(from, from + 1_000_000), List.of(List.of(word))));
    }
    AssScript.Part all = new AssScript.Part(Letterings.LEDGER.style(), cues);
    List<String> whole = AssScript.write(UPRIGHT, List.of(all)).lines().toList();
    List<String> some =
        AssScript.write(UPRIGHT, List.of(all.within(new Span(2_500_000, 6_500_000))))
            .lines()
            .toList();
    assertThat(some)
        .isEqualTo(whole.stream().filter(l -> !l.matches("Dialogue: \\d+,0:00:0[08].*")).toList());
    assertThat(some).anyMatch(l -> l.contains("salt1")).anyMatch(l -> l.contains("salt3"));
  }

  @Test
  void wordsToComeAreHiddenWhereEachComesWhenItIsSpoken() {
    List<String> events = events(Letterings.TELEGRAPH.style(), cue("salt", "water"));
    assertThat(events.get(0)).contains("salt {\\alpha&HFF&}water");
    assertThat(events.get(1)).doesNotContain("\\alpha");
  }

  /** Hundredths of a second for each word; together they are what is heard until the last. */
  @Test
  void colourRunsThroughTheWordsWithTheSound() {
    String event = events(Letterings.TIDELINE.style(), cue("salt", "water")).get(0);
    assertThat(event).contains("{\\kf35}salt {\\k5}{\\kf35}water");
  }

  @Test
  void whatIsTooWideIsSetSmallerAndEveryLineStaysOnThePicture() {
    for (Lettering lettering : Letterings.all()) {
      Cue wide = cue("Donaudampfschifffahrtsgesellschaftskapitänswitwen", "überqueren");
      CaptionLayout layout = CaptionLayout.of(wide, lettering.style(), UPRIGHT);
      assertThat(layout.left()).as(lettering.id()).isGreaterThanOrEqualTo(0);
      assertThat(layout.right()).as(lettering.id()).isLessThanOrEqualTo(1080);
      assertThat(layout.shrunk()).isLessThan(1);
      assertThat(CaptionLayout.of(cue("a", "mill"), lettering.style(), UPRIGHT).shrunk())
          .isEqualTo(1);
    }
  }

  @Test
  void captionsStandWhereTheyArePutAndNeverBeyondTheEdge() {
    Style low = Letterings.HERON.style().withPlace(new Place(0.02, 1));
    CaptionLayout layout = CaptionLayout.of(cue("salt", "water"), low, UPRIGHT);
    assertThat(layout.bottom()).isCloseTo(1920, within(0.01));
    assertThat(layout.left()).isCloseTo(0, within(0.01));
    CaptionLayout itself = CaptionLayout.of(cue("salt"), Letterings.HERON.style(), UPRIGHT);
    assertThat(itself.bottom()).isCloseTo(1920 * 0.75, within(0.01));
  }

  /** A key word and a word with a colour of its own keep it; nobody known has the text's. */
  @Test
  void speakersAndNumbersHaveTheirColours() {
    Style style =
        Letterings.HERON
            .style()
            .withTints(
                new Tints(
                    List.of(Colour.rgb(0x112233), Colour.rgb(0x445566)), Colour.rgb(0xAABBCC)));
    List<CueWord> words = new ArrayList<>();
    String[] said = {"nobody", "first", "second", "third", "22", "key", "own"};
    int[] speakers = {-1, 0, 1, 2, 1, 1, 1};
    for (int i = 0; i < said.length; i++) {
      WordStyle look =
          said[i].equals("own") ? new WordStyle(Colour.rgb(0x0000FF), 1, false) : WordStyle.PLAIN;
      words.add(
          new CueWord(
              said[i],
              new Span(i * 100_000L, i * 100_000L + 90_000),
              i,
              look,
              said[i].equals("key"),
              speakers[i]));
    }
    String event = events(style, new Cue(new Span(0, 1_000_000), List.of(words))).get(0);
    assertThat(event)
        .contains("}nobody {\\1c&H332211&\\1a&H00&}first{")
        .contains("{\\1c&H665544&\\1a&H00&}second{")
        .contains(" third {")
        .contains("{\\1c&HCCBBAA&\\1a&H00&}22{")
        .contains("{\\1c&H8CC5E8&\\1a&H00&\\fs74.9}key{")
        .contains("{\\1c&HFF0000&\\1a&H00&}own{");
  }

  @Test
  void singleWordsDifferAndTheRestIsAsBefore() {
    CueWord key = new CueWord("bell", new Span(0, 300_000), 0, WordStyle.PLAIN, true, -1);
    CueWord blue =
        new CueWord(
            "rang",
            new Span(300_000, 600_000),
            1,
            new WordStyle(Colour.rgb(0x0000FF), 1.5, false),
            false,
            -1);
    CueWord plain = new CueWord("twice", new Span(600_000, 900_000), 2);
    Cue cue = new Cue(new Span(0, 1_000_000), List.of(List.of(key, blue, plain)));
    String event = events(Letterings.HERON.style(), cue).get(0);
    assertThat(event)
        .contains("{\\1c&H8CC5E8&\\1a&H00&\\fs112.3}bell{\\1c&HE2EEF4&\\1a&H00&\\fs104.0}")
        .contains("{\\1c&HFF0000&\\1a&H00&\\fs156.0}rang{")
        .endsWith(" twice");
  }

  @Test
  void everyLineOfARoundBoxHasItsDrawing() {
    List<String> events = events(Letterings.QUAY.style(), cue("salt", "water"), 0);
    Matcher drawing = Pattern.compile("\\\\p1}(m [-\\d. mlb]+)$").matcher(events.get(0));
    assertThat(drawing.find()).isTrue();
  }

  @Test
  void lettersThatAFaceDoesNotHaveComeFromOneThatDoes() {
    assertThat(events(Letterings.SLUICE.style(), cue("Привет", "ő", "שלום")))
        .allMatch(e -> e.contains("{\\fnNoto Sans SemiBold") && e.contains("Noto Sans Hebrew"))
        .noneMatch(e -> e.contains("Noto Sans SemiBold\\fs128.6\\b0}ő"));
  }

  @Test
  void marksOfDirectionAreNotObeyed() {
    assertThat(DrawnText.harmless("a\u202Eb\u2066c\u200Bd\u200De\u0007f{\\b1}"))
        .isEqualTo("abcd\u200De f(/b1)");
  }

  /** WCAG 2.2 asks for 3 to 1 of large text; no lettering that ships has less behind it. */
  @Test
  void everyLetteringIsReadableAgainstWhatItHasBehindIt() {
    for (Lettering lettering : Letterings.all()) {
      lettering
          .style()
          .contrast()
          .ifPresent(c -> assertThat(c).as(lettering.id()).isGreaterThanOrEqualTo(3));
    }
    assertThat(Letterings.QUAY.style().contrast()).isPresent();
    assertThat(Letterings.EDDY.style().contrast()).isEmpty();
  }

  /** WCAG 2.2, contrast: white on black is 21, the same colour 1. */
  @Test
  void contrastIsMeasuredAsPublished() {
    assertThat(Colour.WHITE.contrast(Colour.rgb(0))).isCloseTo(21, within(0.001));
    assertThat(Colour.WHITE.contrast(Colour.WHITE)).isEqualTo(1);
    assertThat(Colour.rgb(0x767676).contrast(Colour.WHITE)).isCloseTo(4.54, within(0.01));
  }

  /** As wide as it is drawn: a square letter is an em, and none stands off from the next. */
  @Test
  void lettersWithoutBlanksStandSideBySideInTheirOwnFace() {
    String drawn = events(Letterings.LEDGER.style(), cue("船は", "出た。")).get(0);
    assertThat(drawn).contains("船は").contains("出た。").doesNotContain("は ").contains("JP");
    Cue wide = cue("船".repeat(30));
    CaptionLayout layout = CaptionLayout.of(wide, Letterings.LEDGER.style(), UPRIGHT);
    assertThat(layout.left()).isGreaterThanOrEqualTo(0);
    assertThat(layout.shrunk()).isLessThan(1);
  }
}
