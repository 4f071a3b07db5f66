package paringknife.core.letter.translated;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.Xliff;
import paringknife.core.letter.CaptionTracks;
import paringknife.core.letter.LetterIntent;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.translated.TranslatedSentence.State;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Sentences in another language: what they belong to, what becomes of them, ways out and in. */
class TranslationTest {
  private static final Transcript TALK =
      new Talk()
          .speaker("Ada")
          .say("Nobody rang the bell.")
          .pause(0.4)
          .say("He rowed, um, across anyway.")
          .speaker("Ben")
          .say("And then?")
          .transcript();

  private static CutList whole() {
    return cuts(new Span(0, 5_000_000));
  }

  private static CutList cuts(Span... kept) {
    return new CutList(List.of(kept), List.of());
  }

  private static List<SaidSentence> said(CutList cuts, Transcript transcript) {
    return SaidSentence.of(cuts, transcript, List.of());
  }

  private static TranslatedSentence german(int first, int last, String source, String text) {
    return new TranslatedSentence(first, last, source, text, State.REVIEWED);
  }

  private static final List<TranslatedSentence> GERMAN =
      List.of(
          german(0, 3, "Nobody rang the bell.", "Niemand läutete die Glocke."),
          german(4, 8, "He rowed, um, across anyway.", "Er ruderte trotzdem hinüber."),
          german(9, 10, "And then?", "Und dann?"));

  private static SentencePair.Paired paired(CutList cuts, Transcript transcript) {
    return SentencePair.pair(said(cuts, transcript), GERMAN, transcript);
  }

  @Test
  void sentencesEndAtTheirMarksAndWhereSomebodyElseSpeaks() {
    Transcript unmarked =
        new Talk().speaker("Ada").say("so it went").speaker("Ben").say("it did").transcript();
    assertThat(said(whole(), unmarked))
        .extracting(SaidSentence::text)
        .containsExactly("so it went", "it did");
    assertThat(said(whole(), TALK))
        .extracting(SaidSentence::text)
        .containsExactly("Nobody rang the bell.", "He rowed, um, across anyway.", "And then?");
  }

  /** The filler is pared: the sentence stays with its translation, which is marked. */
  @Test
  void aTranslationStaysWithItsSentenceAndSaysWhenThatChanged() {
    Word filler = TALK.words().get(6);
    CutList pared =
        cuts(new Span(0, filler.startUs() - 10_000), new Span(filler.endUs() + 10_000, 5_000_000));
    SentencePair.Paired paired = paired(pared, TALK);
    assertThat(paired.unplaced()).isEmpty();
    assertThat(paired.pairs())
        .extracting(SentencePair::isChanged)
        .containsExactly(false, true, false);
    assertThat(paired.pairs().get(1).said().text()).isEqualTo("He rowed across anyway.");
    assertThat(paired.pairs().get(1).text()).isEqualTo("Er ruderte trotzdem hinüber.");
  }

  @Test
  void whatIsNotSaidAnyMoreIsToldAndKept() {
    CutList first = cuts(new Span(0, TALK.words().get(3).endUs() + 10_000));
    SentencePair.Paired paired = paired(first, TALK);
    assertThat(paired.pairs()).hasSize(1);
    assertThat(paired.unplaced())
        .extracting(TranslatedSentence::text)
        .containsExactly("Er ruderte trotzdem hinüber.", "Und dann?");
    assertThat(paired(whole(), TALK).unplaced()).as("put back").isEmpty();
  }

  /** Words that a correction put in have identities beyond all others. */
  @Test
  void aSentenceThatLostOneOfItsEndsToACorrectionIsFoundByTheOther() {
    List<Word> words = new ArrayList<>(TALK.words());
    Word first = words.get(0);
    words.set(0, new Word(900, "No-one", first.startUs(), first.endUs(), 0, 1));
    Transcript corrected = TALK.withWords(words);
    SentencePair pair = paired(whole(), corrected).pairs().get(0);
    assertThat(pair.text()).isEqualTo("Niemand läutete die Glocke.");
    assertThat(pair.isChanged()).isTrue();
  }

  @Test
  void aSentenceTakesThePlaceOfWhatWasAboutItsWords() {
    Translation translation =
        new Translation(CaptionUse.BOTH, GERMAN)
            .with(List.of(german(4, 8, "He rowed across anyway.", "Er fuhr doch.")), TALK);
    assertThat(translation.sentences()).hasSize(3);
    assertThat(translation.sentences())
        .extracting(TranslatedSentence::text)
        .contains("Er fuhr doch.")
        .doesNotContain("Er ruderte trotzdem hinüber.");
  }

  /** Broken within the time in which the sentence is said; what is open is not shown. */
  @Test
  void captionsStandWhileTheirSentenceIsSaid() {
    List<SentencePair> pairs = new ArrayList<>(paired(whole(), TALK).pairs());
    SentencePair last = pairs.get(2);
    pairs.set(2, new SentencePair(last.said(), last.as("[And] [then?]", State.OPEN)));
    List<Cue> cues = new TranslatedCues(Breaking.of(2, 1, 20), "de").of(pairs, 5_000_000);
    assertThat(cues)
        .extracting(Cue::text)
        .containsExactly("Niemand läutete", "die Glocke.", "Er ruderte", "trotzdem hinüber.");
    for (int i = 0; i < cues.size(); i++) {
      Span sentence = pairs.get(i / 2).said().span();
      assertThat(cues.get(i).span().startUs()).isBetween(sentence.startUs(), sentence.endUs());
      assertThat(cues.get(i).span().endUs())
          .isLessThanOrEqualTo(pairs.get(i / 2 + 1).said().span().startUs());
    }
  }

  private static Lettered lettered(LetterIntent... intents) {
    Lettered lettered = Lettered.in("sluice");
    for (LetterIntent intent : intents) {
      lettered = intent.apply(lettered, TALK);
    }
    return lettered;
  }

  @Test
  void aPictureHasRoomForTwoLanguages() {
    Lettered two = lettered(new LetterIntent.UseLanguage("de", CaptionUse.BURNT));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new LetterIntent.UseLanguage("ar", CaptionUse.BOTH).apply(two, TALK))
        .withMessageContaining("two languages");
    assertThat(
            new LetterIntent.UseLanguage("ar", CaptionUse.BESIDE).apply(two, TALK).translations())
        .hasSize(2);
    assertThat(new LetterIntent.DropLanguage("de").apply(two, TALK).translations()).isEmpty();
  }

  /** A proposal that comes late does not overtake what was typed while it was worked out. */
  @Test
  void proposalsAreTakenForWhatIsStillOpen() {
    Lettered typed = lettered(new LetterIntent.Translate("de", GERMAN.subList(0, 1)));
    List<TranslatedSentence> proposed =
        GERMAN.subList(0, 2).stream()
            .map(
                s ->
                    new TranslatedSentence(
                        s.first(),
                        s.last(),
                        s.source(),
                        "Vorschlag",
                        TranslatedSentence.State.PROPOSED))
            .toList();
    List<TranslatedSentence> taken =
        new LetterIntent.TakeProposals("de", proposed)
            .apply(typed, TALK)
            .translation("de")
            .sentences();
    assertThat(taken).containsExactlyInAnyOrder(GERMAN.get(0), proposed.get(1));
  }

  @Test
  void whatIsStillOpenIsCounted() {
    Lettered begun = lettered(new LetterIntent.Translate("de", GERMAN.subList(0, 2)));
    CaptionTracks tracks = CaptionTracks.of(begun, whole(), List.of(), TALK);
    assertThat(tracks.in("de").open()).isEqualTo(1);
    assertThat(tracks.in("de").lettering().style().mark().changes())
        .as("a word is marked")
        .isFalse();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "und",
        "x",
        "german language",
        "de_AT",
        "../etc",
        "en\nde",
        "de-",
        "a-very-long-tag-that-is-none-whatever-it-may-say"
      })
  void whatIsNoLanguageTagIsRefused(String tag) {
    assertThatIllegalArgumentException().isThrownBy(() -> Translation.language(tag));
  }

  /** Tags of RFC 5646, appendix A. */
  @ParameterizedTest
  @ValueSource(strings = {"de", "zh-Hant", "sr-Latn-RS", "es-419", "de-CH-1901"})
  void languageTagsAreTaken(String tag) {
    assertThat(Translation.language(tag)).isEqualTo(tag);
  }

  private static TranslationFile file(double speed) {
    return new TranslationFile(
        SentencePair.pair(said(whole(), TALK), List.of(), TALK).pairs(), speed);
  }

  /** A translator writes over what is said in a subtitle file, and parts one of the captions. */
  @ParameterizedTest
  @CsvSource({"1", "1.25"})
  void subtitlesComeBackByTheirTimes(double speed) {
    List<TimedText> out = SubtitleReader.read(SubRip.write(file(speed).timed())).cues();
    Span first = out.get(0).span();
    List<TimedText> back =
        List.of(
            new TimedText(new Span(first.startUs(), first.middleUs()), "Niemand läutete"),
            new TimedText(new Span(first.middleUs(), first.endUs()), "die\nGlocke."),
            out.get(1),
            new TimedText(out.get(2).span(), "Und dann?"),
            new TimedText(new Span(90_000_000, 91_000_000), "Ende"));
    TranslationFile.Returned returned = file(speed).from(back);
    assertThat(returned.notSaid()).isEqualTo(1);
    assertThat(returned.sentences()).containsExactly(GERMAN.get(0), GERMAN.get(2));
  }

  @Test
  void unitsComeBackByTheirNames() {
    Xliff out = file(1).xliff("en", "de", TALK.speakers());
    assertThat(out.units()).extracting(Xliff.Unit::note).containsExactly("Ada", "Ada", "Ben");
    List<Xliff.Unit> units = new ArrayList<>();
    for (Xliff.Unit unit : out.units()) {
      units.add(
          new Xliff.Unit(unit.id(), "", unit.source(), "de: " + unit.source(), Xliff.State.FINAL));
    }
    units.set(1, new Xliff.Unit("w70-71", "", "Gone.", "Fort.", Xliff.State.FINAL));
    units.set(
        2,
        new Xliff.Unit(
            units.get(2).id(), "", "And what then?", "Und dann?", Xliff.State.TRANSLATED));
    TranslationFile.Returned returned = file(1).from(new Xliff("en", "de", units));
    assertThat(returned.notSaid()).isEqualTo(1);
    assertThat(returned.sentences())
        .containsExactly(
            german(0, 3, "Nobody rang the bell.", "de: Nobody rang the bell."),
            new TranslatedSentence(9, 10, "And what then?", "Und dann?", State.PROPOSED));
    assertThat(SentencePair.pair(said(whole(), TALK), returned.sentences(), TALK).pairs())
        .extracting(SentencePair::isChanged)
        .containsExactly(false, false, true);
  }

  @Test
  void whatWasOpenAndComesBackUntouchedStaysOpen() {
    List<SentencePair> pairs =
        SentencePair.pair(
                said(whole(), TALK),
                List.of(new TranslatedSentence(9, 10, "And then?", "[And] dann", State.OPEN)),
                TALK)
            .pairs();
    TranslationFile file = new TranslationFile(pairs, 1);
    assertThat(file.from(file.xliff("en", "de", List.of())).sentences()).isEmpty();
  }

  @Test
  void proposalsAreAskedForWhatIsOpenOrChanged() {
    Translator translator =
        new Translator() {
          @Override
          public String name() {
            return "all in capitals";
          }

          @Override
          public boolean translates(String from, String to) {
            return true;
          }

          @Override
          public List<Proposal> translate(String from, String to, List<String> sentences) {
            return sentences.stream()
                .map(s -> new Proposal(s.toUpperCase(java.util.Locale.ROOT), s.length() > 10))
                .toList();
          }
        };
    List<SentencePair> pairs =
        SentencePair.pair(
                said(whole(), TALK),
                List.of(GERMAN.get(0), german(4, 8, "He rowed.", "Er ruderte.")),
                TALK)
            .pairs();
    assertThat(new Proposals(translator).of(pairs, "en", "de"))
        .containsExactly(
            new TranslatedSentence(
                4,
                8,
                "He rowed, um, across anyway.",
                "HE ROWED, UM, ACROSS ANYWAY.",
                State.PROPOSED),
            new TranslatedSentence(9, 10, "And then?", "AND THEN?", State.OPEN));
  }

  private static List<Cue> cuesOf(TranslatedSentence... sentences) {
    List<SentencePair> pairs =
        SentencePair.pair(said(whole(), TALK), List.of(sentences), TALK).pairs();
    return new TranslatedCues(Letterings.SLUICE.breaking(), "de").of(pairs, 5_000_000);
  }

  /** A line of the text is a line of the caption; an empty one begins another caption. */
  @Test
  void aTranslationIsBrokenWhereItWasBrokenByHand() {
    List<Cue> cues =
        cuesOf(german(0, 3, "Nobody rang the bell.", "Niemand\nläutete\n \n\ndie Glocke."));
    assertThat(cues).extracting(Cue::text).containsExactly("Niemand\nläutete", "die Glocke.");
    Span said = said(whole(), TALK).get(0).span();
    assertThat(cues.get(0).span().startUs()).isEqualTo(said.startUs());
    assertThat(cues.get(1).span().startUs()).isEqualTo(cues.get(0).span().endUs());
    double share = cues.get(0).span().lengthUs() / (double) cues.get(1).span().lengthUs();
    assertThat(share).isCloseTo(15.0 / 11, within(0.001));
  }

  /** Moved from when it is said, within the clip and never over the next one. */
  @Test
  void aTranslationIsMovedFromWhenItIsSaid() {
    Span said = said(whole(), TALK).get(0).span();
    Span plain = cuesOf(GERMAN.get(0)).get(0).span();
    Span moved = cuesOf(moved(100_000, -200_000)).get(0).span();
    assertThat(moved.startUs()).isEqualTo(said.startUs() + 100_000);
    assertThat(moved.endUs()).isEqualTo(plain.endUs() - 200_000);
    List<Cue> late = cuesOf(moved(0, 9_000_000), GERMAN.get(1));
    assertThat(late.get(0).span().endUs()).isEqualTo(late.get(1).span().startUs());
    assertThat(cuesOf(moved(-9_000_000, -9_000_000)).get(0).span()).isEqualTo(new Span(0, 300_000));
    assertThat(cuesOf(moved(9_000_000, 9_000_000)).get(0).span())
        .isEqualTo(new Span(4_700_000, 5_000_000));
    assertThatIllegalArgumentException().isThrownBy(() -> moved(0, Long.MIN_VALUE));
    assertThatIllegalArgumentException().isThrownBy(() -> moved(10_000_001, 0));
  }

  private static TranslatedSentence moved(long beginsLaterUs, long endsLaterUs) {
    return new TranslatedSentence(
        0,
        3,
        "Nobody rang the bell.",
        "Niemand läutete.",
        State.REVIEWED,
        new TranslatedSentence.Moved(beginsLaterUs, endsLaterUs));
  }

  /** What comes back from a translator as it went keeps its breaks and where it was moved to. */
  @Test
  void breaksAndTimesComeThroughFiles() {
    TranslatedSentence broken =
        new TranslatedSentence(
            0,
            3,
            "Nobody rang the bell.",
            "Niemand\n\nläutete.",
            State.REVIEWED,
            new TranslatedSentence.Moved(40_000, 80_000));
    List<SentencePair> pairs =
        SentencePair.pair(said(whole(), TALK), List.of(broken), TALK).pairs();
    TranslationFile file = new TranslationFile(pairs, 1);
    assertThat(file.timed().get(0).text())
        .as("no empty line within a caption")
        .isEqualTo("Niemand\nläutete.");
    assertThat(file.from(file.timed()).sentences()).containsExactly(broken);
    Xliff back = Xliff.read(file.xliff("en", "de", TALK.speakers()).write("talk"));
    TranslatedSentence read = file.from(back).sentences().get(0);
    assertThat(read).isEqualTo(broken);
  }
}
