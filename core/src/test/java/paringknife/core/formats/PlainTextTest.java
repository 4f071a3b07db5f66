package paringknife.core.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import paringknife.core.transcript.Paragraphs;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class PlainTextTest {
  private static final String TEXT =
      "\uFEFFAda Moor: How did it begin?\r\n\r\nBen: With the ice.\nIt came in one night: all of it.\n\nAda Moor: And then?\n";

  /** How speakers are written before what they say is common practice. */
  @Test
  void speakersParagraphsAndWordsAreRead() {
    Transcript read = PlainText.read(TEXT, 20_000_000);
    assertThat(read.speakers()).containsExactly("Ada Moor", "Ben");
    assertThat(read.words())
        .extracting(Word::text)
        .startsWith("How", "did", "it", "begin?", "With")
        .contains("night:")
        .endsWith("And", "then?");
    assertThat(read.words())
        .extracting(Word::speaker)
        .containsExactly(0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0, 0);
    assertThat(Paragraphs.of(read))
        .extracting(p -> read.text(p.from(), p.to()))
        .containsExactly(
            "How did it begin?", "With the ice.", "It came in one night: all of it.", "And then?");
  }

  @Test
  void wordsShareTheLengthByTheirSyllablesAndFillIt() {
    Transcript read = PlainText.read("one unbelievable two", 14_000_000);
    assertThat(read.words().get(0).startUs()).isZero();
    assertThat(read.words().get(2).endUs()).isEqualTo(14_000_000);
    for (int i = 1; i < 3; i++) {
      assertThat(read.words().get(i).startUs()).isEqualTo(read.words().get(i - 1).endUs());
    }
    long longWord = read.words().get(1).endUs() - read.words().get(1).startUs();
    assertThat(longWord)
        .isGreaterThan(2 * (read.words().get(2).endUs() - read.words().get(2).startUs()));
    Transcript wider = PlainText.spread(read, 28_000_000);
    assertThat(wider.words().get(1).startUs()).isEqualTo(2 * read.words().get(1).startUs());
  }

  @Test
  void itIsWrittenSoThatItReadsBack() {
    Transcript read = PlainText.read(TEXT, 20_000_000);
    Transcript again = PlainText.read(PlainText.write(read, true, false), 20_000_000);
    assertThat(again.words()).isEqualTo(read.words());
    assertThat(again.speakers()).isEqualTo(read.speakers());
    assertThat(PlainText.write(read, true, true))
        .startsWith("[00:00:00] Ada Moor: How did it begin?\n\n[00:0");
    assertThat(PlainText.write(read, false, false)).doesNotContain("Ben");
  }

  @Test
  void numberedSpeakersAndNamesWithParticlesAreNames() {
    Transcript read =
        PlainText.read(
            "Speaker 1: Good morning.\nDr. Ines van der Wal: Morning.\n- Keeper of the Lock: Hello.",
            9_000_000);
    assertThat(read.speakers())
        .containsExactly("Speaker 1", "Dr. Ines van der Wal", "Keeper of the Lock");
    assertThat(read.words())
        .extracting(Word::text)
        .containsExactly("Good", "morning.", "Morning.", "Hello.");
  }

  @Test
  void aTextWithoutAWordIsRefused() {
    for (String empty : new String[] {"", " \n\n\t ", "\uFEFF"}) {
      assertThatIllegalArgumentException()
          .isThrownBy(() -> PlainText.read(empty, 1_000_000))
          .withMessage("there is no word in it");
    }
  }
}
