package paringknife.core.deliver.post;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.letter.cue.KeyWordFinder.KeyWord;
import paringknife.core.letter.cue.KeyWordFinder.Why;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class PostTest {
  private static final List<String> SAID =
      List.of("Yes.", "It was a long night for all of us.", "The ferry at Osmund left in the fog.");

  private static Transcript transcript(String speaker) {
    List<Word> words = new java.util.ArrayList<>();
    for (String sentence : SAID) {
      for (String word : sentence.split(" ")) {
        long at = words.size() * 300_000L;
        words.add(new Word(words.size(), word, at, at + 200_000, 0, 1));
      }
    }
    return new Transcript("en", List.of(speaker), words);
  }

  private static List<SaidSentence> sentences() {
    return List.of(
        new SaidSentence(0, 0, SAID.get(0), new Span(0, 1), 0),
        new SaidSentence(1, 8, SAID.get(1), new Span(1, 2), 0),
        new SaidSentence(9, 16, SAID.get(2), new Span(2, 3), 0));
  }

  private static final List<KeyWord> KEYS =
      List.of(
          new KeyWord(10, "ferry", Why.SUBJECT),
          new KeyWord(12, "Osmund", Why.NAME),
          new KeyWord(0, "Yes", Why.NUMBER));

  @Test
  void aPatternPutsTheShowsOwnWordsAroundWhatIsProposed() {
    Post proposed = new Post("“It left in the fog.” — Osmund", List.of("ferry"));
    PostPattern pattern = new PostPattern("{title}\n\n{TEXT}\n{show}, {episode} {title}");
    Post post = pattern.of(proposed, "The $1 {text} rope", "Slack Water", "Seven");
    assertThat(post.text())
        .isEqualTo(
            "The $1 {text} rope\n\n“It left in the fog.” — Osmund\n"
                + "Slack Water, Seven The $1 {text} rope");
    assertThat(post.tags()).containsExactly("ferry");
    assertThat(PostPattern.USUAL.of(proposed, "a", "b", "c")).isEqualTo(proposed);
  }

  /** What comes of a pattern is a text like any other, however often it names a long one. */
  @Test
  void aPatternNeverMakesATextTooLong() {
    Post long1 = new Post("😀".repeat(Post.LONGEST_TEXT / 2), List.of());
    assertThat(new PostPattern("x{text}{text}").of(long1, "", "", "").text())
        .hasSizeLessThanOrEqualTo(Post.LONGEST_TEXT)
        .endsWith("😀");
    for (String none : new String[] {null, "", "no field", "{nothing}", "x".repeat(1001)}) {
      assertThatThrownBy(() -> new PostPattern(none)).isInstanceOf(IllegalArgumentException.class);
    }
  }

  @Test
  void theStrongestSentenceIsProposedWithWhoSaysIt() {
    Post post = new PostWriter(transcript("Ada Lund"), "Slack Water").propose(sentences(), KEYS);
    assertThat(post.text())
        .isEqualTo("“The ferry at Osmund left in the fog.” — Ada Lund, Slack Water");
    assertThat(post.tags()).containsExactly("slackwater", "adalund", "ferry", "osmund");
  }

  @Test
  void whatIsProposedBeginsWithACapital() {
    List<SaidSentence> small =
        List.of(new SaidSentence(9, 16, "the ferry at Osmund left in the fog", new Span(2, 3), 0));
    assertThat(new PostWriter(transcript(""), "").propose(small, KEYS).text())
        .isEqualTo("“The ferry at Osmund left in the fog”");
  }

  /** Nothing is invented: whom nobody has named is not called "Speaker 2". */
  @ParameterizedTest
  @CsvSource({"Speaker 2", "Host", "''", "Voice 1"})
  void whoHasNoNameIsNotNamed(String speaker) {
    Post post = new PostWriter(transcript(speaker), "Slack Water").propose(sentences(), KEYS);
    assertThat(post.text()).endsWith("” — Slack Water");
    assertThat(post.tags()).startsWith("slackwater", "ferry");
  }

  @Test
  void whereNothingIsSaidNothingIsProposedButTheShow() {
    Post post = new PostWriter(transcript("Ada"), "Slack Water").propose(List.of(), List.of());
    assertThat(post).isEqualTo(new Post("", List.of("slackwater")));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "#Tide Mills | tidemills",
        "Grüße! | grüße",
        "潮の水 | 潮の水",
        "हिन्दी | हिन्दी",
        "--- | ''"
      })
  void tagsAreLettersAndDigits(String text, String tag) {
    assertThat(Post.tag(text)).isEqualTo(tag);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "40 | One sentence here. Another one.",
        "25 | One sentence here.",
        "14 | One sentence…",
        "0 | ''"
      })
  void longTextsEndAtASentenceOrAWord(int most, String text) {
    PostTexts texts =
        PostTexts.shortened(
            "", new Post("One sentence here. Another one.", List.of()), 10, most, 0);
    assertThat(texts.text()).isEqualTo(text);
  }

  @Property
  void noTextIsLongerThanAsked(@ForAll String text, @ForAll @IntRange(max = 60) int most) {
    String taken = PostTexts.shortened(text, new Post("", List.of()), most, 0, 0).title();
    assertThat(taken.codePointCount(0, taken.length())).isLessThanOrEqualTo(most);
  }

  @Test
  void tooMuchIsRefused() {
    assertThatThrownBy(() -> new Post("x".repeat(2_001), List.of())).hasMessageContaining("2001");
    List<String> many = java.util.stream.IntStream.range(0, 61).mapToObj(i -> "t" + i).toList();
    assertThatThrownBy(() -> new Post("", many)).hasMessageContaining("60");
    assertThat(new Post("", Collections.nCopies(100, "same")).tags()).containsExactly("same");
  }

  /** RFC 4180, and no cell that a spreadsheet would work out. */
  @Test
  void aTableOfTextsQuotesWhatIsInIt() {
    PostsCsv csv = new PostsCsv();
    csv.add(
        "a.mp4", "Wide", new PostTexts("=1+1", "He said \"no\",\nand went.", List.of("a", "b")));
    assertThat(csv.text())
        .isEqualTo(
            "\uFEFF\"file\",\"spec\",\"title\",\"text\",\"tags\"\r\n"
                + "\"a.mp4\",\"Wide\",\"'=1+1\",\"He said \"\"no\"\",\nand went.\",\"a b\"\r\n");
  }
}
