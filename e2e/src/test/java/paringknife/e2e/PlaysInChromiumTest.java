package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Codec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What is said of finished files against Chromium, which plays them to their end, or does not. */
class PlaysInChromiumTest extends FerryInBrowser {
  private static final double SIDE = 256;
  private static final JsonMapper JSON = new JsonMapper();

  /**
   * Plays a file to its end and answers how wide its picture is and how long it is, seconds;
   * nothing where it does not play.
   */
  private static final String PLAY =
      """
      file => new Promise((done) => {
        const film = document.createElement('video');
        film.muted = true;
        film.onerror = () => done([]);
        film.onended = () => done([film.videoWidth, film.duration]);
        film.src = file;
        document.body.append(film);
        film.playbackRate = 4;
        film.play().catch(() => done([]));
      })
      """;

  private final List<String> specs = new ArrayList<>();

  @AfterEach
  void removeSpecs() {
    specs.forEach(spec -> page.request().delete(server.address() + "/api/specs/" + spec));
  }

  /** The square spec in small, encoded in one way. */
  private String spec(Codec codec) {
    for (JsonNode shipped : api("/api/specs")) {
      if (shipped.path("id").asString().equals("feed-square")) {
        ObjectNode spec = ((ObjectNode) shipped).put("name", "By " + codec);
        ((ObjectNode) spec.path("canvas")).put("width", (int) SIDE).put("height", (int) SIDE);
        ((ObjectNode) spec.path("encoding"))
            .put("codec", codec.name())
            .put("crf", codec.hasQuality() ? 35 : 0)
            .putNull("pictureKbps")
            .putNull("mostBytes");
        String id = post("/api/specs", spec.toString()).path("id").asString();
        specs.add(id);
        return id;
      }
    }
    throw new IllegalStateException("there is no square spec");
  }

  private List<Double> played(String file) {
    return ((List<?>) page.evaluate(PLAY, file))
        .stream().map(told -> ((Number) told).doubleValue()).toList();
  }

  private JsonNode cell(String spec) {
    for (JsonNode line : api("/api/episodes/1/sheet").path("lines")) {
      if (line.path("clipId").asLong() == id) {
        for (JsonNode cell : line.path("cells")) {
          if (cell.path("spec").asString().equals(spec)) {
            return cell;
          }
        }
      }
    }
    throw new IllegalStateException("the clip is not asked for " + spec);
  }

  private static String verdict(JsonNode cell) {
    for (JsonNode check : cell.path("measured")) {
      if (check.path("subject").asString().equals("in browsers")) {
        return check.path("verdict").asString();
      }
    }
    return "none";
  }

  @Test
  void whatIsSaidToPlayPlaysToItsEnd() throws Exception {
    openAShorterOne(8);
    Map<String, Codec> asked = new LinkedHashMap<>();
    for (Codec codec : Codec.values()) {
      asked.put(spec(codec), codec);
    }
    change("{\"type\":\"askFor\",\"specs\":" + JSON.writeValueAsString(asked.keySet()) + "}");
    post("/api/episodes/1/renderings", "{}");
    ServerUnderTest.await(
        "the files",
        () ->
            asked.keySet().stream()
                .allMatch(s -> cell(s).path("state").asString().matches("DONE|FAILED")));

    double seconds = clip().path("pared").path("lengthUs").asDouble() / 1e6;
    for (Map.Entry<String, Codec> one : asked.entrySet()) {
      JsonNode cell = cell(one.getKey());
      String file = "/api/renderings/" + cell.path("renderingId").asLong() + "/file";
      List<Double> played = played(file);
      switch (one.getValue()) {
        case HEVC -> assertThat(verdict(cell)).isEqualTo("NOTE");
        case VC3 -> {
          assertThat(verdict(cell)).isEqualTo("none");
          assertThat(played).as("why nothing is said of it").doesNotContain(SIDE);
        }
        default -> {
          assertThat(verdict(cell)).as(one.getValue().name()).isEqualTo("PASSES");
          assertThat(played.get(0)).as(file).isEqualTo(one.getValue().hasPicture() ? SIDE : 0);
          assertThat(played.get(1)).as(file).isCloseTo(seconds, within(0.3));
        }
      }
    }
    assertThat(browser.errors)
        .as("what cannot be played")
        .allMatch(e -> e.toLowerCase(Locale.ROOT).contains("media"));
  }
}
