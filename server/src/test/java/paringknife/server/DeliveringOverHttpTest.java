package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.specs.SpecFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Specs of one's own, names of files and texts to post, over HTTP. */
class DeliveringOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();
  private static final JsonMapper JSON = new JsonMapper();

  private long clip;

  /** "Um, the ice came up. Nobody had told me." */
  @BeforeEach
  void makeClip() throws Exception {
    clip =
        APP.post(
                "/api/episodes/1/clips",
                "{\"firstWord\":0,\"lastWord\":8,\"title\":\"Ice / water\"}")
            .path("id")
            .asLong();
  }

  /** A shelf's sheet holds what stands on it and on the shelves that stand on it, and no more. */
  @Test
  void theSheetOfAShelfHoldsWhatStandsOnIt() throws Exception {
    long outer = APP.post("/api/shelves", "{\"name\":\"Outer\",\"parentId\":null}").asLong();
    long inner =
        APP.post("/api/shelves", "{\"name\":\"Inner\",\"parentId\":" + outer + "}").asLong();
    long beside = APP.post("/api/shelves", "{\"name\":\"Beside\",\"parentId\":null}").asLong();
    String described = "{\"show\":\"Test\",\"title\":\"Tones\",\"shelfId\":";
    APP.sent("PUT", "/api/episodes/1", described + inner + "}");
    change("{\"type\":\"askFor\",\"specs\":[\"wide\"]}");
    JsonNode own = APP.get("/api/episodes/1/sheet");
    assertThat(APP.get("/api/sheet?shelf=" + outer)).isEqualTo(own);
    assertThat(APP.get("/api/sheet")).isEqualTo(own);
    JsonNode line = own.path("lines").get(own.path("lines").size() - 1);
    assertThat(line.path("episode").asString()).isEqualTo("Tones");
    assertThat(line.path("clipId").asLong()).isEqualTo(clip);
    assertThat(APP.get("/api/sheet?shelf=" + beside).path("lines")).isEmpty();

    APP.sent("POST", "/api/queue/pause", "{\"paused\":true}");
    assertThat(APP.sent("POST", "/api/renderings?shelf=" + beside, "").body()).isEqualTo("0");
    int ordered = Integer.parseInt(APP.sent("POST", "/api/renderings?shelf=" + outer, "").body());
    assertThat(ordered).isPositive();
    assertThat(APP.sent("POST", "/api/renderings", "").body()).as("under way").isEqualTo("0");
    for (JsonNode queued : APP.get("/api/queue").path("lines")) {
      APP.postAny("/api/renderings/" + queued.path("renderingId").asLong() + "/cancel", "");
    }
    APP.sent("POST", "/api/queue/pause", "{\"paused\":false}");
    APP.sent("PUT", "/api/episodes/1", described + "null}");
    for (String wrong : new String[] {"x", "99999", "-1", "9".repeat(40)}) {
      assertThat(APP.sent("GET", "/api/sheet?shelf=" + wrong, "").statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
  }

  private static int tick(String cells, String asked) throws Exception {
    return APP.sent("PUT", "/api/asked", "{\"cells\":" + cells + ",\"asked\":" + asked + "}")
        .statusCode();
  }

  private static String cell(long clip, String spec) {
    return "{\"clipId\":" + clip + ",\"spec\":\"" + spec + "\"}";
  }

  private static String asked(long clip) throws Exception {
    return APP.get("/api/clips/" + clip).path("delivered").path("specs").toString();
  }

  /** Many cells in one request: each clip takes one step, and what cannot be asked changes none. */
  @Test
  void cellsAreTickedTogether() throws Exception {
    long other = APP.clip("Other", 8);
    APP.change(other, "{\"type\":\"askFor\",\"specs\":[\"feed-tall\"]}");
    int revision = APP.get("/api/clips/" + other).path("revision").asInt();
    String both =
        "["
            + cell(clip, "wide")
            + ","
            + cell(other, "wide")
            + ","
            + cell(other, "feed-square")
            + "]";
    assertThat(tick(both, "true")).isEqualTo(200);
    assertThat(asked(clip)).isEqualTo("[\"wide\"]");
    assertThat(asked(other)).isEqualTo("[\"feed-tall\",\"wide\",\"feed-square\"]");
    assertThat(tick(both, "true")).isEqualTo(200);
    JsonNode after = APP.get("/api/clips/" + other);
    assertThat(after.path("revision").asInt()).as("one step").isEqualTo(revision + 1);
    assertThat(after.path("undo").asString()).isEqualTo("choose specs");

    for (String wrong :
        List.of(
            "[" + cell(other, "feed-tall") + "," + cell(999, "wide") + "]",
            "[" + cell(other, "feed-tall") + "," + cell(other, "nothing") + "]",
            "[" + cell(other, "feed-tall") + ",null]",
            "[" + cell(other, "feed-tall") + ",{}]",
            "null",
            "7")) {
      assertThat(tick(wrong, "false")).as(wrong).isBetween(400, 422);
    }
    assertThat(APP.get("/api/clips/" + other).path("revision").asInt()).isEqualTo(revision + 1);
    assertThat(tick(both, "false")).isEqualTo(200);
    assertThat(asked(other)).isEqualTo("[\"feed-tall\"]");
  }

  private static ObjectNode spec(String id) throws Exception {
    for (JsonNode spec : APP.get("/api/specs")) {
      if (spec.path("id").asString().equals(id)) {
        return (ObjectNode) spec;
      }
    }
    throw new AssertionError(id);
  }

  private static JsonNode made(String name) throws Exception {
    return APP.post("/api/specs", spec("wide").put("name", name).toString());
  }

  private int change(String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    return APP.postAny(
            "/api/clips/" + clip + "/changes",
            "{\"revision\":" + revision + ",\"intent\":" + intent + "}")
        .statusCode();
  }

  private JsonNode cell(String spec) throws Exception {
    for (JsonNode line : APP.get("/api/episodes/1/sheet").path("lines")) {
      for (JsonNode cell : line.path("cells")) {
        if (line.path("clipId").asLong() == clip && cell.path("spec").asString().equals(spec)) {
          return cell;
        }
      }
    }
    throw new AssertionError(spec);
  }

  @Test
  void aSpecIsCopiedChangedAskedForAndRemoved() throws Exception {
    JsonNode made = made("Station screen");
    assertThat(made.path("id").asString()).isEqualTo("station-screen");
    assertThat(made("Station screen").path("id").asString()).isEqualTo("station-screen-2");
    ObjectNode shorter = (ObjectNode) made;
    ((ObjectNode) shorter.path("length")).put("longestUs", 3_000_000).put("marginUs", 1_000_000);
    assertThat(APP.sent("PUT", "/api/specs/station-screen", shorter.toString()).statusCode())
        .isEqualTo(200);
    assertThat(change("{\"type\":\"askFor\",\"specs\":[\"station-screen\",\"wide\"]}"))
        .isEqualTo(200);
    JsonNode cell = cell("station-screen");
    assertThat(cell.path("asked").asBoolean()).isTrue();
    assertThat(cell.path("passes").asBoolean()).as("over 3 s").isFalse();

    assertThat(APP.sent("DELETE", "/api/specs/station-screen", "").statusCode()).isEqualTo(200);
    assertThat(APP.get("/api/specs").toString()).doesNotContain("\"station-screen\"");
    assertThat(cell("wide").path("asked").asBoolean()).as("what it was asked for besides").isTrue();
    assertThat(change("{\"type\":\"askFor\",\"specs\":[\"station-screen\"]}")).isEqualTo(422);
  }

  /** Every cell says what will fail and where it is put right; or it is let pass, and why. */
  @Test
  void whatFailsIsPutRightOrLetPass() throws Exception {
    ObjectNode brief = (ObjectNode) made("Brief");
    ((ObjectNode) brief.path("length")).put("longestUs", 2_000_000).put("marginUs", 500_000);
    APP.sent("PUT", "/api/specs/brief", brief.toString());
    JsonNode before = cell("brief");
    JsonNode length = before.path("checks").get(0);
    assertThat(length.path("verdict").asString()).isEqualTo("FAILS");
    assertThat(length.path("repair").asString()).isEqualTo("FIT");
    assertThat(before.path("passes").asBoolean()).isFalse();

    String waive =
        "{\"type\":\"waive\",\"spec\":\"brief\",\"subject\":\"length\",\"found\":"
            + length.path("text")
            + ",\"note\":";
    assertThat(change(waive + "\"agreed by telephone\"}")).isEqualTo(200);
    JsonNode waived = cell("brief");
    assertThat(waived.path("passes").asBoolean()).isTrue();
    assertThat(waived.path("checks").get(0).path("text").asString())
        .endsWith("let pass: agreed by telephone");
    assertThat(cell("wide").path("checks").toString()).doesNotContain("let pass");
    assertThat(change(waive + "null}")).isEqualTo(200);
    assertThat(cell("brief").path("passes").asBoolean()).isFalse();
    assertThat(change(waive + "\" \"}")).isEqualTo(422);
  }

  @Test
  void whatShipsIsNotBroken() throws Exception {
    String wide = spec("wide").put("name", "Mine").toString();
    HttpResponse<String> changed = APP.sent("PUT", "/api/specs/wide", wide);
    assertThat(changed.statusCode()).isEqualTo(422);
    assertThat(changed.body()).contains("copy it");
    assertThat(APP.sent("DELETE", "/api/specs/wide", "").statusCode()).isEqualTo(422);
    assertThat(spec("wide").path("name").asString()).isEqualTo("Wide");
  }

  private static JsonSchema schema() throws Exception {
    Path file = Path.of("..", "docs", "delivery-specs.schema.json");
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
        .getSchema(Files.readString(file));
  }

  /** Checked by networknt's validator of JSON Schema 2020-12. */
  @Test
  void aFileOfSpecsFollowsItsSchemaAndComesBack() throws Exception {
    JsonNode made = made("Kiosk");
    String file =
        new String(APP.getBytes("/api/specs/file?ids=kiosk,wide"), StandardCharsets.UTF_8);
    assertThat(schema().validate(file, InputFormat.JSON)).isEmpty();
    assertThat(APP.post("/api/specs/file", file).get(0)).as("there already").isEqualTo(made);
    String other = file.replace("\"Kiosk\"", "\"Kiosk two\"");
    assertThat(APP.post("/api/specs/file", other).get(0).path("id").asString())
        .isEqualTo("kiosk-two");
    DeliverySpecs read = SpecFile.withShipped(onlyFirst(file), "specs.json");
    assertThat(read.byId("kiosk").canvas()).isEqualTo(read.byId("wide").canvas());
  }

  private static String onlyFirst(String file) {
    ObjectNode one = (ObjectNode) JSON.readTree(file);
    one.putArray("specs").add(JSON.readTree(file).path("specs").get(0));
    return one.toString();
  }

  /** What the schema forbids is refused, each with a word. */
  @ParameterizedTest
  @CsvSource({
    "/canvas/width, 63",
    "/canvas/width, 5000",
    "/canvas/safe/top, 0.5",
    "/length/longestUs, 0",
    "/frames/most, 500",
    "/loudness/target/lufs, 3",
    "/encoding/codec, \"X\"",
    "/encoding/soundKbps, 9",
    "/texts/tags, -1",
    "/name, \"\"",
    "/encoding, null",
    "/canvas, []"
  })
  void whatASpecCannotBeIsRefused(String where, String value) throws Exception {
    ObjectNode spec = spec("wide").put("id", "odd");
    int last = where.lastIndexOf('/');
    ((ObjectNode) spec.at(where.substring(0, last)))
        .set(where.substring(last + 1), JSON.readTree(value));
    String file = "{\"version\":1,\"specs\":[" + spec + "]}";
    assertThat(schema().validate(file, InputFormat.JSON)).isNotEmpty();
    HttpResponse<String> answer = APP.postAny("/api/specs/file", file);
    assertThat(answer.statusCode()).as(answer.body()).isIn(400, 422);
    assertThat(answer.body()).doesNotContain("paringknife").contains("message");
  }

  @Test
  void namesFollowAPatternOfTheShow() throws Exception {
    String usual = cell("wide").path("fileName").asString();
    assertThat(usual).endsWith("_ice-water_wide.mp4");
    HttpResponse<String> kept =
        APP.sent("PUT", "/api/episodes/1/names", "{\"pattern\":\"{spec}_{clip}\"}");
    assertThat(kept.statusCode()).isEqualTo(200);
    assertThat(cell("wide").path("fileName").asString()).startsWith("wide_ice-water");
    HttpResponse<String> wrong =
        APP.postAny("/api/episodes/1/names/examples", "{\"pattern\":\"{clap}\"}");
    assertThat(wrong.statusCode()).isEqualTo(422);
    assertThat(wrong.body()).contains("{clap}").contains("{clip}");
    APP.sent("PUT", "/api/episodes/1/names", "{\"pattern\":\"{show} {episode}_{clip}_{spec}\"}");
  }

  @Test
  void textsAreProposedWrittenAndShortened() throws Exception {
    JsonNode proposed = APP.get("/api/clips/" + clip + "/post?spec=wide");
    assertThat(proposed.path("written").asBoolean()).isFalse();
    assertThat(proposed.path("whole").path("text").asString()).contains("ice came up");
    String intent =
        "{\"type\":\"writePost\",\"post\":{\"text\":\"Ice. It came at night.\",\"tags\":[\"Ice!\"]}}";
    assertThat(change(intent)).isEqualTo(200);
    ObjectNode tight = (ObjectNode) made("Tight");
    ((ObjectNode) tight.path("texts")).put("text", 8).put("tags", 0);
    APP.sent("PUT", "/api/specs/tight", tight.toString());
    JsonNode written = APP.get("/api/clips/" + clip + "/post?spec=tight");
    assertThat(written.path("written").asBoolean()).isTrue();
    assertThat(written.path("taken").path("text").asString()).isEqualTo("Ice.");
    assertThat(written.path("taken").path("tags")).isEmpty();
    assertThat(written.path("whole").path("tags").toString()).isEqualTo("[\"ice\"]");
    assertThat(cell("tight").path("checks").toString()).contains("shortened from 22 to 8");
    APP.postAny(
        "/api/clips/" + clip + "/undo",
        "{\"revision\":" + APP.get("/api/clips/" + clip).path("revision").asInt() + "}");
    assertThat(APP.get("/api/clips/" + clip + "/post?spec=wide").path("written").asBoolean())
        .isFalse();
  }
}
