package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.PlainText;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;
import paringknife.media.speech.Flite;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.speech.VoicesInFile;

/**
 * Who speaks, told by voice: flite's voices in conversation, and real people of {@code
 * pocketsphinx-testdata}.
 */
class VoicesTest {
  private static final Path DATA = Path.of("/usr/share/pocketsphinx/test/data");
  private static final String[] LINES = {
    "So tell me how the mill came to stop in the middle of that winter.",
    "Well, the tide came up the creek in the night and the ice came with it, all of it at once.",
    "And nobody heard a thing.",
    "Nobody. We were asleep in the house by the road, and the wheel was turning as it always did.",
    "I was there the next morning with my father and the two dogs.",
    "What did you see when you came down to the water?",
    "The gate had gone. There was a hole where it used to be, and grain floating in the pond.",
    "We looked for it for three days along the shore.",
    "Did you ever find it again?",
    "A man in the next village was using it as a table when we came by in spring.",
    "He would not give it back for less than a sack of flour.",
    "That is a fair price for a table."
  };

  @TempDir Path folder;

  /** One recording of all parts, the words timed in it, each given to the part's speaker. */
  private Transcript heard(List<Path> parts, List<String> texts, List<String> speakers)
      throws Exception {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-y"));
    parts.forEach(p -> command.addAll(List.of("-i", p.toString())));
    StringBuilder graph = new StringBuilder();
    for (int i = 0; i < parts.size(); i++) {
      graph
          .insert(
              0,
              "["
                  + i
                  + ":a]aresample=16000,aformat=sample_fmts=s16:channel_layouts=mono,apad=pad_dur=0.2[p"
                  + i
                  + "];")
          .append("[p" + i + "]");
    }
    command.addAll(
        List.of(
            "-filter_complex", graph + "concat=n=" + parts.size() + ":v=0:a=1", all().toString()));
    ChildProcess.run(command, null, Duration.ofMinutes(1));
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < texts.size(); i++) {
      text.append(speakers.get(i)).append(": ").append(texts.get(i)).append('\n');
    }
    return new ForcedAligner()
        .align(all(), PlainText.read(text.toString(), 60_000_000), share -> {})
        .transcript();
  }

  private Path all() {
    return folder.resolve("all.wav");
  }

  private static Transcript nameless(Transcript transcript) {
    return new Transcript(
        "en", List.of(), transcript.words().stream().map(w -> w.withSpeaker(-1)).toList());
  }

  /** Share of words that went to the voice to which most of their speaker's words went. */
  private static double agreement(Transcript truth, Transcript proposed) {
    Map<Integer, Map<Integer, Integer>> counts = new HashMap<>();
    for (int i = 0; i < truth.words().size(); i++) {
      counts
          .computeIfAbsent(truth.words().get(i).speaker(), s -> new HashMap<>())
          .merge(proposed.words().get(i).speaker(), 1, Integer::sum);
    }
    int agreeing =
        counts.values().stream()
            .mapToInt(c -> c.values().stream().mapToInt(n -> n).max().orElse(0))
            .sum();
    return agreeing / (double) truth.words().size();
  }

  @Test
  void voicesInConversationAreToldApart() throws Exception {
    List<String> voices = List.of("slt", "rms", "kal16");
    List<Path> parts = new ArrayList<>();
    List<String> speakers = new ArrayList<>();
    for (int i = 0; i < LINES.length; i++) {
      Path part = folder.resolve("part" + i + ".wav");
      new Flite(voices.get(i % 3), 1).speak(LINES[i], part);
      parts.add(part);
      speakers.add("ABC".substring(i % 3, i % 3 + 1));
    }
    Transcript truth = heard(parts, List.of(LINES), speakers);
    Transcript proposed = VoicesInFile.propose(all(), nameless(truth));
    assertThat(proposed.speakers()).containsExactly("Speaker 1", "Speaker 2", "Speaker 3");
    assertThat(agreement(truth, proposed)).isGreaterThanOrEqualTo(0.95);
    assertThat(proposed.words().stream().map(Word::text))
        .isEqualTo(truth.words().stream().map(Word::text).toList());
  }

  @Test
  void onePersonReadingIsOneVoiceAndAnotherPersonIsAnother() throws Exception {
    List<Path> parts = new ArrayList<>();
    List<String> texts = new ArrayList<>();
    List<String> speakers = new ArrayList<>();
    for (String line : Files.readAllLines(DATA.resolve("librivox/transcription"))) {
      parts.add(DATA.resolve("librivox").resolve(line.replaceAll(".*\\((.*)\\)$", "$1") + ".wav"));
      texts.add(line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip());
      speakers.add("Reader");
    }
    Transcript one = heard(parts, texts, speakers);
    assertThat(VoicesInFile.propose(all(), nameless(one)).speakers()).isEmpty();

    for (String line : Files.readAllLines(DATA.resolve("cards/cards.transcription"))) {
      parts.add(
          parts.size() / 2,
          DATA.resolve("cards").resolve(line.replaceAll(".*\\((.*)\\)$", "$1") + ".wav"));
      texts.add(texts.size() / 2, line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip());
      speakers.add(speakers.size() / 2, "Player");
    }
    Transcript two = heard(parts, texts, speakers);
    Transcript proposed = VoicesInFile.propose(all(), nameless(two));
    assertThat(proposed.speakers()).hasSize(2);
    assertThat(agreement(two, proposed)).isGreaterThanOrEqualTo(0.95);
  }
}
