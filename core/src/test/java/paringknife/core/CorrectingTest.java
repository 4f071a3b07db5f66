package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.Ttml;
import paringknife.core.time.Span;
import paringknife.core.transcript.DoubtfulWord;
import paringknife.core.transcript.DoubtfulWords;
import paringknife.core.transcript.HeardWord;
import paringknife.core.transcript.Paragraphs;
import paringknife.core.transcript.Punctuator;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.TokenAlignment;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptDelta;
import paringknife.core.transcript.TranscriptEditor;
import paringknife.core.transcript.Word;

class CorrectingTest {
  private static final Transcript TALK =
      new Talk()
          .speaker("A")
          .say("We met Korean Hale at the mill. He said the mill is old.")
          .speaker("B")
          .say("So is Korean.")
          .transcript();

  private static String text(Transcript t) {
    return t.text(0, t.words().size());
  }

  @Test
  void timesOfWhatDidNotChangeStayAndTheRestIsShared() {
    Transcript changed = new TranscriptEditor(TALK).replace(2, 3, "Corin P. Hale");
    assertThat(changed.text(0, 6)).isEqualTo("We met Corin P. Hale at");
    assertThat(changed.words().get(4).span()).isEqualTo(TALK.words().get(3).span());
    assertThat(changed.words().get(4).id()).isEqualTo(TALK.words().get(3).id());
    assertThat(changed.words().get(2).startUs()).isEqualTo(TALK.words().get(2).startUs());
    assertThat(changed.words().get(3).endUs()).isEqualTo(TALK.words().get(2).endUs());
    assertThat(changed.words().stream().map(Word::id).distinct()).hasSameSizeAs(changed.words());
    assertThat(changed.words().get(2).isLookedAt()).isTrue();
  }

  @Test
  void aShortenedQuestionGetsItsMark() {
    Transcript bare =
        new Talk()
            .speaker("Ada")
            .say("what'd you do then")
            .speaker("Ben")
            .say("i ran")
            .transcript();
    assertThat(Punctuator.punctuate(bare).text(0, 6)).isEqualTo("What'd you do then? I ran.");
  }

  @Test
  void allOccurrencesKeepTheirPunctuationAndSomeCanBeLeft() {
    Transcript all = new TranscriptEditor(TALK).replaceAll("korean", "Corin", Set.of());
    assertThat(text(all))
        .isEqualTo("We met Corin Hale at the mill. He said the mill is old. So is Corin.");
    Transcript some = new TranscriptEditor(TALK).replaceAll("korean", "Corin", Set.of(2L));
    assertThat(text(some)).contains("met Korean Hale").endsWith("So is Corin.");
  }

  /**
   * Typed while listening: the words share the time heard by their syllables, and no other word
   * moves.
   */
  @Test
  void wordsTypedWhileListeningLieWhereTheyWereHeard() {
    Transcript gapped =
        new Talk().speaker("A").say("We met.").pause(4).speaker("B").say("So is he.").transcript();
    Span heard = new Span(2_000_000, 4_100_000);
    Transcript typed = new TranscriptEditor(gapped).typeIn("  and unbelievably early ", heard, 0);
    assertThat(text(typed)).isEqualTo("We met. and unbelievably early So is he.");
    assertThat(typed.words().get(2).startUs()).isEqualTo(heard.startUs());
    assertThat(typed.words().get(4).endUs()).isEqualTo(heard.endUs());
    assertThat(typed.words().get(3).span().lengthUs())
        .isGreaterThan(2 * typed.words().get(2).span().lengthUs());
    assertThat(typed.words().subList(2, 5))
        .allSatisfy(w -> assertThat(w.speaker()).isZero())
        .allMatch(Word::isLookedAt);
    assertThat(List.of(typed.words().get(1), typed.words().get(5)))
        .isEqualTo(List.of(gapped.words().get(1), gapped.words().get(2)));
    assertThat(typed.words().stream().map(Word::id).distinct()).hasSize(8);
    assertThat(Paragraphs.of(typed)).anyMatch(p -> p.from() == 2);
  }

  @Test
  void whatIsTypedLongerThanThePauseEndsAtTheNextWord() {
    Transcript gapped =
        new Talk().speaker("A").say("We met.").pause(2).say("So is he.").transcript();
    long next = gapped.words().get(2).startUs();
    Transcript typed =
        new TranscriptEditor(gapped).typeIn("and then", new Span(2_000_000, 9_000_000), -1);
    assertThat(typed.words().get(3).endUs()).isEqualTo(next);
    Transcript atTheEnd =
        new TranscriptEditor(gapped).typeIn("the end", new Span(60_000_000, 61_000_000), 0);
    assertThat(atTheEnd.words().get(6).span()).isEqualTo(new Span(60_500_000, 61_000_000));
    Transcript first =
        new TranscriptEditor(new Transcript("en", List.of("A"), List.of()))
            .typeIn("hello", new Span(0, 700_000), 0);
    assertThat(first.words())
        .extracting(Word::text, Word::endUs)
        .containsExactly(org.assertj.core.groups.Tuple.tuple("hello", 700_000L));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new TranscriptEditor(gapped).typeIn(" \n ", new Span(0, 1), 0))
        .withMessageContaining("no word");
  }

  @Test
  void aLetterAfterAQuotationMarkIsTheOneThatBecomesACapital() {
    Transcript quoted = new Talk().speaker("A").say("he said \"come in\" 42 times").transcript();
    TranscriptEditor editor = new TranscriptEditor(quoted);
    assertThat(editor.cycleCapital(2).words().get(2).text()).isEqualTo("\"Come");
    assertThat(new TranscriptEditor(editor.cycleCapital(2)).cycleCapital(2).words().get(2).text())
        .isEqualTo("\"come");
    assertThat(editor.cycleCapital(4).words().get(4).text()).isEqualTo("42");
  }

  @Test
  void acceptingLooksAtAWordAndChangesNothingElse() {
    Transcript doubtful =
        TALK.withWords(
            TALK.words().stream()
                .map(w -> new Word(w.id(), w.text(), w.startUs(), w.endUs(), w.speaker(), 0.2))
                .toList());
    Transcript accepted = new TranscriptEditor(doubtful).accept(3);
    assertThat(accepted.words().get(3).isLookedAt()).isTrue();
    assertThat(text(accepted)).isEqualTo(text(doubtful));
    assertThat(accepted.words().get(4)).isEqualTo(doubtful.words().get(4));
  }

  @Test
  void marksCycleAndTheNextCapitalFollows() {
    Transcript once = new TranscriptEditor(TALK).cyclePunctuation(3);
    assertThat(once.words().get(3).text()).isEqualTo("Hale,");
    Transcript twice = new TranscriptEditor(once).cyclePunctuation(3);
    assertThat(twice.text(3, 5)).isEqualTo("Hale. At");
    Transcript round =
        new TranscriptEditor(
                new TranscriptEditor(new TranscriptEditor(twice).cyclePunctuation(3))
                    .cyclePunctuation(3))
            .cyclePunctuation(3);
    assertThat(round.text(3, 5)).isEqualTo("Hale at");
  }

  @Test
  void speakersAreNamedMergedAndReassigned() {
    TranscriptEditor editor = new TranscriptEditor(TALK);
    assertThat(editor.nameSpeaker(1, " Corin  Hale ").speakers())
        .containsExactly("A", "Corin Hale");
    Transcript merged = editor.nameSpeaker(1, "A");
    assertThat(merged.speakers()).containsExactly("A");
    assertThat(merged.words()).allMatch(w -> w.speaker() == 0);
    assertThat(editor.reassign(0, 2, 1).words().get(1).speaker()).isEqualTo(1);
    assertThatThrownBy(() -> editor.reassign(0, 0, 7)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> editor.nameSpeaker(0, "  "))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void whoeverIsNotKnownYetIsNamedInOneGo() {
    Transcript unknown = new TranscriptEditor(TALK).reassign(0, 4, -1);
    Transcript named = new TranscriptEditor(unknown).nameUnknown("Wren Ash");
    assertThat(named.speakers()).containsExactly("A", "B", "Wren Ash");
    assertThat(named.words().subList(0, 5)).allMatch(w -> w.speaker() == 2);
    assertThat(named.words().subList(5, named.words().size()))
        .isEqualTo(TALK.words().subList(5, TALK.words().size()));
    assertThat(new TranscriptEditor(unknown).nameUnknown("A").words().get(3).speaker()).isZero();
  }

  @Test
  void paragraphsBreakAndRunOnWhereSomebodyChose() {
    Transcript broken = new TranscriptEditor(TALK).paragraphAt(7, true);
    assertThat(Paragraphs.of(broken))
        .hasSize(Paragraphs.of(TALK).size() + 1)
        .anyMatch(p -> p.from() == 7);
    assertThat(Paragraphs.of(new TranscriptEditor(broken).paragraphAt(7, false)))
        .hasSameSizeAs(Paragraphs.of(TALK));
  }

  /** Any row of corrections is undone exactly, step by step, and done again. */
  @Property(tries = 60)
  void everyCorrectionIsUndoneExactly(@ForAll @IntRange(min = 1, max = 100_000) int seed) {
    Random random = new Random(seed);
    List<Transcript> states = new ArrayList<>(List.of(TALK));
    List<TranscriptDelta> deltas = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Transcript now = states.get(states.size() - 1);
      TranscriptEditor editor = new TranscriptEditor(now);
      int word = random.nextInt(now.words().size());
      int last = Math.min(now.words().size() - 1, word + random.nextInt(3));
      Transcript next =
          switch (random.nextInt(6)) {
            case 0 ->
                editor.replace(
                    word,
                    last,
                    "x".repeat(1 + random.nextInt(3)) + (random.nextBoolean() ? " y z" : ""));
            case 1 -> editor.join(word, last);
            case 2 -> editor.cyclePunctuation(word);
            case 3 -> editor.reassign(word, last, random.nextInt(now.speakers().size()));
            case 4 -> editor.paragraphAt(word, random.nextBoolean());
            default -> editor.addSpeaker("S" + i);
          };
      deltas.add(TranscriptDelta.between(now, next));
      assertThat(deltas.get(i).forwards(now)).isEqualTo(next);
      states.add(next);
    }
    Transcript back = states.get(states.size() - 1);
    for (int i = deltas.size() - 1; i >= 0; i--) {
      back = deltas.get(i).backwards(back);
      assertThat(back).isEqualTo(states.get(i));
    }
  }

  @Test
  void doubtsAreToldOnceAndGoWhenAPersonHasLooked() {
    List<Word> words = new ArrayList<>();
    String[] said = {"The", "ice", "ice", "came.", "nobody", "knew"};
    for (int i = 0; i < said.length; i++) {
      words.add(new Word(i, said[i], i * 400_000L, i * 400_000L + 300_000, 0, i == 1 ? 0.3 : 0.95));
    }
    Transcript transcript = new Transcript("en", List.of("A"), words);
    assertThat(DoubtfulWords.find(transcript))
        .containsExactly(
            new DoubtfulWord(1, DoubtfulWord.Why.HARDLY_HEARD),
            new DoubtfulWord(2, DoubtfulWord.Why.SAID_TWICE),
            new DoubtfulWord(4, DoubtfulWord.Why.SMALL_BEGINNING),
            new DoubtfulWord(5, DoubtfulWord.Why.NO_END));
    assertThat(DoubtfulWords.find(new TranscriptEditor(transcript).accept(2)))
        .extracting(DoubtfulWord::index)
        .containsExactly(1, 4, 5);
  }

  @Test
  void aTextWithoutMarksGetsThemFromItsPauses() {
    Transcript plain =
        new Talk()
            .speaker("A")
            .say("the ice came up the race")
            .pause(1)
            .say("what did you do")
            .pause(1.2)
            .say("i got up")
            .transcript();
    assertThat(text(Punctuator.punctuate(plain)))
        .isEqualTo("The ice came up the race. What did you do? I got up.");
  }

  @Test
  void textsAreAlignedLikeAPersonWouldAndLongOnesQuickly() {
    assertThat(TokenAlignment.match(List.of("a", "b", "c", "d"), List.of("a", "x", "c", "d", "e")))
        .containsExactly(0, -1, 2, 3);
    Random random = new Random(2);
    List<String> a = new ArrayList<>();
    for (int i = 0; i < 20_000; i++) {
      a.add("w" + random.nextInt(900));
    }
    List<String> b = new ArrayList<>(a);
    for (int i = 0; i < 1_500; i++) {
      int at = random.nextInt(b.size());
      if (random.nextBoolean()) {
        b.remove(at);
      } else {
        b.set(at, "other");
      }
    }
    int[] match = TokenAlignment.match(a, b);
    int last = -1;
    int matched = 0;
    for (int i = 0; i < match.length; i++) {
      if (match[i] >= 0) {
        assertThat(match[i]).isGreaterThan(last);
        assertThat(b.get(match[i])).isEqualTo(a.get(i));
        last = match[i];
        matched++;
      }
    }
    assertThat(matched).isGreaterThan(18_000);
  }

  @Test
  void wordsThatWereNotHeardLieBesideTheWordsTheyBelongTo() {
    Transcript text = PlainText.read("A: The tide is up. Nobody came today.", 10_000_000);
    List<HeardWord> heard =
        List.of(
            new HeardWord("the", 1_000_000, 1_200_000, 1),
            new HeardWord("tide", 1_200_000, 1_500_000, 1),
            new HeardWord("is", 1_500_000, 1_600_000, 1),
            new HeardWord("up", 1_600_000, 1_900_000, 1),
            new HeardWord("came", 8_000_000, 8_300_000, 1),
            new HeardWord("today", 8_300_000, 8_700_000, 1));
    TextOnSound laid = TextOnSound.lay(text, heard, 10_000_000);
    Word nobody = laid.transcript().words().get(4);
    assertThat(nobody.endUs()).isEqualTo(8_000_000);
    assertThat(nobody.startUs()).isGreaterThan(6_500_000);
    assertThat(laid.matched()).isBetween(0.8, 0.9);
    assertThat(laid.unmatched()).isEmpty();
    assertThat(laid.transcript().speakers()).containsExactly("A");
  }

  /** Time expressions and nested times of TTML2 (W3C, 2018), chapter 12. */
  @Test
  void ttmlIsReadInAllItsTimesAndWrittenSoThatItReadsBack() {
    String ttml =
        "<?xml version=\"1.0\"?><tt xmlns=\"http://www.w3.org/ns/ttml\" xmlns:ttp=\"http://www.w3.org/ns/ttml#parameter\" ttp:frameRate=\"25\"><body><div begin=\"10s\">"
            + "<p begin=\"00:00:01.500\" end=\"00:00:02:05\">One <span>two</span><br/>three</p><p begin=\"3s\" dur=\"500ms\">&lt;b&gt; &amp;</p></div></body></tt>";
    List<TimedText> cues = Ttml.read(ttml).cues();
    assertThat(cues)
        .containsExactly(
            new TimedText(new Span(11_500_000, 12_200_000), "One two\nthree"),
            new TimedText(new Span(13_000_000, 13_500_000), "<b> &"));
    assertThat(Ttml.read(Ttml.write(cues, "en")).cues()).isEqualTo(cues);
    assertThatThrownBy(() -> Ttml.read("no xml")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(
            () ->
                Ttml.read(
                    "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><tt><p begin='1s' end='2s'>&e;</p></tt>"))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void tagsInWordsAreTextAndNothingElse() {
    assertThat(
            SubtitleReader.read(
                    "1\n00:00:01,000 --> 00:00:02,000\n&lt;script&gt;alert(1)&lt;/script&gt;\n")
                .cues()
                .get(0)
                .text())
        .isEqualTo("<script>alert(1)</script>");
  }
}
