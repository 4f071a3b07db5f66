package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import paringknife.core.pick.BestSet;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Centrality;
import paringknife.core.pick.EnglishForms;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickFinder;
import paringknife.core.time.Span;

class PickTest {
  @Property(tries = 300)
  void theChosenSetIsAsGoodAsTryingAll(
      @ForAll @Size(min = 1, max = 10) List<@IntRange(min = 0, max = 999) Integer> seeds,
      @ForAll @IntRange(min = 1, max = 4) int most) {
    List<BestSet.Candidate> candidates = new ArrayList<>();
    for (int seed : seeds) {
      long start = seed % 40;
      candidates.add(
          new BestSet.Candidate(new Span(start, start + 1 + seed / 40 % 12), 0.5 + seed % 17));
    }
    double best = 0;
    for (int set = 0; set < 1 << candidates.size(); set++) {
      best = Math.max(best, worth(candidates, set, most));
    }
    List<Integer> chosen = BestSet.choose(candidates, most);
    int bits = chosen.stream().mapToInt(i -> 1 << i).sum();
    assertThat(worth(candidates, bits, most)).isCloseTo(best, within(1e-9));
  }

  private static double worth(List<BestSet.Candidate> candidates, int set, int most) {
    double sum = 0;
    List<Span> used = new ArrayList<>();
    for (int i = 0; i < candidates.size(); i++) {
      if ((set >> i & 1) == 1) {
        Span span = candidates.get(i).span();
        if (used.stream().anyMatch(span::overlaps)) {
          return -1;
        }
        used.add(span);
        sum += candidates.get(i).score();
      }
    }
    return used.size() > most ? -1 : sum;
  }

  @Test
  void picksAreWholeSentencesOfTheLengthAskedForAndSayWhy() {
    Talk talk = story();
    Brief brief = new Brief(2, 6_000_000, 14_000_000, List.of("ferry"));
    List<Pick> picks =
        new PickFinder(talk.transcript(), talk.levels(), new EnglishForms()).find(brief);
    assertThat(picks).hasSizeBetween(1, 2);
    for (Pick pick : picks) {
      assertThat(pick.paredUs()).isBetween(6_000_000L, 14_000_000L);
      assertThat(talk.transcript().words().get(pick.last()).endsSentence()).isTrue();
      assertThat(
              pick.first() == 0 || talk.transcript().words().get(pick.first() - 1).endsSentence())
          .isTrue();
      assertThat(pick.reasons()).isNotEmpty();
    }
    assertThat(picks).anyMatch(p -> p.reasons().stream().anyMatch(r -> r.contains("ferry")));
    assertThat(new PickFinder(talk.transcript(), talk.levels(), new EnglishForms()).find(brief))
        .isEqualTo(picks);
  }

  private static Talk story() {
    return new Talk()
        .speaker("Ada")
        .say("And it rained again on Monday. So we had lunch in the van. It was fine.")
        .speaker("Ben")
        .say("Who rang for the last ferry?")
        .speaker("Ada")
        .say(
            "Nobody rang. The ferry waited in the fog, and my uncle rowed the ferry across anyway. That girl is my wife.")
        .speaker("Ben")
        .say("Oh.")
        .speaker("Ada")
        .say("Then we had tea. And then we had more tea, which was also fine.");
  }

  @Test
  void nothingIsProposedWhenNothingFits() {
    Talk talk = new Talk().say("Short.");
    assertThat(
            new PickFinder(talk.transcript(), talk.levels(), new EnglishForms())
                .find(Brief.DEFAULT))
        .isEmpty();
  }

  /**
   * TextRank (Mihalcea and Tarau 2004): what shares most with the rest ranks first, nothing last.
   */
  @Test
  void theSentenceThatSharesMostIsCentral() {
    double[] score =
        Centrality.of(
            List.of(
                Set.of("tide", "mill", "gate"),
                Set.of("tide", "mill"),
                Set.of("gate", "pond"),
                Set.of("sandwich", "cheese")));
    assertThat(score[0]).isGreaterThan(score[1]).isGreaterThan(score[2]);
    assertThat(score[3]).isCloseTo(0.15, within(1e-9));
  }
}
