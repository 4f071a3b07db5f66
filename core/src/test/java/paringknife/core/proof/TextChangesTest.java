package paringknife.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class TextChangesTest {
  /** Words named by the place of the recording that they are at: "the1 ice2". */
  private static List<ProofWord> words(String text) {
    List<ProofWord> words = new ArrayList<>();
    for (String named : text.split(" ")) {
      String word = named.replaceAll("\\d", "");
      long source = Long.parseLong(named.replaceAll("\\D", "")) * 1_000;
      long at = words.size() * 300_000L;
      words.add(new ProofWord(word, at, at + 200_000, source, 0));
    }
    return words;
  }

  private static String marked(String before, String now) {
    TextChanges changes = TextChanges.between(words(before), words(now));
    StringBuilder text = new StringBuilder();
    List<ProofWord> shown = words(now);
    for (int i = 0; i <= shown.size(); i++) {
      int at = i;
      changes.gone().stream()
          .filter(g -> g.before() == at)
          .forEach(g -> text.append("(").append(g.text()).append(") "));
      if (i < shown.size()) {
        String word = shown.get(i).text();
        text.append(changes.isNew().get(i) ? "[" + word + "] " : word + " ");
      }
    }
    return text.toString().strip();
  }

  @Test
  void whatStayedIsNotMarked() {
    String text = "the1 ice2 came3 up4";
    assertThat(TextChanges.between(words(text), words(text)).isNone()).isTrue();
    assertThat(marked(text, text)).isEqualTo("the ice came up");
  }

  @Test
  void whatWentStandsWhereItWas() {
    assertThat(marked("um1 the2 thick3 ice4 came5 up6", "the2 ice4 came5"))
        .isEqualTo("(um) the (thick) ice came (up)");
  }

  @Test
  void whatCameAndWhatWasPutRightIsNew() {
    assertThat(marked("the1 ise3 came4", "the1 thick2 ice3 came4"))
        .isEqualTo("the [thick] [ice] came");
  }

  /** Moved words are new where they are now, and not gone where they were. */
  @Test
  void whatWasMovedIsNewInItsNewPlace() {
    assertThat(marked("a1 b2 c3 d4 e5", "d4 a1 b2 c3 e5")).isEqualTo("[d] a b c e");
  }

  @Property
  void wordsThatAreNotNewKeepTheirOrder(@ForAll @IntRange(max = 60) int count, @ForAll long seed) {
    Random chance = new Random(seed);
    List<ProofWord> before = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      before.add(new ProofWord("w" + i, i, i + 1, i * 10L, 0));
    }
    List<ProofWord> now = new ArrayList<>(before);
    Collections.shuffle(now, chance);
    now.removeIf(w -> chance.nextInt(4) == 0);
    TextChanges changes = TextChanges.between(before, now);
    long last = -1;
    for (int i = 0; i < now.size(); i++) {
      if (!changes.isNew().get(i)) {
        assertThat(now.get(i).sourceUs()).isGreaterThan(last);
        last = now.get(i).sourceUs();
      }
    }
    long gone = changes.gone().stream().mapToLong(g -> g.text().split(" ").length).sum();
    assertThat(gone).isEqualTo(before.size() - now.size());
  }

  /** Two texts of a three-hour episode, one the other way round. */
  @Test
  void longTextsAreComparedInAMoment() {
    List<ProofWord> before = new ArrayList<>();
    for (int i = 0; i < 30_000; i++) {
      before.add(new ProofWord("w", i, i + 1, i, 0));
    }
    List<ProofWord> now = new ArrayList<>(before);
    Collections.reverse(now);
    long kept = TextChanges.between(before, now).isNew().stream().filter(n -> !n).count();
    assertThat(kept).isEqualTo(1);
  }

  @Test
  void aTimeBelongsToTheWordThatIsHeardOrTheLastBefore() {
    List<ProofWord> words = words("the1 ice2 came3");
    assertThat(ProofWord.at(words, 0).text()).isEqualTo("the");
    assertThat(ProofWord.at(words, 550_000).text()).isEqualTo("ice");
    assertThat(ProofWord.at(words, 9_000_000).text()).isEqualTo("came");
    assertThat(ProofWord.at(words, -5).text()).isEqualTo("the");
  }
}
