package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import paringknife.media.store.CaptionFonts;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Captions edited and set in the browser, and what is seen of them against what is burnt. */
class LetterInBrowserTest extends FerryInBrowser {

  @BeforeEach
  void openLetter() {
    openStage("Letter");
    assertThat(page.getByLabel("Text of the caption")).isVisible();
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true))
        .first();
  }

  private List<String> texts() {
    List<String> texts = new ArrayList<>();
    for (JsonNode cue : api("/api/clips/" + id + "/cues")) {
      List<String> lines = new ArrayList<>();
      for (JsonNode line : cue.path("lines")) {
        List<String> words = new ArrayList<>();
        line.forEach(w -> words.add(w.path("text").asString()));
        lines.add(String.join(" ", words));
      }
      texts.add(String.join("\n", lines));
    }
    return texts;
  }

  private JsonNode lettered() {
    return clip().path("lettered");
  }

  @Test
  void aCaptionReadsAsItIsTypedAndGoesBackInOneStep() {
    List<String> proposed = texts();
    word(0).click();
    Locator field = page.getByLabel("Text of the caption");
    assertThat(field).hasValue(proposed.get(0));
    field.fill("Something\nelse altogether");
    field.press("Control+Enter");
    assertThat(page.getByText("1 set by hand")).isVisible();
    assertThat(texts().get(0)).isEqualTo("Something\nelse altogether");
    assertThat(texts().subList(1, texts().size())).isEqualTo(proposed.subList(1, proposed.size()));
    assertThat(word(0)).not().hasText("Something");
    button("As proposed").click();
    assertThat(page.getByText("1 set by hand")).hasCount(0);
    assertThat(texts()).isEqualTo(proposed);
    page.keyboard().press("Control+z");
    page.waitForCondition(() -> texts().get(0).startsWith("Something"));
  }

  /** By the keyboard: captions and lines begin where they are told to, and times are nudged. */
  @Test
  void captionsAreBrokenAndTimedByTheKeyboard() {
    List<String> proposed = texts();
    JsonNode cue = api("/api/clips/" + id + "/cues").get(1);
    long first = cue.path("lines").get(0).get(0).path("wordId").asLong();
    word((int) first + 1).click();
    page.keyboard().press("q");
    page.waitForCondition(() -> begins(first + 1));
    saved();
    page.keyboard().press("q");
    page.waitForCondition(() -> texts().equals(proposed));

    word((int) first).click();
    // A key is about what the page shows.
    assertThat(page.getByLabel("Text of the caption")).hasValue(proposed.get(1));
    page.keyboard().press("Alt+.");
    page.waitForCondition(() -> begin(1) == cue.path("span").path("startUs").asLong() + 40_000);
    page.keyboard().press("Alt+,");
    page.keyboard().press("v");
    page.waitForCondition(
        () -> lettered().path("edits").path("").toString().contains("\"type\":\"key\""));
    saved();
  }

  private boolean begins(long word) {
    for (JsonNode cue : api("/api/clips/" + id + "/cues")) {
      if (cue.path("lines").get(0).get(0).path("wordId").asLong() == word) {
        return true;
      }
    }
    return false;
  }

  private long begin(int cue) {
    return api("/api/clips/" + id + "/cues").get(cue).path("span").path("startUs").asLong();
  }

  /** Seen on the plate while it is dragged, kept when it is let go, and undone. */
  @Test
  void captionsAreDraggedToAnotherPlace() {
    seekWithCaptions(600_000);
    BoundingBox plate = page.getByTestId("plate").boundingBox();
    page.mouse().move(plate.x + plate.width / 2, plate.y + plate.height * 0.7);
    page.mouse().down();
    page.mouse().move(plate.x + plate.width / 2 + 1, plate.y + plate.height * 0.5);
    assertThat(page.locator("[data-testid=captions][data-script=tried]")).hasCount(1);
    page.mouse().move(plate.x + plate.width / 2 + 1, plate.y + plate.height * 0.4);
    page.mouse().up();
    page.waitForCondition(() -> lettered().path("style").isObject());
    JsonNode place = lettered().path("style").path("place");
    assertThat(place.path("x").asDouble()).as("snapped to the middle").isEqualTo(0.5);
    assertThat(place.path("y").asDouble()).isCloseTo(0.45, within(0.02));
    seekWithCaptions(640_000);
    page.keyboard().press("Control+z");
    page.waitForCondition(() -> lettered().path("style").isNull());
  }

  /** Before the first caption none stands; what is tried is seen all the same. */
  @Test
  void aStyleIsTriedWhereACaptionStands() {
    JsonNode first = api("/api/clips/" + id + "/cues").get(0).path("span");
    assertThat(first.path("startUs").asLong()).as("it begins later").isPositive();
    seekWithCaptions(0);
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true))
        .first()
        .press("ArrowRight");
    page.waitForCondition(() -> lettered().path("style").isObject());
    page.waitForCondition(() -> drawnUs() >= first.path("startUs").asLong());
    assertThat(drawnUs()).isLessThan(first.path("endUs").asLong());
  }

  private long drawnUs() {
    String drawn = page.getByTestId("captions").getAttribute("data-drawn");
    return drawn == null ? -1 : Long.parseLong(drawn);
  }

  /** One caption goes elsewhere, the others stay; then all of this shape, and of no other. */
  @Test
  void captionsStandElsewhereOneByOneAndByShape() {
    JsonNode cue = api("/api/clips/" + id + "/cues").get(1);
    word(cue.path("lines").get(0).get(0).path("wordId").asInt()).click();
    page.getByLabel("Where they stand").selectOption("elsewhere");
    assertThat(page.getByText("1 set by hand")).isVisible();
    double before = placed().path("place").path("y").asDouble();
    Locator grip = page.getByLabel("Place of the captions");
    grip.press("ArrowUp");
    page.waitForCondition(() -> placed().path("place").path("y").asDouble() < before);
    assertThat(lettered().path("style").isNull()).as("the others stay").isTrue();
    page.getByLabel("Where they stand").selectOption("there");
    assertThat(page.getByText("1 set by hand")).hasCount(0);
    assertThat(placed()).isNull();

    page.getByText("Place", new Page.GetByTextOptions().setExact(true)).click();
    button("in 9:16 only").click();
    page.waitForCondition(() -> lettered().path("style").path("places").size() == 1);
    double stood =
        lettered().path("style").path("places").get(0).path("place").path("y").asDouble();
    saved();
    grip.press("ArrowUp");
    page.waitForCondition(
        () ->
            lettered().path("style").path("places").get(0).path("place").path("y").asDouble()
                < stood);
    assertThat(lettered().path("style").path("place").isNull()).isTrue();
  }

  private JsonNode placed() {
    for (JsonNode edit : lettered().path("edits").path("")) {
      if (edit.path("type").asString().equals("placed")) {
        return edit;
      }
    }
    return null;
  }

  @Test
  void aShowTakesAHouseStyleByItsName() {
    button("For the show").click();
    page.getByLabel("House style of Test talk").selectOption("Fireside");
    assertThat(page.getByText("This clip is other than Fireside")).isVisible();
    button("As the show has it").click();
    assertThat(page.getByText("This clip is as Fireside has it.")).isVisible();
    assertThat(lettered().path("lettering").asString()).isEqualTo("quay");
    assertThat(button("Keep this clip’s style")).isEnabled();
    page.getByLabel("Name of the style").fill("Fireside");
    assertThat(button("Change it to this clip’s")).isDisabled();
    page.getByLabel("Name of the style").fill("The ferry's own");
    button("Keep this clip’s style").click();
    assertThat(page.getByText("This clip is as The ferry's own has it.")).isVisible();
    button("Remove").click();
    button("Remove for good").click();
    assertThat(page.getByLabel("House style of Test talk")).hasValue("");
  }

  @Test
  void aLogoStandsInItsCornerOnThePlate() throws IOException {
    openStage("Letter");
    button("For the show").click();
    Path picture = folder.resolve("logo.png");
    ImageIO.write(new BufferedImage(90, 30, BufferedImage.TYPE_INT_RGB), "png", picture.toFile());
    page.getByLabel("Picture of the logo").setInputFiles(picture);
    Locator logo = page.getByTestId("logo");
    assertThat(logo).isVisible();
    button("Bottom right").click();
    JsonNode[] shown = new JsonNode[1];
    page.waitForCondition(
        () -> {
          shown[0] = api("/api/clips/" + id + "/preview").path("logo");
          return shown[0].path("corner").asString().equals("BOTTOM_RIGHT");
        });
    page.waitForCondition(
        () -> {
          BoundingBox plate = page.getByTestId("plate").boundingBox();
          BoundingBox box = logo.boundingBox();
          JsonNode place = shown[0].path("place");
          return Math.abs((box.x - plate.x) / plate.width - place.path("x").asDouble()) < 0.005
              && Math.abs((box.y - plate.y) / plate.height - place.path("y").asDouble()) < 0.005
              && Math.abs(box.width / box.height - 3) < 0.1;
        });
    page.keyboard().press("Control+z");
    page.keyboard().press("Control+z");
    assertThat(logo).isHidden();
    page.getByLabel("Picture of the logo")
        .setInputFiles(Files.writeString(folder.resolve("no.png"), "no picture at all"));
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("PNG or a JPEG");
  }

  /** The end of a caption in the lane goes along, snaps to words and frames, and is kept. */
  @Test
  void aCaptionIsRetimedByDraggingItsEnd() {
    Locator end = page.locator("[data-lane-edge=ends]").first();
    BoundingBox box = end.boundingBox();
    long before = end(0);
    page.mouse().move(box.x + box.width / 2, box.y + 3);
    page.mouse().down();
    page.mouse().move(box.x + box.width / 2, box.y - 1);
    page.mouse().move(box.x + box.width / 2, box.y - 6);
    page.mouse().up();
    page.waitForCondition(() -> end(0) < before);
    assertThat(lettered().path("edits").path("").toString()).contains("\"type\":\"end\"");
    saved();
    page.keyboard().press("Control+z");
    page.waitForCondition(() -> end(0) == before);
  }

  private long end(int cue) {
    return api("/api/clips/" + id + "/cues").get(cue).path("span").path("endUs").asLong();
  }

  @Test
  void aLetteringIsChosenFromTheSheetAndChangedForThisClip() {
    button("Heron").click();
    page.waitForCondition(() -> lettered().path("lettering").asString().equals("heron"));
    Locator size = page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).first();
    assertThat(size).hasAttribute("aria-valuenow", "104");
    size.focus();
    page.keyboard().press("ArrowRight");
    page.waitForCondition(
        () -> lettered().path("style").path("face").path("size").asDouble() == 105);
    button("How it breaks").click();
    button("one word").click();
    page.waitForCondition(() -> texts().stream().noneMatch(t -> t.contains(" ")));
    button("Back to the lettering’s way").click();
    page.waitForCondition(() -> texts().stream().anyMatch(t -> t.contains(" ")));
    button("fillers").click();
    page.waitForCondition(() -> texts().stream().noneMatch(t -> t.matches("(?is).*\\bu[hm]\\b.*")));
  }

  private void looksAsBurnt(long us, Path fonts, String what) throws IOException {
    String script =
        page.request().get(server.address() + "/api/clips/" + id + "/captions.ass").text();
    Path ass = Files.writeString(folder.resolve("preview.ass"), script);
    seekWithCaptions(us);
    Eye.Likeness likeness = Eye.captionLikeness(captionsOnGround(), ass, fonts, us / 1e6, folder);
    for (int look = 0; likeness.withCaptions() <= 0.99 && look < 60; look++) {
      page.waitForTimeout(200);
      likeness = Eye.captionLikeness(captionsOnGround(), ass, fonts, us / 1e6, folder);
    }
    assertThat(likeness.withCaptions()).as(what).isGreaterThan(0.99);
    assertThat(likeness.withoutCaptions()).as(what).isLessThan(likeness.withCaptions() - 0.005);
  }

  /** Begun, proposed, one of them typed, looked at on the plate, and put into the picture. */
  @Test
  void captionsComeInAnotherLanguage() {
    button("Languages").click();
    page.getByLabel("Another language").selectOption("de");
    button("Propose what is open").click();
    assertThat(page.getByText("by a phrase book that stands in")).isVisible();
    Locator first = page.locator("li[data-sentence]").first();
    page.waitForCondition(() -> german(0).path("state").asString().equals("PROPOSED"));
    assertThat(first.getByRole(AriaRole.TEXTBOX)).hasValue(german(0).path("text").asString());
    first.getByRole(AriaRole.TEXTBOX).fill("Ganz anders gesagt.");
    first.getByRole(AriaRole.TEXTBOX).press("Enter");
    page.waitForCondition(() -> german(0).path("text").asString().equals("Ganz anders gesagt."));
    assertThat(german(0).path("state").asString()).isEqualTo("REVIEWED");
    assertThat(page.locator("[data-testid=captions][data-script*='language=de']")).hasCount(1);
    button("into the picture").click();
    page.waitForCondition(
        () -> lettered().path("translations").path("de").path("use").asString().equals("BURNT"));
    button("How it looks").click();
    assertThat(page.locator("[data-testid=captions][data-script*='language']")).hasCount(0);
    assertThat(page.request().get(server.address() + "/api/clips/" + id + "/captions.ass").text())
        .contains("Ganz")
        .contains(",Text2,");
    page.keyboard().press("Control+z");
    page.waitForCondition(
        () -> lettered().path("translations").path("de").path("use").asString().equals("BESIDE"));
  }

  private JsonNode german(int sentence) {
    return api("/api/clips/" + id + "/translations/de").path("sentences").get(sentence);
  }

  /** A font that no machine has: Debian's DejaVu Serif under another name. */
  private static byte[] brandFont() throws IOException {
    byte[] font =
        Files.readAllBytes(Path.of("/usr/share/fonts/truetype/dejavu/DejaVuSerif-Bold.ttf"));
    String latin = new String(font, StandardCharsets.ISO_8859_1);
    String family =
        new String("DejaVu Serif".getBytes(StandardCharsets.UTF_16BE), StandardCharsets.ISO_8859_1);
    String brand =
        new String("Gannet Serif".getBytes(StandardCharsets.UTF_16BE), StandardCharsets.ISO_8859_1);
    assertThat(latin).contains(family);
    return latin
        .replace(family, brand)
        .replace("DejaVu Serif", "Gannet Serif")
        .getBytes(StandardCharsets.ISO_8859_1);
  }

  @Test
  void captionsAreSetInAFontOfOnesOwn() throws IOException {
    Path file = Files.write(folder.resolve("brand.ttf"), brandFont());
    page.getByLabel("Font file").setInputFiles(file);
    assertThat(page.getByTestId("own-font")).containsText("Gannet Serif, bold");
    page.locator("label:has-text('Font') select").first().selectOption("Gannet Serif, bold");
    page.waitForCondition(
        () ->
            lettered().path("style").path("face").path("family").asString().equals("Gannet Serif"));
    CaptionFonts fonts = new CaptionFonts(folder.resolve("fonts"));
    fonts.add(brandFont());
    JsonNode span = api("/api/clips/" + id + "/cues").get(1).path("span");
    long frame = (span.path("startUs").asLong() + span.path("endUs").asLong()) / 2 / 40_000;
    looksAsBurnt(frame * 40_000 + 100, fonts.directory(), "a font of one's own");

    page.getByLabel("Font file")
        .setInputFiles(Files.writeString(folder.resolve("notes.ttf"), "no font at all"));
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("no font that can be used");
    button("Remove Gannet Serif, bold").click();
    assertThat(page.getByTestId("own-font")).hasCount(0);
    assertThat(page.getByText("Gannet Serif, which is not there any more")).hasCount(1);
    assertThat(api("/api/episodes/1/sheet").toString())
        .contains("Gannet Serif is not there any more: captions are set in another font");
  }

  /** The very glyphs: libass in the browser against libass in ffmpeg, same script, same fonts. */
  @Test
  void everyLetteringIsDrawnInTheBrowserAsItIsBurnt() throws IOException {
    Path fonts = new CaptionFonts(folder.resolve("fonts")).directory();
    for (JsonNode lettering : api("/api/letterings").path("letterings")) {
      String name = lettering.path("id").asString();
      change("{\"type\":\"letter\",\"lettering\":\"" + name + "\"}");
      JsonNode span = api("/api/clips/" + id + "/cues").get(1).path("span");
      long frame = (span.path("startUs").asLong() + span.path("endUs").asLong()) / 2 / 40_000;
      looksAsBurnt(frame * 40_000 + 100, fonts, name);
    }
  }

  @Test
  void twoColoursAndSoftLettersAreDrawnInTheBrowserAsTheyAreBurnt() throws IOException {
    Path fonts = new CaptionFonts(folder.resolve("fonts")).directory();
    ObjectNode style =
        (ObjectNode) api("/api/letterings").path("letterings").get(0).path("style").deepCopy();
    ObjectNode fill = (ObjectNode) style.path("fill");
    fill.putObject("foot").put("red", 240).put("green", 120).put("blue", 40).put("alpha", 255);
    for (double softness : new double[] {0, 6}) {
      fill.put("softness", softness);
      change("{\"type\":\"restyle\",\"style\":" + style + "}");
      JsonNode span = api("/api/clips/" + id + "/cues").get(1).path("span");
      long frame = (span.path("startUs").asLong() + span.path("endUs").asLong()) / 2 / 40_000;
      looksAsBurnt(frame * 40_000 + 100, fonts, "softness " + softness);
    }
  }

  /** Letters that the face does not have: other scripts, joined, right to left, stacked, square. */
  @Test
  void everyScriptIsDrawnInTheBrowserAsItIsBurnt() throws IOException {
    Path fonts = new CaptionFonts(folder.resolve("fonts")).directory();
    JsonNode cue = api("/api/clips/" + id + "/cues").get(1);
    List<String> words = new ArrayList<>();
    cue.path("lines").forEach(l -> l.forEach(w -> words.add(w.path("wordId").asString())));
    // While its first word is heard, whatever is typed for the others.
    long frame = (cue.path("span").path("startUs").asLong() + 150_000) / 40_000;
    for (String text :
        new String[] {
          "Žluťoučký kůň, Łódź\\nНельзя вернуть",
          "Η παλιά γέφυρα\\nMột cây cầu cũ",
          "مرحبا بكم هنا",
          "שלום לכולם",
          "पुराना पुल यहाँ\\nสะพานเก่า",
          "最終便は出た\\n마지막 배가 떠났다",
          "最后一班渡轮\\nwell done 👍 🎉"
        }) {
      List<String> seen = new ArrayList<>();
      for (int i = 0; i < words.size(); i++) {
        seen.add("{\"id\":" + words.get(i) + ",\"text\":\"-" + i + "\"}");
      }
      change("{\"type\":\"retype\",\"words\":" + seen + ",\"text\":\"" + text + "\"}");
      looksAsBurnt(frame * 40_000 + 100, fonts, text);
    }
  }
}
