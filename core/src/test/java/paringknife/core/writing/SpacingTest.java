package paringknife.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Blanks and widths as the Unicode Standard has them (chapter 6, word separation; UAX 11). */
class SpacingTest {
  @Test
  void blanksStandBetweenWordsOfScriptsThatHaveThem() {
    assertThat(Spacing.joined(List.of("the", "last", "ferry"))).isEqualTo("the last ferry");
    assertThat(Spacing.joined(List.of("마지막", "배가"))).isEqualTo("마지막 배가");
    assertThat(Spacing.joined(List.of("पुराना", "पुल"))).isEqualTo("पुराना पुल");
    assertThat(Spacing.joined(List.of("Sailing", "船"))).isEqualTo("Sailing 船");
  }

  @Test
  void noneStandWhereTheScriptHasNone() {
    assertThat(Spacing.joined(List.of("最終", "便", "は", "出た。", "Next"))).isEqualTo("最終便は出た。Next");
    assertThat(Spacing.joined(List.of("2024", "年"))).isEqualTo("2024年");
    assertThat(Spacing.joined(List.of("สะพาน", "เก่า"))).isEqualTo("สะพานเก่า");
    assertThat(Spacing.joined(List.of())).isEmpty();
  }

  @Test
  void squareLettersTakeTwoColumns() {
    assertThat(Columns.of("ferry")).isEqualTo(5);
    assertThat(Columns.of("最終便。")).isEqualTo(8);
    assertThat(Columns.of("배")).isEqualTo(2);
    assertThat(Columns.of("ｶﾅ")).as("half-width").isEqualTo(2);
    assertThat(Columns.of("e\u0301")).as("an accent of its own").isEqualTo(1);
    assertThat(Columns.of("👍")).isEqualTo(2);
  }
}
