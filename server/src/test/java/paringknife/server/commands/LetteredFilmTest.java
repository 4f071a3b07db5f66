package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ChildProcess;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Captions drawn into a finished film, read back by tesseract and found by their colour. */
class LetteredFilmTest {
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;
  private static final int FRAMES_A_SECOND = 25;

  /** Words of one length, so that each is heard for a quarter of two seconds. */
  private static final String SAID =
      "1\n00:00:00,400 --> 00:00:02,400\nfour rope gate mill\n\n"
          + "2\n00:00:02,600 --> 00:00:03,800\nNobody rang.\n";

  @TempDir Path folder;
  private Path film;
  private Path subtitles;

  @BeforeEach
  void makeAFilm() throws Exception {
    subtitles = Files.writeString(folder.resolve("film.srt"), SAID);
    makeAFilm(4);
  }

  private void makeAFilm(int seconds) {
    film = folder.resolve("film.mp4");
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "color=c=0x304040:s=%dx%d:r=%d:d=%d".formatted(WIDTH, HEIGHT, FRAMES_A_SECOND, seconds),
        "-f",
        "lavfi",
        "-i",
        "sine=f=300:d=" + seconds,
        "-pix_fmt",
        "yuv420p",
        "-shortest",
        film.toString());
  }

  private byte[] ffmpeg(String... arguments) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error", "-y"));
    command.addAll(List.of(arguments));
    return ChildProcess.run(command, folder, Duration.ofMinutes(2)).output();
  }

  private static int execute(String... arguments) {
    return new CommandLine(new Main()).execute(arguments);
  }

  private Path lettered(String... more) {
    Path out = folder.resolve("out.mp4");
    List<String> line =
        new ArrayList<>(
            List.of("tool", "letter", film.toString(), subtitles.toString(), "--out", "" + out));
    line.addAll(List.of(more));
    assertThat(execute(line.toArray(String[]::new))).isZero();
    return out;
  }

  private String read(Path file, double second) {
    return read(file, second, "eng");
  }

  private String read(Path file, double second, String language) {
    Path picture = folder.resolve("read.png");
    ffmpeg(
        "-ss",
        Double.toString(second),
        "-i",
        file.toString(),
        "-frames:v",
        "1",
        "-vf",
        "crop=iw:ih*0.2:0:ih*0.8,scale=iw*2:-1,format=gray,negate",
        picture.toString());
    return new String(
            ChildProcess.run(
                    List.of("tesseract", picture.toString(), "-", "--psm", "6", "-l", language),
                    folder,
                    Duration.ofMinutes(1))
                .output(),
            StandardCharsets.UTF_8)
        .toLowerCase(Locale.ROOT);
  }

  @ParameterizedTest
  @ValueSource(strings = {"matinee", "broadside"})
  void captionsAreReadBackWhereTheyStandAndNowhereElse(String lettering) {
    Path out = lettered("--lettering", lettering);
    assertThat(read(out, 3.2)).containsAnyOf("nobody", "rang");
    assertThat(read(out, 1.4)).containsAnyOf("rope", "gate", "mill");
    assertThat(read(out, 3.9)).doesNotContain("nobody").doesNotContain("rang");
    Recording made = Probe.of(out);
    assertThat(made.durationUs()).isCloseTo(4_000_000, within(50_000L));
    assertThat(made.hasSound()).isTrue();
  }

  /**
   * Five captions in each of four letterings, in three scripts: that without blanks is broken by
   * its own rules and takes twice the room. Tesseract's data are Debian's.
   */
  @ParameterizedTest
  @CsvSource({
    "ledger,eng,Boats left|Nobody rang|Old timber|Morning came|Seven gulls",
    "twofold,rus,Паром ушёл рано|Никто не звонил|Старый мост стоит|Утро было тихим|Семь лодок ушли",
    "matinee,jpn,最終便は静かに港を出ました|誰も鐘を鳴らさなかった|古い橋が見えます|朝の海は静かでした|七隻の船が出た",
    "lectern,jpn,最終便は静かに港を出ました|誰も鐘を鳴らさなかった|古い橋が見えます|朝の海は静かでした|七隻の船が出た"
  })
  void everyScriptIsReadBack(String lettering, String language, String all) throws Exception {
    String[] said = all.split("\\|");
    StringBuilder srt = new StringBuilder();
    for (int i = 0; i < said.length; i++) {
      srt.append("%d\n00:00:0%d,000 --> 00:00:0%d,700\n%s\n\n".formatted(i + 1, i, i, said[i]));
    }
    Files.writeString(subtitles, srt.toString());
    makeAFilm(said.length);
    Path out = lettered("--lettering", lettering);
    for (int i = 0; i < said.length; i++) {
      String read = read(out, i + 0.5, language).replaceAll("\\s", "");
      String wanted = said[i].toLowerCase(Locale.ROOT).replaceAll("\\s", "");
      assertThat(read).isEqualTo(wanted);
    }
  }

  /** The column about which a colour lies in a frame; -1 where there is none of it. */
  private static double middleOf(byte[] pictures, int frame, int red, int green, int blue) {
    double sum = 0;
    int count = 0;
    int from = frame * WIDTH * HEIGHT * 3;
    for (int p = 0; p < WIDTH * HEIGHT; p++) {
      int at = from + p * 3;
      int off =
          Math.abs((pictures[at] & 255) - red)
              + Math.abs((pictures[at + 1] & 255) - green)
              + Math.abs((pictures[at + 2] & 255) - blue);
      if (off < 60) {
        sum += p % WIDTH;
        count++;
      }
    }
    return count < 20 ? -1 : sum / count;
  }

  /** The mark goes from word to word in the frame in which the next one is heard. */
  @Test
  void theSpokenWordIsMarkedInItsFrame() {
    Path out = lettered("--lettering", "ledger");
    byte[] pictures = ffmpeg("-i", out.toString(), "-pix_fmt", "rgb24", "-f", "rawvideo", "pipe:1");
    double before = -1;
    for (int word = 0; word < 4; word++) {
      int first = (int) Math.ceil((0.4 + word * 0.5) * FRAMES_A_SECOND);
      double early = middleOf(pictures, first + 1, 0xF2, 0xB3, 0x5B);
      double late = middleOf(pictures, first + 10, 0xF2, 0xB3, 0x5B);
      assertThat(late).as("while it is heard").isCloseTo(early, within(3.0));
      assertThat(early).as("further right").isGreaterThan(before + 20);
      before = late;
    }
    assertThat(middleOf(pictures, 8, 0xF2, 0xB3, 0x5B)).as("before the first").isEqualTo(-1);
  }

  @Test
  void aLetteringOfOnesOwnIsTakenAndABrokenOneRefused() throws Exception {
    PrintStream before = System.out;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
    try {
      assertThat(execute("tool", "letterings")).isZero();
    } finally {
      System.setOut(before);
    }
    JsonNode all = new JsonMapper().readTree(said.toString(StandardCharsets.UTF_8));
    assertThat(all).hasSizeGreaterThanOrEqualTo(12);
    Path own = folder.resolve("own.json");
    Files.writeString(own, all.get(4).toString().replace("\"red\":242", "\"red\":20"));
    Path out = lettered("--style", own.toString(), "--words", "1");
    assertThat(Probe.of(out).picture()).isNotNull();
    for (String broken :
        new String[] {
          "{", "null", "[]", "{\"id\":\"x\"}", all.get(4).toString().replace("118", "9000")
        }) {
      Files.writeString(own, broken);
      assertThat(
              execute(
                  "tool",
                  "letter",
                  film.toString(),
                  subtitles.toString(),
                  "--style",
                  own.toString(),
                  "--out",
                  folder.resolve("none.mp4").toString()))
          .as(broken)
          .isNotZero();
    }
    assertThat(folder.resolve("none.mp4")).doesNotExist();
  }
}
