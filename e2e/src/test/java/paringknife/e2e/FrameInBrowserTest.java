package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.RequestOptions;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Framing by hand, by mouse and by keyboard; and the plate against the file. */
class FrameInBrowserTest extends FerryInBrowser {
  @BeforeEach
  void openFrame() {
    openStage("Frame");
    assertThat(page.getByTestId("window")).isVisible();
  }

  private Locator button(String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private void reaching(String reach) {
    page.getByLabel("For what it holds").selectOption(reach);
  }

  private JsonNode set() {
    saved();
    return clip().path("framed").path("set");
  }

  /** The picture on the plate, without captions. */
  private String plate() {
    return (String)
        page.evaluate("document.querySelector('[data-testid=plate] canvas').toDataURL()");
  }

  @Test
  void theWindowIsDraggedAndThePlateFollowsAtOnce() {
    assertThat(page.locator("[data-testid=whole][data-frame]")).isVisible();
    BoundingBox box = page.getByTestId("window").boundingBox();
    String before = plate();
    page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
    page.mouse().down();
    page.mouse().move(box.x + box.width / 2 + 60, box.y + box.height / 2 + 10);
    assertThat(plate()).as("while it is dragged").isNotEqualTo(before);
    page.mouse().up();
    assertThat(page.getByTestId("window")).hasAttribute("data-dragged", "false");
    JsonNode set = set();
    assertThat(set.size()).isEqualTo(1);
    assertThat(set.get(0).path("shown").path("type").asString()).isEqualTo("still");
    assertThat(set.get(0).path("extent").path("type").asString()).isEqualTo("stretch");
    BoundingBox after = page.getByTestId("window").boundingBox();
    assertThat(after.x - box.x).isCloseTo(60, within(2.0));
    assertThat(page.getByText("by hand").first()).isVisible();

    button("Let this one go").click();
    assertThat(set().size()).isZero();
    page.waitForCondition(() -> Math.abs(page.getByTestId("window").boundingBox().x - box.x) < 1);
  }

  @Test
  void allOfItGoesByTheKeyboard() {
    Locator window = page.getByTestId("window");
    BoundingBox box = window.boundingBox();
    window.focus();
    page.keyboard().press("+");
    page.keyboard().press("Shift+ArrowRight");
    page.keyboard().press("ArrowUp");
    page.keyboard().press("Escape");
    assertThat(window).hasAttribute("data-dragged", "false");
    assertThat(window.boundingBox().x).isCloseTo(box.x, within(1.0));
    page.keyboard().press("+");
    page.keyboard().press("Shift+ArrowRight");
    page.keyboard().press("Enter");
    assertThat(window).hasAttribute("data-dragged", "false");
    JsonNode still = set().get(0).path("shown").path("window");
    assertThat(window.boundingBox().height).isLessThan(box.height);
    assertThat(still.path("height").asDouble()).isBetween(0.1, 1.0);
  }

  /** Named once, joined and dismissed; each is seen at once, here and over HTTP, and taken back. */
  @Test
  void whoIsSeenIsPutRight() {
    button("People").click();
    page.getByLabel("Name of Ben Ford").fill("Benedict Ford");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Hold Benedict Ford")).isVisible();
    assertThat(page.getByLabel("Name of Benedict Ford")).isVisible();

    page.getByLabel("Put Benedict Ford right").selectOption("dismiss");
    assertThat(page.getByLabel("Hold Benedict Ford")).hasCount(0);
    assertThat(button("Both, stacked")).hasCount(0);
    assertThat(api("/api/episodes/1").path("people").size()).isEqualTo(1);

    page.getByText("Take back the last change").click();
    assertThat(page.getByLabel("Hold Benedict Ford")).isVisible();
    page.getByText("Take back the last change").click();
    assertThat(page.getByLabel("Hold Ben Ford")).isVisible();
    assertThat(page.getByText("Take back the last change")).isDisabled();
    for (String wrong :
        new String[] {
          "{\"correction\":{\"type\":\"joined\",\"person\":0,\"into\":0}}",
          "{\"correction\":{\"type\":\"joined\",\"person\":0,\"into\":7}}",
          "{\"correction\":{\"type\":\"named\",\"person\":-4,\"name\":\"Ada\"}}",
          "{\"correction\":{\"type\":\"named\",\"person\":0,\"name\":\" \"}}",
          "{\"correction\":{\"type\":\"notThis\",\"person\":0,\"atUs\":-9,\"other\":0}}",
          "{\"correction\":null}",
          "{}"
        }) {
      assertThat(status("/api/episodes/1/people", wrong)).as(wrong).isBetween(400, 499);
    }
    assertThat(api("/api/episodes/1").path("peoplePutRight").asBoolean()).isFalse();
  }

  private int status(String path, String body) {
    return page.request()
        .post(
            server.address() + path,
            RequestOptions.create().setHeader("Content-Type", "application/json").setData(body))
        .status();
  }

  @Test
  void aLayoutHoldsAsFarAsItIsSaidTo() {
    assertThat(page.getByTestId("places")).hasText("1 place");
    word(30).click();
    assertThat(page.getByLabel("For what it holds")).hasValue("stretch");
    button("Both, stacked").click();
    assertThat(button("Both, stacked")).hasAttribute("aria-pressed", "true");
    JsonNode span = set().get(0).path("extent").path("span");
    assertThat(span.path("endUs").asLong() - span.path("startUs").asLong())
        .as("the stretch, not the word that was clicked")
        .isGreaterThan(1_000_000);
    assertThat(set().get(0).path("extent").path("type").asString()).isEqualTo("stretch");
    assertThat(page.getByText("2 together, set").first()).isVisible();

    reaching("clip");
    button("Whole, soft").click();
    saved();
    assertThat(clip().path("framed").path("layout").path("type").asString()).isEqualTo("whole");

    long other =
        post("/api/episodes/1/clips", "{\"firstWord\":5,\"lastWord\":40,\"title\":\"Another\"}")
            .path("id")
            .asLong();
    page.reload();
    assertThat(page.getByTestId("window")).isVisible();
    reaching("episode");
    assertThat(page.getByTestId("places")).hasText("2 clips");
    button("The middle").click();
    page.waitForCondition(
        () ->
            api("/api/clips/" + other)
                .path("framed")
                .path("layout")
                .path("type")
                .asString()
                .equals("middle"));
    saved();
    assertThat(clip().path("framed").path("layout").path("type").asString()).isEqualTo("middle");
  }

  @Test
  void pushInsAreProposedSwitchedOffAndMoved() {
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Push-ins")).click();
    button("Propose on the strongest words").click();
    Locator rows = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Push-ins"));
    assertThat(rows.getByRole(AriaRole.CHECKBOX).first()).isChecked();
    assertThat(page.getByText("12 % in").first()).isVisible();
    rows.getByRole(AriaRole.CHECKBOX).first().click();
    assertThat(rows.getByRole(AriaRole.CHECKBOX).first()).not().isChecked();
    saved();
    assertThat(clip().path("framed").path("pushIns").get(0).path("on").asBoolean()).isFalse();

    select(2, 4);
    int before = clip().path("framed").path("pushIns").size();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("20 %")).first().click();
    saved();
    JsonNode pushIns = clip().path("framed").path("pushIns");
    assertThat(pushIns.size()).isBetween(before, before + 1);
    assertThat(pushIns.valueStream().anyMatch(p -> p.path("share").asDouble() == 0.2)).isTrue();
  }

  /** The plate's picture as a file, once it shows a frame. */
  private Path shownAt(long frame) throws IOException {
    page.evaluate("us => paringKnifePlayer.seek(us)", frame * 40_000 + 100.0);
    page.waitForFunction(
        """
            ([frame, behind]) => {
              const { dataset } = document.querySelector('[data-testid=plate] canvas');
              return dataset.frame === String(frame) && dataset.behind === behind;
            }""",
        List.of((double) frame, clip().path("framed").path("behind").asString("")));
    return Files.write(
        folder.resolve("plate.png"),
        Base64.getDecoder()
            .decode(
                ((String)
                    page.evaluate(
                        """
                            () => {
                              const shown = document.querySelector('[data-testid=plate] canvas');
                              const copy = document.createElement('canvas');
                              copy.width = shown.width;
                              copy.height = shown.height;
                              const context = copy.getContext('2d');
                              context.filter = getComputedStyle(shown).filter;
                              context.drawImage(shown, 0, 0);
                              return copy.toDataURL('image/png').split(',')[1];
                            }"""))));
  }

  /** Chosen where it is first wanted, it is there for all that shows a picture, in all clips. */
  @Test
  void aBackdropIsChosenOnceAndServesAll() throws IOException {
    String refused =
        page.request()
            .post(
                server.address() + "/api/clips/" + id + "/changes",
                RequestOptions.create()
                    .setData(
                        Map.of(
                            "revision",
                            clip().path("revision").asInt(),
                            "intent",
                            Map.of("type", "changeBehind", "ground", "PICTURE"))))
            .text();
    assertThat(refused).contains("Choose a picture for the ground first");
    long other = makeClip(8);
    page.reload();
    page.locator("[data-testid=plate][data-ready=true]").waitFor();
    button("Whole, picture").click();
    page.getByLabel("Picture of the backdrop").first().setInputFiles(chequered());
    assertThat(button("Whole, picture")).hasAttribute("aria-pressed", "true");
    assertThat(page.getByAltText("The backdrop")).hasCount(0);
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Picture")).click();
    assertThat(page.getByAltText("The backdrop")).isVisible();
    button("A picture").click();
    assertThat(button("A picture")).hasAttribute("aria-pressed", "true");
    button("The same for all 2 clips").click();
    page.waitForCondition(
        () ->
            api("/api/clips/" + other)
                .path("framed")
                .path("behind")
                .asString("")
                .equals("PICTURE"));
    assertThat(api("/api/clips/" + other).path("framed").path("backdrop"))
        .isEqualTo(clip().path("framed").path("backdrop"));
    page.request().delete(server.address() + "/api/clips/" + other);
  }

  /** The faces of a clip are where they are marked; no more of the skin is smoothed than all. */
  @Test
  void skinIsSmoothedByAnAmount() {
    JsonNode faces = api("/api/clips/" + id + "/faces");
    assertThat(faces.size()).isGreaterThanOrEqualTo(2);
    for (JsonNode face : faces) {
      assertThat(face.path("boxes").size()).isEqualTo(4 * face.path("timesUs").size());
      assertThat(face.path("boxes").get(2).asDouble()).isBetween(0.02, 0.5);
    }
    for (String wrong : List.of("-0.1", "1.1", "1e99", "null", "\"much\"", "[]")) {
      assertThat(
              status(
                  "/api/clips/" + id + "/changes",
                  "{\"revision\":%d,\"intent\":{\"type\":\"smoothSkin\",\"amount\":%s}}"
                      .formatted(clip().path("revision").asInt(), wrong)))
          .as(wrong)
          .isBetween(400, 422);
    }
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Picture")).click();
    Locator slider = page.getByLabel("Smooth skin");
    slider.focus();
    page.keyboard().press("End");
    saved();
    assertThat(clip().path("framed").path("skin").asDouble()).isEqualTo(1);
    assertThat(slider).hasAttribute("aria-valuenow", "1");
  }

  private Path chequered() throws IOException {
    BufferedImage drawn = new BufferedImage(720, 1280, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < 1280; y++) {
      for (int x = 0; x < 720; x++) {
        boolean isDark = (x / 80 + y / 80) % 2 == 0;
        drawn.setRGB(x, y, isDark ? 0x2a4d69 : 0xd9a441);
      }
    }
    Path picture = folder.resolve("chequered.png");
    ImageIO.write(drawn, "png", picture.toFile());
    return picture;
  }

  private void chooseABackdrop() throws IOException {
    String kept =
        page.request()
            .post(
                server.address() + "/api/backdrops",
                RequestOptions.create()
                    .setHeader("Content-Type", "application/octet-stream")
                    .setData(Files.readAllBytes(chequered())))
            .text();
    change("{\"type\":\"chooseBackdrop\",\"backdrop\":" + kept + "}");
  }

  /** A clip of every kind of frame: at ten times the plate looks as the file does. */
  @ParameterizedTest
  @ValueSource(strings = {"SOFT", "PICTURE"})
  void theFileLooksAsThePlateDoes(String ground) throws IOException {
    openAShorterOne(22);
    // They would stand between the two who are stacked.
    change("{\"type\":\"useCaptions\",\"use\":\"NONE\"}");
    change(
        "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.5,\"head\":0.02,\"tail\":0.15}");
    long length = clip().path("pared").path("lengthUs").asLong();
    long start = clip().path("pared").path("stretches").get(0).path("startUs").asLong();
    setStretch(
        start,
        start + length / 4,
        "{\"type\":\"laid\",\"layout\":{\"type\":\"together\",\"people\":[0,1],\"arrangement\":\"STACKED\"}}");
    chooseABackdrop();
    setStretch(
        start + length / 4,
        start + length / 2,
        "{\"type\":\"laid\",\"layout\":{\"type\":\"whole\",\"ground\":\"%s\"}}".formatted(ground));
    setStretch(
        start + length / 2,
        start + 3 * length / 4,
        "{\"type\":\"travel\",\"from\":{\"middleX\":0.3,\"middleY\":0.5,\"height\":0.8},\"to\":{\"middleX\":0.7,\"middleY\":0.5,\"height\":0.6},\"curve\":{\"x1\":0.42,\"y1\":0,\"x2\":0.58,\"y2\":1}}");
    change(
        "{\"type\":\"pushInOn\",\"span\":{\"startUs\":%d,\"endUs\":%d},\"share\":0.2,\"move\":\"GLIDE\",\"curve\":{\"x1\":0,\"y1\":0,\"x2\":1,\"y2\":1}}"
            .formatted(start + 3 * length / 4, start + length));
    change(
        "{\"type\":\"changeLook\",\"look\":{\"brightness\":0.05,\"contrast\":1.1,\"saturation\":0.8,\"warmth\":0.02,\"mirrored\":false}}");
    change("{\"type\":\"changeBehind\",\"ground\":\"%s\"}".formatted(ground));
    change("{\"type\":\"smoothSkin\",\"amount\":0.8}");
    String spec = smallSpec("vertical-60", "Small", 540, 960);
    change("{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    post("/api/episodes/1/renderings", "{}");
    openStage("Deliver");
    Locator cell = page.getByTestId("cell-" + id + "-" + spec);
    assertThat(cell)
        .hasAttribute(
            "data-state", "DONE", new LocatorAssertions.HasAttributeOptions().setTimeout(240_000));
    long rendering =
        api("/api/episodes/1/sheet")
            .path("lines")
            .get(0)
            .path("cells")
            .valueStream()
            .filter(c -> c.path("spec").asString().equals(spec))
            .findFirst()
            .orElseThrow()
            .path("renderingId")
            .asLong();
    Path file =
        Files.write(
            folder.resolve("file.mp4"),
            page.request().get(server.address() + "/api/renderings/" + rendering + "/file").body());
    page.navigate(server.address() + "/episodes/1/frame?clip=" + id);
    page.locator("[data-testid=plate][data-ready=true]").waitFor();
    assertThat(page.getByTestId("window")).isVisible();
    long frames = length / 40_000;
    for (int n = 0; n < 10; n++) {
      long frame = frames * (2 * n + 1) / 20;
      Path shown = shownAt(frame);
      int[] size = sizeOf(shown);
      double alike = Eye.upperLikeness(shown, size[0], size[1], file, frame);
      assertThat(alike).as("frame " + frame).isGreaterThanOrEqualTo(0.98);
    }
  }

  private void setStretch(long from, long to, String shown) {
    change(
        "{\"type\":\"setByHand\",\"extent\":{\"type\":\"stretch\",\"span\":{\"startUs\":%d,\"endUs\":%d}},\"shown\":%s}"
            .formatted(from, to, shown));
  }

  private static int[] sizeOf(Path png) throws IOException {
    BufferedImage image = ImageIO.read(png.toFile());
    return new int[] {image.getWidth(), image.getHeight()};
  }
}
