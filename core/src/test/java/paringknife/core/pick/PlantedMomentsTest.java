package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Made-up stories hidden in made-up small talk, at places the scorer is not told; it must find them
 * and leave the small talk. The level curve is flat, so only the words count.
 */
class PlantedMomentsTest {
  private static final int EPISODES = 6;
  private static final int STORIES = 4;

  private static String resource(String name) throws IOException {
    try (InputStream in = PlantedMomentsTest.class.getResourceAsStream("/" + name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static final class Episode {
    final List<Word> words = new ArrayList<>();
    final List<Span> planted = new ArrayList<>();
    private long at = 500_000;

    void say(int speaker, String line) {
      for (String token : line.split(" ")) {
        words.add(new Word(words.size(), token, at, at + 290_000, speaker, 0.95));
        at += 340_000;
      }
      at += 250_000;
    }

    void plant(String story) {
      long from = at;
      for (String line : story.split("\\n")) {
        say(line.startsWith("S:") ? 1 : 0, line.substring(3));
        at += 200_000;
      }
      planted.add(new Span(from, at));
    }
  }

  private static Episode episode(int seed) throws IOException {
    Random random = new Random(seed);
    List<String> stories =
        new ArrayList<>(
            Arrays.stream(
                    resource("planted-stories.txt")
                        .replaceAll("(?m)^#.*\\n", "")
                        .split("\\n\\s*\\n"))
                .map(String::strip)
                .toList());
    List<String> talk = resource("planted-small-talk.txt").lines().toList();
    java.util.Collections.shuffle(stories, random);
    Episode episode = new Episode();
    for (int s = 0; s < STORIES; s++) {
      chat(episode, talk, random);
      episode.plant(stories.get(s));
    }
    chat(episode, talk, random);
    return episode;
  }

  private static void chat(Episode episode, List<String> talk, Random random) {
    int lines = 18 + random.nextInt(14);
    int speaker = random.nextInt(2);
    for (int i = 0; i < lines; i++) {
      speaker = random.nextInt(3) == 0 ? 1 - speaker : speaker;
      episode.say(speaker, talk.get(random.nextInt(talk.size())));
    }
  }

  @Test
  void atLeastFourOfFivePlantedMomentsAreProposedAndSmallTalkIsNot() throws IOException {
    int found = 0;
    int idle = 0;
    int proposed = 0;
    StringBuilder told = new StringBuilder();
    for (int e = 0; e < EPISODES; e++) {
      Episode episode = episode(100 + e);
      Transcript transcript = new Transcript("en", List.of("Q", "S"), episode.words);
      List<Pick> picks =
          new PickFinder(transcript, new LevelCurve(new float[0]), new EnglishForms())
              .find(new Brief(STORIES, 15_000_000, 45_000_000, List.of()));
      int here = 0;
      for (Span planted : episode.planted) {
        boolean met =
            picks.stream().anyMatch(p -> p.span().overlapUs(planted) * 2 >= planted.lengthUs());
        here += met ? 1 : 0;
      }
      for (Pick pick : picks) {
        long inside = episode.planted.stream().mapToLong(p -> p.overlapUs(pick.span())).sum();
        idle += inside * 2 < pick.span().lengthUs() ? 1 : 0;
        proposed++;
      }
      found += here;
      told.append("episode ")
          .append(e + 1)
          .append(": ")
          .append(here)
          .append(" of ")
          .append(STORIES)
          .append("; ");
    }
    System.out.println(
        "planted moments proposed, "
            + told
            + idle
            + " of "
            + proposed
            + " proposals mostly small talk");
    assertThat(found / (double) (EPISODES * STORIES))
        .as(told.toString())
        .isGreaterThanOrEqualTo(0.8);
    assertThat(idle / (double) proposed)
        .as("proposals that are mostly small talk")
        .isLessThanOrEqualTo(0.1);
  }
}
