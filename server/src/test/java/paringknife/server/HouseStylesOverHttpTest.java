package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * House styles, with all that they bring along, through the real application and a real MariaDB.
 */
class HouseStylesOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static JsonNode kept(long clip, String name) throws Exception {
    return APP.json(APP.sent("PUT", house(clip), "{\"name\":\"" + name + "\"}").body());
  }

  private static String style(long clip, String name) throws Exception {
    return APP.sent("PUT", house(clip) + "/style", "{\"name\":\"" + name + "\"}").body();
  }

  private static List<String> names() throws Exception {
    List<String> names = new ArrayList<>();
    APP.get("/api/house-styles").forEach(s -> names.add(s.path("name").asString()));
    return names;
  }

  private static String house(long clip) {
    return "/api/clips/" + clip + "/house";
  }

  /** Kept once, it holds for what is made from then on; single settings stay where it is spread. */
  @Test
  void aShowsStyleIsKeptGivenToNewClipsAndSpread() throws Exception {
    long first = APP.clip("One", 11);
    long second = APP.clip("Two", 11);
    APP.change(
        second, "{\"type\":\"editCaptions\",\"edits\":[{\"type\":\"breakBefore\",\"wordId\":3}]}");
    assertThat(APP.get(house(first)).path("changes").isNull()).isTrue();
    APP.change(first, "{\"type\":\"letter\",\"lettering\":\"heron\"}");
    APP.change(first, "{\"type\":\"useCaptions\",\"use\":\"BURNT\"}");

    JsonNode kept = kept(first, "Test");
    assertThat(kept.path("changes")).isEmpty();
    assertThat(kept.path("others").asInt()).isGreaterThanOrEqualTo(1);
    assertThat(kept.path("single").asInt()).isGreaterThanOrEqualTo(1);
    assertThat(APP.get(house(second)).path("changes").toString())
        .isEqualTo("[\"LETTERING\",\"CAPTION_USE\"]");

    long third = APP.clip("Three", 11);
    JsonNode made = APP.get("/api/clips/" + third).path("lettered");
    assertThat(made.path("lettering").asString()).isEqualTo("heron");
    assertThat(made.path("use").asString()).isEqualTo("BURNT");

    assertThat(APP.post(house(first) + "/spread", "").path("others").asInt()).isZero();
    JsonNode spread = APP.get("/api/clips/" + second);
    assertThat(spread.path("lettered").path("lettering").asString()).isEqualTo("heron");
    assertThat(spread.path("lettered").path("edits").path("")).hasSize(1);
    assertThat(spread.path("undo").asString()).isEqualTo("take the house style");

    APP.change(third, "{\"type\":\"letter\",\"lettering\":\"bell\"}");
    assertThat(APP.post(house(third) + "/taken", "").path("changes")).isEmpty();
    APP.restart();
    assertThat(APP.get("/api/clips/" + third).path("lettered").path("lettering").asString())
        .isEqualTo("heron");
  }

  @Test
  void houseStylesHaveNamesAndShowsHaveThem() throws Exception {
    long clip = APP.clip("Named", 11);
    assertThat(names()).contains("Fireside", "Market day");
    assertThat(style(clip, "fireside")).contains("\"style\":\"Fireside\"");
    APP.post(house(clip) + "/taken", "");
    JsonNode taken = APP.get("/api/clips/" + clip);
    assertThat(taken.path("lettered").path("lettering").asString()).isEqualTo("quay");
    assertThat(taken.path("framed").path("manner").path("liveliness").asString())
        .isEqualTo("STILL");

    APP.change(clip, "{\"type\":\"letter\",\"lettering\":\"heron\"}");
    assertThat(kept(clip, "  Grey \\u00e9t\u00e9  ").path("style").asString())
        .isEqualTo("Grey \u00e9t\u00e9");
    APP.post("/api/house-styles/copied", "{\"name\":\"Grey \u00e9t\u00e9\",\"other\":\"Second\"}");
    JsonNode renamed =
        APP.post(
            "/api/house-styles/renamed", "{\"name\":\"Grey \u00e9t\u00e9\",\"other\":\"Third\"}");
    assertThat(renamed.toString()).contains("\"Third\"").doesNotContain("Grey");
    assertThat(APP.get(house(clip)).path("style").asString())
        .as("the show keeps it")
        .isEqualTo("Third");
    for (String refused :
        List.of(
            APP.sent("PUT", house(clip), "{\"name\":\"FIRESIDE\"}").body(),
            APP.sent("DELETE", "/api/house-styles?name=Market%20day", "").body())) {
      assertThat(refused).contains("ships with the program");
    }
    for (String wrong :
        List.of("{\"name\":\"\"}", "{\"name\":null}", "{}", "{\"name\":\"a\\u0007b\"}")) {
      assertThat(APP.sent("PUT", house(clip), wrong).statusCode()).as(wrong).isBetween(400, 422);
    }
    assertThat(
            APP.postAny("/api/house-styles/copied", "{\"name\":\"Third\",\"other\":\"second\"}")
                .body())
        .contains("already");
    assertThat(
            APP.postAny("/api/house-styles/copied", "{\"name\":\"none\",\"other\":\"x\"}")
                .statusCode())
        .isEqualTo(404);
    APP.sent("DELETE", "/api/house-styles?name=Third", "");
    APP.sent("DELETE", "/api/house-styles?name=Second", "");
    assertThat(names()).doesNotContain("Third", "Second");
    assertThat(APP.get(house(clip)).path("style").isNull()).isTrue();
  }

  /** Saved from one clip and taken by another; what is no style changes nothing. */
  @Test
  void aStyleGoesOutAndInAsAFile() throws Exception {
    long from = APP.clip("From", 11);
    APP.change(from, "{\"type\":\"letter\",\"lettering\":\"quay\"}");
    APP.change(from, "{\"type\":\"leaveOut\",\"fillers\":true,\"falseStarts\":false}");
    kept(from, "To be carried");
    String file = new String(APP.getBytes(house(from) + "/file"), StandardCharsets.UTF_8);
    APP.sent("DELETE", "/api/house-styles?name=To%20be%20carried", "");
    long to = APP.clip("To", 11);
    String body = "{\"text\":" + new JsonMapper().writeValueAsString(file) + "}";
    APP.post(house(to) + "/file", body);
    JsonNode lettered = APP.get("/api/clips/" + to).path("lettered");
    assertThat(lettered.path("lettering").asString()).isEqualTo("quay");
    assertThat(lettered.path("leavesOut").path("fillers").asBoolean()).isTrue();
    assertThat(names()).as("it has come with its name").contains("To be carried");
    int revision = APP.get("/api/clips/" + to).path("revision").asInt();
    for (String wrong :
        new String[] {
          "",
          "[]",
          "null",
          "{}",
          "{\"lettering\":\"nowhere\"}",
          "{\"id\":\"x\"}",
          "{\"lettering\":\"quay\",\"style\":{}}",
          "{\"lettering\":\"quay\",\"fonts\":[null]}",
          "{\"lettering\":\"quay\",\"fonts\":[\"bm8gZm9udA==\"]}",
          "{\"lettering\":\"quay\",\"fonts\":[" + "\"\",".repeat(20) + "\"\"]}",
          "{\"lettering\":\"quay\",\"fonts\":7}",
          "\u0000"
        }) {
      HttpResponse<String> answer =
          APP.postAny(
              house(to) + "/file", "{\"text\":" + new JsonMapper().writeValueAsString(wrong) + "}");
      assertThat(answer.statusCode()).as(wrong).isBetween(400, 422);
    }
    assertThat(APP.get("/api/clips/" + to).path("revision").asInt()).isEqualTo(revision);
  }

  private static HttpResponse<String> sentLogo(byte[] picture) throws Exception {
    return sent("/api/logos", picture);
  }

  private static HttpResponse<String> sent(String path, byte[] picture) throws Exception {
    return APP.send(
        HttpRequest.newBuilder(URI.create(APP.address() + path))
            .header("Content-Type", "application/octet-stream")
            .POST(HttpRequest.BodyPublishers.ofByteArray(picture)));
  }

  private static byte[] png(int width, int height) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB), "png", out);
    return out.toByteArray();
  }

  /** What is answered when a style's file comes without its picture, which is not there either. */
  private static String takenWithout(String part, String picture, String file, long clip)
      throws Exception {
    ObjectNode bare = (ObjectNode) new JsonMapper().readTree(file);
    bare.remove(part);
    String lost = bare.toString().replace(picture, "0".repeat(64));
    return APP.postAny(
            house(clip) + "/file", "{\"text\":" + new JsonMapper().writeValueAsString(lost) + "}")
        .body();
  }

  private static String laid(String picture, String more) {
    return "{\"type\":\"layLogo\",\"logo\":{\"picture\":\""
        + picture
        + "\",\"aspect\":2,\"corner\":\"TOP_RIGHT\",\"size\":0.1,\"opacity\":0.8"
        + more
        + "}}";
  }

  /** A logo is laid over, seen on the plate, travels with its style and is taken away again. */
  @Test
  void aLogoBelongsToTheStyle() throws Exception {
    String picture = APP.json(sentLogo(png(80, 40)).body()).path("picture").asString();
    long from = APP.clip("With a logo", 11);
    APP.change(from, laid(picture, ""));
    JsonNode shown = APP.get("/api/clips/" + from + "/preview").path("logo");
    assertThat(shown.path("picture").asString()).isEqualTo(picture);
    assertThat(shown.path("place").path("x").asDouble()).isGreaterThan(0.5);
    assertThat(APP.getBytes("/api/logos/" + picture)).startsWith(0x89, 'P', 'N', 'G');
    String file = new String(APP.getBytes(house(from) + "/file"), StandardCharsets.UTF_8);

    long to = APP.clip("Without", 11);
    APP.post(house(to) + "/file", "{\"text\":" + new JsonMapper().writeValueAsString(file) + "}");
    JsonNode logo = APP.get("/api/clips/" + to).path("laidOver").path("logo");
    assertThat(logo.path("picture").asString()).isEqualTo(picture);
    assertThat(logo.path("opacity").asDouble()).isEqualTo(0.8);
    assertThat(takenWithout("logoPicture", picture, file, to))
        .contains("logo did not come with it");

    APP.change(to, "{\"type\":\"layLogo\",\"logo\":null}");
    assertThat(APP.get("/api/clips/" + to + "/preview").path("logo").isNull()).isTrue();
    int revision = APP.get("/api/clips/" + to).path("revision").asInt();
    for (String wrong :
        List.of(
            laid("../../x", ""),
            laid(picture, ",\"size\":9"),
            laid(picture, ",\"opacity\":null"),
            laid(picture, ",\"corner\":\"MIDDLE\""))) {
      String body = "{\"revision\":" + revision + ",\"intent\":" + wrong + "}";
      assertThat(APP.postAny("/api/clips/" + to + "/changes", body).statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
    assertThat(sentLogo("<svg/>".getBytes(StandardCharsets.UTF_8)).statusCode()).isEqualTo(422);
    assertThat(APP.getBytes("/api/logos/..%2f..%2fx")).asString().doesNotContain("Exception");
  }

  private static String reframed(String ground) {
    return "{\"type\":\"reframe\",\"shape\":\"9:16\",\"layout\":{\"type\":\"whole\",\"ground\":\""
        + ground
        + "\"}}";
  }

  /** A backdrop is chosen before it is shown, and travels with its style and its episode. */
  @Test
  void aBackdropBelongsToTheStyle() throws Exception {
    String kept = sent("/api/backdrops", png(90, 160)).body();
    String picture = APP.json(kept).path("picture").asString();
    assertThat(APP.json(kept).path("aspect").asDouble()).isEqualTo(0.5625);
    assertThat(APP.getBytes("/api/backdrops/" + picture)).startsWith(0x89, 'P', 'N', 'G');
    long from = APP.clip("Before a picture", 11);
    assertThat(changed(from, reframed("PICTURE")).body())
        .contains("Choose a picture for the ground first");
    APP.change(from, "{\"type\":\"chooseBackdrop\",\"backdrop\":" + kept + "}");
    APP.change(from, reframed("PICTURE"));
    assertThat(APP.get("/api/clips/" + from + "/preview").path("path").get(2).asInt()).isEqualTo(3);

    String file = new String(APP.getBytes(house(from) + "/file"), StandardCharsets.UTF_8);
    long to = APP.clip("Plain", 11);
    APP.post(house(to) + "/file", "{\"text\":" + new JsonMapper().writeValueAsString(file) + "}");
    assertThat(APP.get("/api/clips/" + to).path("framed").path("backdrop"))
        .isEqualTo(APP.get("/api/clips/" + from).path("framed").path("backdrop"));
    assertThat(takenWithout("backdropPicture", picture, file, to))
        .contains("backdrop did not come with it");

    for (String wrong :
        List.of(
            "null",
            "7",
            "{}",
            "{\"picture\":\"../x\",\"aspect\":1}",
            kept.replace("0.5625", "1e9"))) {
      assertThat(
              changed(to, "{\"type\":\"chooseBackdrop\",\"backdrop\":" + wrong + "}").statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
    assertThat(sent("/api/backdrops", new byte[0]).statusCode()).isBetween(400, 422);
    assertThat(sent("/api/backdrops", "<svg/>".getBytes(StandardCharsets.UTF_8)).statusCode())
        .isEqualTo(422);
    assertThat(sent("/api/backdrops", new byte[20 << 20]).statusCode()).isEqualTo(413);
    assertThat(APP.getBytes("/api/backdrops/..%2f..%2fx")).asString().doesNotContain("Exception");
  }

  private static HttpResponse<String> changed(long clip, String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    return APP.postAny(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
  }

  /** What a show goes by is kept with its style, and given to a show that is given it. */
  @Test
  void aStyleBringsAlongWhatAShowGoesBy() throws Exception {
    String names = "/api/episodes/1/names";
    String texts = "/api/episodes/1/post-pattern";
    long clip = APP.clip("Habits", 11);
    APP.sent("PUT", names, "{\"pattern\":\"{clip} of {show}\"}");
    APP.sent("PUT", texts, "{\"pattern\":\"{text} Heard on {show}.\"}");
    kept(clip, "With habits");
    JsonNode brings = null;
    for (JsonNode listed : APP.get("/api/house-styles")) {
      brings =
          listed.path("name").asString().equals("With habits") ? listed.path("brings") : brings;
    }
    assertThat(brings).isNotNull();
    assertThat(brings.path("fileNames").asBoolean()).isTrue();
    assertThat(brings.path("posts").asBoolean()).isTrue();

    APP.sent("PUT", names, "{\"pattern\":\"{clip}\"}");
    APP.sent("PUT", texts, "{\"pattern\":\"{text}\"}");
    style(clip, "Fireside");
    assertThat(APP.get(names).path("pattern").asString())
        .as("a style that says nothing of it changes nothing")
        .isEqualTo("{clip}");
    style(clip, "With habits");
    assertThat(APP.get(names).path("pattern").asString()).isEqualTo("{clip} of {show}");
    assertThat(APP.get(texts).path("pattern").asString()).isEqualTo("{text} Heard on {show}.");
    assertThat(
            APP.get("/api/clips/" + clip + "/post?spec=vertical-60")
                .path("whole")
                .path("text")
                .asString())
        .endsWith(" Heard on Test.");
    for (String wrong : List.of("null", "\"\"", "\"plain\"", "\"{nothing}\"", "7")) {
      assertThat(APP.sent("PUT", texts, "{\"pattern\":" + wrong + "}").statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
    APP.sent("PUT", names, "{\"pattern\":\"{show} {episode}_{clip}_{spec}\"}");
    APP.sent("PUT", texts, "{\"pattern\":\"{text}\"}");
    APP.sent("DELETE", "/api/house-styles?name=With%20habits", "");
  }
}
