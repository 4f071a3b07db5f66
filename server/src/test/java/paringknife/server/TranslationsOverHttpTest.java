package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.Xliff;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Captions of a clip in other languages: begun, translated, sent out, taken back, delivered. */
class TranslationsOverHttpTest {
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

  private void change(String intent) throws Exception {
    HttpResponse<String> answer = tried(intent);
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
  }

  private HttpResponse<String> tried(String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    return APP.postAny(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
  }

  private String path(String end) {
    return "/api/clips/" + clip + "/translations/de" + end;
  }

  private JsonNode sentences() throws Exception {
    return APP.get(path("")).path("sentences");
  }

  private void take(JsonNode sentences) throws Exception {
    change("{\"type\":\"translate\",\"language\":\"de\",\"sentences\":" + sentences + "}");
  }

  private String file(String format) throws Exception {
    return new String(APP.getBytes(path("/file?format=" + format)), StandardCharsets.UTF_8);
  }

  /** Broken and moved by hand: two captions, the first later than it is said. */
  @Test
  void captionsOfALanguageAreBrokenAndMoved() throws Exception {
    String sentence =
        "{\"first\":0,\"last\":4,\"source\":\"Um, the ice came up.\",\"text\":\"Das Eis\\n\\nkam\\nhoch.\","
            + "\"state\":\"REVIEWED\",\"moved\":";
    String intent = "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":[";
    change(intent + sentence + "{\"beginsLaterUs\":80000,\"endsLaterUs\":0}}]}");
    String script = new String(APP.getBytes("/api/clips/" + clip + "/captions.ass?language=de"));
    List<String> drawn = script.lines().filter(l -> l.startsWith("Dialogue")).toList();
    assertThat(drawn.stream().map(l -> l.split(",")[1]).distinct()).hasSize(2);
    assertThat(drawn).hasSize(3);
    assertThat(sentences().get(0).path("moved").path("beginsLaterUs").asLong()).isEqualTo(80_000);
    change(intent + sentence + "null}]}");
    assertThat(sentences().get(0).path("moved").isNull()).isTrue();
    for (String wrong :
        List.of(
            "{\"beginsLaterUs\":99000000,\"endsLaterUs\":0}",
            "{}",
            "7",
            "{\"beginsLaterUs\":null}")) {
      assertThat(tried(intent + sentence + wrong + "}]}").statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
  }

  private HttpResponse<String> read(String name, String text) throws Exception {
    return APP.postAny(
        path("/readings"), JSON.createObjectNode().put("name", name).put("text", text).toString());
  }

  @Test
  void sentencesAreProposedTakenAndLookedAt() throws Exception {
    assertThat(APP.get(path("")).path("translator").asString()).contains("stands in");
    assertThat(sentences()).hasSize(2).allMatch(s -> s.path("state").asString().equals("OPEN"));
    JsonNode proposed = APP.post(path("/proposals"), "{}");
    assertThat(proposed.get(0).path("text").asString()).isEqualTo("Niemand hatte es mir gesagt.");
    assertThat(proposed.get(0).path("state").asString()).isEqualTo("PROPOSED");
    assertThat(sentences().get(1).path("state").asString()).as("nothing changed").isEqualTo("OPEN");

    take(proposed);
    assertThat(sentences().get(1).path("state").asString()).isEqualTo("PROPOSED");
    String script = new String(APP.getBytes("/api/clips/" + clip + "/captions.ass?language=de"));
    assertThat(script).contains("Niemand").doesNotContain("Nobody");
    assertThat(script).as("what is open").doesNotContain("Eis");

    change("{\"type\":\"pareWords\",\"first\":6,\"last\":6}");
    assertThat(sentences().get(1).path("changed").asBoolean()).isTrue();
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    APP.post("/api/clips/" + clip + "/undo", "{\"revision\":" + revision + "}");
    assertThat(sentences().get(1).path("changed").asBoolean()).isFalse();

    change("{\"type\":\"pareWords\",\"first\":5,\"last\":8}");
    assertThat(APP.get(path("")).path("unplaced").get(0).path("text").asString())
        .isEqualTo("Niemand hatte es mir gesagt.");
  }

  @Test
  void aTranslatorsFilesComeBack() throws Exception {
    Xliff out = Xliff.read(file("xlf"));
    assertThat(out.units()).extracting(Xliff.Unit::source).contains("Nobody had told me.");
    String back =
        file("xlf")
            .replace("state=\"initial\"", "state=\"reviewed\"")
            .replace("</source>", "</source><target>Es kam.</target>");
    JsonNode read = JSON.readTree(read("Back.XLF", back).body());
    assertThat(read.path("sentences")).hasSize(2);
    take(read.path("sentences"));
    assertThat(sentences()).allMatch(s -> s.path("text").asString().equals("Es kam."));

    for (String format : new String[] {"srt", "vtt", "ttml", "ass"}) {
      String changed = file(format).replace("Es kam.", "Es ging in " + format + ".");
      JsonNode again = JSON.readTree(read("back." + format, changed).body());
      assertThat(again.path("sentences").get(1).path("text").asString())
          .isEqualTo("Es ging in " + format + ".");
    }
    assertThat(file("txt")).isEqualTo("Es kam.\nEs kam.\n");
  }

  @Test
  void bothLanguagesShowAndComeWithTheFile() throws Exception {
    take(
        JSON.readTree(
            "[{\"first\":5,\"last\":8,\"source\":\"Nobody had told me.\",\"text\":\"Keiner sagte es {mir}.\",\"state\":\"REVIEWED\"}]"));
    change("{\"type\":\"useLanguage\",\"language\":\"de\",\"use\":\"BOTH\"}");
    String spec = APP.smallSpec("Small", 480, 270);
    change("{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    String script =
        new String(
            APP.getBytes("/api/clips/" + clip + "/captions.ass?spec=" + spec),
            StandardCharsets.UTF_8);
    assertThat(script)
        .contains("Text2")
        .contains("Nobody")
        .contains("Keiner")
        .doesNotContain("{mir}");
    JsonNode sheet = APP.get("/api/episodes/1/sheet");
    assertThat(sheet.toString()).contains("German: 1 sentence is still to translate or to look at");

    APP.post("/api/episodes/1/renderings", "{}");
    APP.await(
        "/api/episodes/1/sheet",
        s -> s.toString().contains("\"state\":\"DONE\"") && !s.toString().contains("RENDERING"));
    Map<String, String> files = new TreeMap<>();
    HttpRequest all =
        HttpRequest.newBuilder(
                URI.create(
                    APP.address()
                        + "/api/episodes/1/delivery.zip?covers=false&subtitles=srt,ttml,txt"))
            .build();
    byte[] zip =
        java.net.http.HttpClient.newHttpClient()
            .send(all, HttpResponse.BodyHandlers.ofByteArray())
            .body();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        String name = entry.getName();
        files.put(
            name.substring(name.indexOf('.') + 1),
            new String(in.readAllBytes(), StandardCharsets.UTF_8));
      }
    }
    assertThat(files.keySet())
        .containsExactly("csv", "de.srt", "de.ttml", "de.txt", "html", "mp4", "srt", "ttml", "txt");
    assertThat(SubtitleReader.read(files.get("de.srt")).cues())
        .allMatch(c -> "Keiner sagte es {mir}.".contains(c.text().replace('\n', ' ')));
    assertThat(files.get("de.ttml")).contains("xml:lang=\"de\"");
    assertThat(files.get("ttml")).contains("xml:lang=\"en\"");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"type\":\"useLanguage\",\"language\":\"../de\",\"use\":\"BOTH\"} | no language tag",
        "{\"type\":\"useLanguage\",\"language\":null,\"use\":\"BOTH\"} | language",
        "{\"type\":\"useLanguage\",\"language\":\"de\",\"use\":\"SUNG\"} | not understood",
        "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":null} | sentences",
        "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":[null]} | sentences",
        "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":[{\"first\":0,\"last\":1,\"source\":null,\"text\":\"a\",\"state\":\"OPEN\"}]} | not understood",
      })
  void whatMakesNoSenseIsRefused(String intent, String told) throws Exception {
    HttpResponse<String> answer = tried(intent);
    assertThat(answer.statusCode()).as(answer.body()).isIn(400, 422);
    assertThat(answer.body()).contains(told);
    assertThat(APP.get("/api/clips/" + clip).path("lettered").path("translations")).isEmpty();
  }

  @Test
  void tooMuchIsRefusedAndTheHostileIsText() throws Exception {
    String sentence =
        "{\"first\":%d,\"last\":%d,\"source\":\"s\",\"text\":\"%s\",\"state\":\"REVIEWED\"}";
    String long2001 = "x".repeat(2_001);
    assertThat(
            tried(
                    "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":["
                        + sentence.formatted(0, 4, long2001)
                        + "]}")
                .statusCode())
        .isEqualTo(422);
    String hostile = "{\\\\pos(0,0)}\\\\N<b>\u202e\u0000 ".replace("\u0000", "\\u0000");
    change(
        "{\"type\":\"translate\",\"language\":\"de\",\"sentences\":["
            + sentence.formatted(0, 4, hostile)
            + "]}");
    String script = new String(APP.getBytes("/api/clips/" + clip + "/captions.ass?language=de"));
    assertThat(script).doesNotContain("{\\pos(0,0)}");
    for (String language : new String[] {"xx-", "de%00", "%2e%2e", "a".repeat(50)}) {
      HttpResponse<String> answer =
          APP.send(
              HttpRequest.newBuilder(
                      URI.create(
                          APP.address() + "/api/clips/" + clip + "/translations/" + language))
                  .GET());
      assertThat(answer.statusCode()).as(language).isIn(400, 404, 422);
    }
    assertThat(read("back.xlf", "no xml at all").statusCode()).isIn(400, 422);
    assertThat(read("back.xlf", "no xml at all").body()).contains("back.xlf cannot be read: ");
    assertThat(read("back.srt", "").statusCode()).isIn(400, 422);
    assertThat(read("back.xlf", file("xlf").replace("trgLang=\"de\"", "trgLang=\"fr\"")).body())
        .contains("it is in fr, not in de");
    assertThat(APP.postAny("/api/clips/" + clip + "/translations/ja/proposals", "{}").body())
        .contains("does not go from en to ja");
  }
}
