package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.time.FrameRate;
import paringknife.media.ffmpeg.Measurement;
import tools.jackson.databind.JsonNode;

/**
 * Paring in the real interface: what keeps its time, gaps, clean-up, parting, handing on, a second
 * window.
 */
class ParingInBrowserTest extends FerryInBrowser {
  private static final int RATE = 8_000;

  /**
   * The keyboard pass: a sentence already heard is dropped while the rest plays on without a break.
   */
  @Test
  void whatWasJustHeardIsDroppedWithoutStopping() throws IOException {
    page.evaluate(
        "async () => { await paringKnifePlayer.play(); paringKnifePlayer.pause(); await paringKnifePlayer.seek(0); }");
    double in = clip().path("pared").path("kept").get(0).path("startUs").asDouble() / 1e6;
    double[] sentence = {0, 0};
    JsonNode transcript = api("/api/episodes/1/transcript");
    for (JsonNode end : transcript.path("sentenceEnds")) {
      double ends = transcript.path("endUs").get(end.asInt() - 1).asDouble() / 1e6;
      if (ends - in > 3) {
        sentence = new double[] {ends, end.asInt() - 1};
        break;
      }
    }
    HeardInBrowser.start(page);
    page.keyboard().press("Space");
    HeardInBrowser.playUntil(page, (sentence[0] - in + 0.7) * 1e6);
    page.keyboard().press("Backspace");
    assertThat(word((int) sentence[1])).hasClass(Pattern.compile("cut"));
    saved();
    double rest = ((Number) page.evaluate("() => paringKnifePlayer.position")).doubleValue();
    HeardInBrowser.playUntil(page, rest + 4e6);
    boolean playing = (Boolean) page.evaluate("() => paringKnifePlayer.playing");
    page.keyboard().press("Space");
    Path recorded = folder.resolve("pass.wav");
    HeardInBrowser.stop(page, recorded);
    float[] heard = Eye.sound(recorded, 0, 30);
    double before = Eye.place(Eye.sound(episode.camera(), sentence[0] - 2.2, 2), heard);
    double after = Eye.place(Eye.sound(episode.camera(), sentence[0] + 1.6, 2), heard);
    assertThat(playing).isTrue();
    assertThat(after - before).as("played on").isCloseTo(3.8, within(0.005));
    page.keyboard().press("Control+z");
    assertThat(word((int) sentence[1])).not().hasClass(Pattern.compile("cut"));
    saved();
  }

  /**
   * A pause is stood on like a word, taken out and put back, and the step after it is the next
   * word.
   */
  @Test
  void aPauseIsSelectedParedAndPutBackFromTheKeyboard() {
    int before = wordBeforeAPause();
    Locator pause = page.locator("[data-pause='" + before + "']");
    word(before).click();
    page.keyboard().press("ArrowRight");
    assertThat(pause).hasClass(Pattern.compile("chosen"));
    page.keyboard().press("Backspace");
    assertThat(pause).hasClass(Pattern.compile("cut"));
    saved();
    assertThat(clip().path("pared").path("removals")).hasSize(1);
    assertThat(clip().path("pared").path("removals").get(0).path("reason").asString())
        .isEqualTo("PAUSE");
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("loupe")).isVisible();
    page.keyboard().press("Escape");
    assertThat(page.getByTestId("loupe")).isHidden();
    assertThat(pause).hasClass(Pattern.compile("chosen"));
    page.keyboard().press("r");
    assertThat(pause).not().hasClass(Pattern.compile("cut"));
    page.keyboard().press("ArrowRight");
    page.keyboard().press("Backspace");
    assertThat(word(before + 1)).hasClass(Pattern.compile("cut"));
    page.keyboard().press("ArrowLeft");
    assertThat(pause).hasClass(Pattern.compile("chosen"));
    page.keyboard().press("ArrowRight");
    page.keyboard().press("r");
    assertThat(word(before + 1)).not().hasClass(Pattern.compile("cut"));
    saved();
    assertThat(clip().path("pared").path("removals")).isEmpty();
  }

  /** A word in the clip with a pause after it, and none after the next. */
  private int wordBeforeAPause() {
    JsonNode transcript = api("/api/episodes/1/transcript");
    JsonNode start = transcript.path("startUs");
    JsonNode end = transcript.path("endUs");
    return IntStream.range(5, 55)
        .filter(
            i ->
                start.get(i + 1).asLong() - end.get(i).asLong() >= 500_000
                    && end.get(i + 1).asLong() + 300_000 > start.get(i + 2).asLong())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void wordsAreTakenOutByOtherMeansAndAGapIsPutInFromTheKeyboard() {
    long whole = clip().path("pared").path("lengthUs").asLong();
    select(8, 9);
    page.keyboard().press("o");
    assertThat(word(9)).hasClass(Pattern.compile("toned"));
    select(14, 14);
    page.keyboard().press("y");
    assertThat(word(14)).hasClass(Pattern.compile("muted"));
    select(16, 16);
    page.keyboard().press("e");
    assertThat(word(16)).hasClass(Pattern.compile("uncaptioned"));
    saved();
    assertThat(clip().path("pared").path("lengthUs").asLong()).as("no time went").isEqualTo(whole);
    assertThat(api("/api/clips/" + id + "/preview").path("dressed").asBoolean()).isTrue();
    Set<Long> captioned = new HashSet<>();
    api("/api/clips/" + id + "/cues")
        .findValues("wordId")
        .forEach(id -> captioned.add(id.asLong()));
    JsonNode ids = api("/api/episodes/1/transcript").path("ids");
    assertThat(captioned)
        .contains(ids.get(14).asLong())
        .doesNotContain(ids.get(9).asLong(), ids.get(16).asLong());

    select(11, 11);
    page.keyboard().press("i");
    assertThat(page.locator(".gap")).hasText("+0.5");
    page.locator(".gap").click();
    page.getByLabel("Seconds of the gap").fill("1.2");
    page.keyboard().press("Enter");
    assertThat(page.locator(".gap")).hasText("+1.2");
    saved();
    assertThat(clip().path("pared").path("lengthUs").asLong()).isEqualTo(whole + 1_200_000);
    for (String kind : List.of("Room tone", "Muted", "Uncaptioned", "Gaps put in")) {
      assertThat(page.getByTestId("parings")).containsText(kind);
    }
  }

  private static double rmsDb(float[] sound, double from, double to) {
    double sum = 0;
    int first = (int) (from * RATE);
    int last = Math.min(sound.length, (int) (to * RATE));
    for (int i = first; i < last; i++) {
      sum += sound[i] * sound[i];
    }
    return 10 * Math.log10(sum / Math.max(1, last - first) + 1e-12);
  }

  /**
   * What the loudspeaker gets has the room where words were silenced and where the gap is, and the
   * words beside them.
   */
  @Test
  void theRoomIsHeardInsteadAndTheGapIsAsLongAsItSays() throws IOException {
    change("{\"type\":\"treatWords\",\"first\":8,\"last\":9,\"means\":\"ROOM_TONE\"}");
    change("{\"type\":\"putGap\",\"word\":11,\"seconds\":1.2}");
    openPare(page);
    JsonNode clip = clip();
    Path recorded = folder.resolve("heard.wav");
    HeardInBrowser.play(page, 9.8e6, recorded);
    float[] heard = Eye.sound(recorded, 0, 11);
    JsonNode first = clip.path("pared").path("kept").get(0);
    double in = first.path("startUs").asDouble() / 1e6;
    List<JsonNode> words = episode.words();
    double opening = words.get(8).path("start").asDouble() - in;
    double delay = Eye.place(Eye.sound(episode.camera(), in, opening - 0.1), heard);
    JsonNode toned = clip.path("pared").path("removals").get(0).path("span");
    double from = toned.path("startUs").asDouble() / 1e6 - in + delay;
    double to = toned.path("endUs").asDouble() / 1e6 - in + delay;
    double speech = rmsDb(heard, delay + 0.3, delay + opening - 0.1);
    assertThat(rmsDb(heard, from + 0.03, to - 0.03))
        .as("in place of the words")
        .isLessThan(speech - 20)
        .isGreaterThan(-100);
    double gapAt = first.path("endUs").asDouble() / 1e6 - in + delay;
    assertThat(rmsDb(heard, gapAt + 0.03, gapAt + 1.17)).as("in the gap").isLessThan(speech - 20);
    double next = clip.path("pared").path("kept").get(1).path("startUs").asDouble() / 1e6;
    double place =
        Eye.place(
            Eye.sound(episode.camera(), next, words.get(14).path("start").asDouble() - next - 0.05),
            heard);
    assertThat(place - gapAt).as("the gap's length").isCloseTo(1.2, within(0.01));
  }

  @Test
  void theVoiceIsCleanedHeardBothWaysAndMeasured() {
    page.getByTestId("sound")
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("noise"))
        .click();
    page.getByTestId("sound")
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("hum"))
        .click();
    saved();
    assertThat(clip().path("sounded").path("cleanup").path("noise").asBoolean()).isTrue();
    assertThat(page.getByTestId("loudness")).containsText("LUFS");
    browser.requests.clear();
    page.evaluate(
        "async () => { await paringKnifePlayer.seek(0); await paringKnifePlayer.play(); }");
    HeardInBrowser.playUntil(page, 1e6);
    page.getByTestId("as-recorded").check();
    HeardInBrowser.playUntil(page, 2e6);
    double at =
        ((Number)
                page.evaluate(
                    "() => { paringKnifePlayer.pause(); return paringKnifePlayer.position; }"))
            .doubleValue();
    assertThat(at).as("it goes on where it was").isBetween(2e6, 8e6);
    assertThat(browser.requests)
        .anyMatch(r -> r.contains("/sound?") && r.contains("asRecorded=false"))
        .anyMatch(r -> r.contains("/sound?") && r.contains("asRecorded=true"));
    page.getByTestId("as-recorded").uncheck();
  }

  @Test
  void aSelectionIsHeardOverAndOver() {
    select(20, 24);
    page.evaluate(
        """
        () => {
          let before = paringKnifePlayer.position;
          window.turns = [];
          const watch = () => {
            if (paringKnifePlayer.playing) {
              const now = paringKnifePlayer.position;
              if (now < before - 200000) turns.push([before, now]);
              before = now;
            }
            if (turns.length < 2) requestAnimationFrame(watch);
          };
          watch();
        }""");
    page.keyboard().press("Alt+h");
    page.waitForFunction(
        "() => turns.length >= 1", null, new Page.WaitForFunctionOptions().setTimeout(120_000));
    page.keyboard().press("e");
    saved();
    page.waitForFunction(
        "() => turns.length === 2", null, new Page.WaitForFunctionOptions().setTimeout(120_000));
    Object turns = page.evaluate("() => turns");
    page.keyboard().press("Control+z");
    saved();
    page.evaluate("() => paringKnifePlayer.pause()");
    JsonNode transcript = api("/api/episodes/1/transcript");
    double opening =
        transcript.path("startUs").get(20).asDouble()
            - clip().path("pared").path("kept").get(0).path("startUs").asDouble();
    double gaps =
        clip().path("pared").path("gaps").findValues("lengthUs").stream()
            .mapToDouble(JsonNode::asDouble)
            .sum();
    double length =
        transcript.path("endUs").get(24).asDouble() - transcript.path("startUs").get(20).asDouble();
    for (Object turn : (List<?>) turns) {
      assertThat(((Number) ((List<?>) turn).get(1)).doubleValue())
          .as("begins with the selection")
          .isCloseTo(opening + gaps, within(25_000.0));
      assertThat(((Number) ((List<?>) turn).get(0)).doubleValue())
          .as("ends with it")
          .isCloseTo(opening + gaps + length, within(25_000.0));
    }
  }

  @Test
  void sentenceAndParagraphAreTakenByKeyAndByClicks() {
    word(20).click();
    page.keyboard().press("s");
    int sentence = page.locator(".word.selected").count();
    assertThat(sentence).isGreaterThan(1);
    page.keyboard().press("s");
    assertThat(page.locator(".word.selected").count()).isGreaterThanOrEqualTo(sentence);
    page.keyboard().press("Escape");
    word(20).dblclick();
    assertThat(page.locator(".word.selected")).hasCount(sentence);
    page.keyboard().press("Escape");
  }

  @Test
  void aClipIsPartedAndJoinedOnAgain() {
    JsonNode before = clip();
    word(30).click();
    page.keyboard().press("d");
    assertThat(page.getByTestId("clip")).hasCount(2);
    saved();
    assertThat(clip().path("pared").path("lengthUs").asLong())
        .isLessThan(before.path("pared").path("lengthUs").asLong());
    page.getByTestId("clip").nth(1).hover();
    page.getByLabel(Pattern.compile("Join .* on to the open clip")).click();
    assertThat(page.getByTestId("clip")).hasCount(1);
    saved();
    assertThat(clip().path("pared").path("lengthUs").asLong())
        .isEqualTo(before.path("pared").path("lengthUs").asLong());
    assertThat(clip().path("pared").path("kept")).isEqualTo(before.path("pared").path("kept"));
  }

  @Test
  void theCutIsHandedOnAsAListAndAsPieces() throws IOException {
    openAShorterOne(20);
    change("{\"type\":\"putGap\",\"word\":11,\"seconds\":1.2}");
    openPare(page);
    JsonNode clip = clip();
    page.getByTestId("hand-on").click();
    page.getByLabel("Frames left around each piece").fill("0");
    Download list = page.waitForDownload(() -> page.getByText("EDL, CMX 3600").click());
    assertThat(EditDecisionList.read(Files.readString(list.path()), new FrameRate(25, 1)))
        .anyMatch(e -> e.held())
        .hasSizeGreaterThanOrEqualTo(3);
    page.getByTestId("pieces-one").click();
    page.getByLabel("Frames left around each piece").fill("5");
    page.getByTestId("pieces-each").click();
    Locator made = page.getByTestId("pieces-made");
    assertThat(made).hasCount(2);
    assertThat(made.filter(new Locator.FilterOptions().setHasText("save")))
        .hasCount(2, new LocatorAssertions.HasCountOptions().setTimeout(120_000));
    Path one = folder.resolve("one.mp4");
    Files.copy(
        page.waitForDownload(() -> made.nth(0).getByText("save").click()).path(),
        one,
        StandardCopyOption.REPLACE_EXISTING);
    Measurement measured = Measurement.of(one);
    assertThat(measured.seconds())
        .isCloseTo(clip.path("pared").path("lengthUs").asDouble() / 1e6, within(0.1));
    assertThat(measured.width()).isEqualTo(960);
    Path zip = folder.resolve("each.zip");
    Files.copy(
        page.waitForDownload(() -> made.nth(1).getByText("save").click()).path(),
        zip,
        StandardCopyOption.REPLACE_EXISTING);
    List<String> names = new ArrayList<>();
    try (ZipFile pieces = new ZipFile(zip.toFile())) {
      for (ZipEntry entry : pieces.stream().map(e -> (ZipEntry) e).toList()) {
        names.add(entry.getName());
        Path piece = folder.resolve("piece.mp4");
        try (InputStream in = pieces.getInputStream(entry)) {
          Files.copy(in, piece, StandardCopyOption.REPLACE_EXISTING);
        }
        assertThat(Measurement.of(piece).seconds()).isGreaterThan(0.2);
      }
    }
    assertThat(names).isNotEmpty().allMatch(n -> n.startsWith("the-rope/0") && n.endsWith(".mp4"));
    page.keyboard().press("Escape");
  }

  @Test
  void aSecondWindowSeesTheChangesAndOverwritesNothing() {
    Page other = browser.page();
    openPare(other);
    select(40, 41);
    page.keyboard().press("Backspace");
    assertThat(word(41)).hasClass(Pattern.compile("cut"));
    assertThat(other.locator("[data-w='41']")).hasClass(Pattern.compile("cut"));
    other.locator("[data-w='44']").click();
    other.keyboard().press("Backspace");
    assertThat(word(44)).hasClass(Pattern.compile("cut"));
    assertThat(word(41)).hasClass(Pattern.compile("cut"));
    other.close();
  }

  @Test
  void keysCanBePutElsewhere() {
    page.keyboard().press("?");
    Locator keys = page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Keys"));
    keys.getByLabel("Key O: put elsewhere").click();
    page.keyboard().press("q");
    assertThat(keys.getByLabel("Key Q: put elsewhere")).isVisible();
    page.keyboard().press("Escape");
    assertThat(keys).isHidden();
    select(30, 30);
    page.keyboard().press("o");
    page.keyboard().press("q");
    assertThat(word(30)).hasClass(Pattern.compile("toned"));
    saved();
    page.keyboard().press("Control+z");
    assertThat(word(30)).not().hasClass(Pattern.compile("toned"));
    saved();
    page.reload();
    page.locator("[data-testid=plate][data-ready=true]").waitFor();
    page.keyboard().press("?");
    keys.getByText("All back as they were").click();
    assertThat(keys.getByLabel("Key O: put elsewhere")).isVisible();
    page.keyboard().press("Escape");
  }
}
