package paringknife.server.out;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.deliver.Check;
import paringknife.server.RunningApplication;
import paringknife.server.deliver.RenderingStore;
import paringknife.server.episodes.DataFolder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Finished files on their way out, as a browser takes them. */
class OutOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final String ZIP = "/api/episodes/1/delivery.zip";
  private static final HttpClient BROWSER = HttpClient.newHttpClient();

  private static long clip;
  private static String spec;

  @BeforeAll
  static void render() throws Exception {
    APP.awaitReady(1);
    spec = APP.smallSpec("Small", 360, 360);
    clip =
        APP.post(
                "/api/episodes/1/clips",
                "{\"title\":\"Out of the door\",\"firstWord\":0,\"lastWord\":5}")
            .path("id")
            .asLong();
    change("{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    APP.post("/api/episodes/1/renderings", "{}");
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    assertThat(cell().path("state").asString()).isEqualTo("DONE");
  }

  private static void change(String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":%d,\"intent\":%s}".formatted(revision, intent));
  }

  private static JsonNode cell() throws Exception {
    for (JsonNode cell : APP.get("/api/episodes/1/sheet").path("lines").get(0).path("cells")) {
      if (cell.path("spec").asString().equals(spec)) {
        return cell;
      }
    }
    throw new AssertionError("no cell");
  }

  private static HttpResponse<byte[]> get(String path, String... headers) throws Exception {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(APP.address() + path));
    if (headers.length > 0) {
      request.headers(headers);
    }
    return BROWSER.send(request.build(), BodyHandlers.ofByteArray());
  }

  private static Map<String, byte[]> unzipped(byte[] packed) throws Exception {
    Map<String, byte[]> files = new LinkedHashMap<>();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(packed))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        files.put(entry.getName(), zip.readAllBytes());
      }
    }
    return files;
  }

  @Test
  void whatWasMeasuredOfAFileTellsThatItIsWhole() throws Exception {
    List<String> subjects = new ArrayList<>();
    cell().path("measured").forEach(c -> subjects.add(c.path("subject").asString()));
    assertThat(subjects).contains("picture", "sound", "in step", "captions seen");
    assertThat(cell().path("right").asBoolean()).isTrue();
  }

  @Test
  void theCoverIsAPictureOfTheSpecsSizeAndIsChosen() throws Exception {
    JsonNode choice = APP.get("/api/clips/" + clip + "/covers?spec=" + spec);
    assertThat(choice.path("proposedUs")).isNotEmpty();
    long first = choice.path("proposedUs").get(0).asLong();
    BufferedImage proposed = picture("");
    assertThat(proposed.getWidth()).isEqualTo(360);
    assertThat(proposed.getHeight()).isEqualTo(360);
    assertThat(picture("&us=" + first)).satisfies(p -> assertSame(p, proposed));

    change(
        "{\"type\":\"chooseCover\",\"cover\":{\"episodeUs\":" + first + ",\"hasHeading\":true}}");
    assertThat(cell().path("current").asBoolean()).as("the film is the same").isTrue();
    assertThat(differing(picture(""), proposed)).as("its title stands on it").isPositive();

    change("{\"type\":\"chooseCover\",\"cover\":{\"episodeUs\":999000000,\"hasHeading\":false}}");
    assertThat(APP.get("/api/clips/" + clip + "/covers?spec=" + spec).path("isKept").asBoolean())
        .isFalse();
    assertThat(picture("")).satisfies(p -> assertSame(p, proposed));
    change("{\"type\":\"chooseCover\",\"cover\":{\"episodeUs\":null,\"hasHeading\":false}}");
    assertThat(unzipped(get(ZIP).body()).keySet()).anyMatch(n -> n.endsWith(".jpg"));
  }

  /** All of a shelf in one zip: what the zip of each episode holds, in a folder of its own. */
  @Test
  void aShelfIsTakenHomeAsOneZip() throws Exception {
    String shelf = "/api/delivery.zip?cuts=otio";
    Map<String, byte[]> own = unzipped(get(ZIP + "?cuts=otio").body());
    Map<String, byte[]> all = unzipped(get(shelf).body());
    assertThat(all.keySet())
        .containsExactlyElementsOf(own.keySet().stream().map(n -> "tones/" + n).toList());
    own.forEach((name, bytes) -> assertThat(all.get("tones/" + name)).as(name).isEqualTo(bytes));
    assertThat(get(shelf, "Range", "bytes=10-19").body())
        .isEqualTo(Arrays.copyOfRange(get(shelf).body(), 10, 20));
    assertThat(get("/api/delivery.zip?shelf=999").statusCode()).isEqualTo(404);
    assertThat(get("/api/delivery.zip?shelf=x").statusCode()).isEqualTo(400);
    long empty = APP.post("/api/shelves", "{\"name\":\"Empty\",\"parentId\":null}").asLong();
    assertThat(get("/api/delivery.zip?shelf=" + empty).statusCode()).isEqualTo(404);
  }

  @Test
  void noCoverIsMadeOfNonsense() throws Exception {
    String cover = "/api/clips/" + clip + "/cover.jpg?spec=";
    assertThat(get(cover + "nothing").statusCode()).isEqualTo(422);
    assertThat(get(cover + spec + "&us=-5").statusCode()).isEqualTo(422);
    assertThat(get(cover + spec + "&us=x").statusCode()).isEqualTo(400);
    assertThat(get("/api/clips/999/cover.jpg?spec=" + spec).statusCode()).isEqualTo(404);
  }

  private static BufferedImage picture(String more) throws Exception {
    HttpResponse<byte[]> got = get("/api/clips/" + clip + "/cover.jpg?spec=" + spec + more);
    assertThat(got.headers().firstValue("content-type")).hasValue("image/jpeg");
    return ImageIO.read(new ByteArrayInputStream(got.body()));
  }

  /** Its size is asked for in the spec; the finished film stays what it is. */
  @Test
  void aCoverIsOfASizeOfItsOwnWhereTheSpecSaysSo() throws Exception {
    JsonNode plain = spec();
    ObjectNode wide = (ObjectNode) plain.deepCopy();
    wide.putObject("cover").put("width", 640).put("height", 360);
    try {
      assertThat(APP.sent("PUT", "/api/specs/" + spec, wide.toString()).statusCode())
          .isEqualTo(200);
      BufferedImage cover = picture("");
      assertThat(List.of(cover.getWidth(), cover.getHeight())).containsExactly(640, 360);
      assertThat(cell().path("current").asBoolean()).isTrue();
      wide.putObject("cover").put("width", 640).put("height", 3);
      assertThat(APP.sent("PUT", "/api/specs/" + spec, wide.toString()).statusCode())
          .isEqualTo(422);
    } finally {
      APP.sent("PUT", "/api/specs/" + spec, plain.toString());
    }
    assertThat(picture("").getHeight()).isEqualTo(360);
    assertThat(picture("").getWidth()).isEqualTo(360);
  }

  private static JsonNode spec() throws Exception {
    for (JsonNode known : APP.get("/api/specs")) {
      if (known.path("id").asString().equals(spec)) {
        return known;
      }
    }
    throw new AssertionError("no spec");
  }

  private static void assertSame(BufferedImage one, BufferedImage other) {
    assertThat(differing(one, other)).isZero();
  }

  private static long differing(BufferedImage one, BufferedImage other) {
    long differing = 0;
    for (int y = 0; y < one.getHeight(); y += 3) {
      for (int x = 0; x < one.getWidth(); x += 3) {
        differing += one.getRGB(x, y) == other.getRGB(x, y) ? 0 : 1;
      }
    }
    return differing;
  }

  @Test
  void aDownloadThatBrokeOffGoesOnWhereItStopped() throws Exception {
    HttpResponse<byte[]> whole = get(ZIP);
    assertThat(whole.headers().firstValue("content-length"))
        .hasValue(String.valueOf(whole.body().length));
    String tag = whole.headers().firstValue("etag").orElseThrow();
    int broken = whole.body().length / 3;
    HttpResponse<byte[]> rest = get(ZIP, "Range", "bytes=" + broken + "-", "If-Range", tag);
    assertThat(rest.statusCode()).isEqualTo(206);
    assertThat(rest.headers().firstValue("content-range"))
        .hasValue("bytes " + broken + "-" + (whole.body().length - 1) + "/" + whole.body().length);
    assertThat(rest.body())
        .isEqualTo(Arrays.copyOfRange(whole.body(), broken, whole.body().length));
    assertThat(get(ZIP, "Range", "bytes=0-3").body()).isEqualTo(Arrays.copyOf(whole.body(), 4));
    assertThat(get(ZIP, "Range", "bytes=-22").body())
        .as("the end of the central directory")
        .startsWith('P', 'K', 5, 6);
  }

  /** Between two requests there may be hours; nothing that lies there may tell that they passed. */
  @Test
  void whatIsAskedForAgainIsTheSameFile() throws Exception {
    get(ZIP);
    FileTime longAgo = FileTime.from(Instant.parse("2026-01-02T03:04:06Z"));
    List<Path> covers;
    try (Stream<Path> files = Files.list(APP.part(DataFolder.class).covers())) {
      covers = files.filter(f -> f.toString().endsWith(".jpg")).toList();
    }
    assertThat(covers).isNotEmpty();
    for (Path cover : covers) {
      Files.setLastModifiedTime(cover, longAgo);
    }
    HttpResponse<byte[]> once = get(ZIP);
    HttpResponse<byte[]> again = get(ZIP);
    assertThat(again.headers().firstValue("etag")).isEqualTo(once.headers().firstValue("etag"));
    assertThat(again.body()).isEqualTo(once.body());
    for (Path cover : covers) {
      assertThat(Files.getLastModifiedTime(cover)).isEqualTo(longAgo);
    }
  }

  @Test
  void whatChangedMeanwhileIsTakenWhole() throws Exception {
    byte[] whole = get(ZIP).body();
    HttpResponse<byte[]> other = get(ZIP, "Range", "bytes=10-", "If-Range", "\"another\"");
    assertThat(other.statusCode()).isEqualTo(200);
    assertThat(other.body()).isEqualTo(whole);
    assertThat(get(ZIP, "Range", "bytes=" + whole.length + "-").statusCode()).isEqualTo(416);
    assertThat(get(ZIP, "Range", "bytes=x-y").statusCode()).isEqualTo(422);
    assertThat(get(ZIP, "Range", "pages=2-3").body()).isEqualTo(whole);
  }

  /** Read by another program: the JDK's own {@code jar}. */
  @Test
  void anotherProgramReadsTheZip() throws Exception {
    Path zip = Files.createTempFile("parcel", ".zip");
    Files.write(zip, get(ZIP + "?cuts=otio,edl,csv").body());
    Process jar = new ProcessBuilder("jar", "tf", zip.toString()).start();
    String listed = new String(jar.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(jar.waitFor()).isZero();
    Files.delete(zip);
    assertThat(listed.lines())
        .contains(
            "cuts/out-of-the-door.otio",
            "cuts/out-of-the-door.edl",
            "cuts/out-of-the-door.csv",
            "texts.csv",
            "texts.txt",
            "report.html");
    assertThat(get(ZIP + "?cuts=doc").statusCode()).isEqualTo(422);
  }

  @Test
  void aFolderHoldsTheSameFiles() throws Exception {
    assertThat(APP.get("/api/episodes/1/delivery-folder").path("path").asString())
        .contains("delivered");
    JsonNode written =
        APP.post(
            "/api/episodes/1/delivery-folder",
            "{\"name\":\"../Mon day/x\",\"subtitles\":[\"srt\",\"vtt\"],\"cuts\":[],\"covers\":true}");
    Path folder = Path.of(written.path("path").asString());
    assertThat(folder)
        .startsWithRaw(APP.part(DataFolder.class).root().resolve("delivered"))
        .endsWithRaw(Path.of("mon-day", "x"));
    for (Map.Entry<String, byte[]> file : unzipped(get(ZIP).body()).entrySet()) {
      assertThat(folder.resolve(file.getKey())).hasBinaryContent(file.getValue());
    }
    assertThat(
            APP.postAny(
                    "/api/episodes/1/delivery-folder",
                    "{\"name\":\" / \",\"subtitles\":[],\"cuts\":[],\"covers\":true}")
                .statusCode())
        .isEqualTo(422);
  }

  /** Nothing else begins meanwhile. */
  private static void makeWrong() throws Exception {
    RenderingStore store = APP.part(RenderingStore.class);
    RenderingStore.Row row =
        store.all().stream().filter(r -> r.clipId() == clip).findFirst().orElseThrow();
    DataFolder data = APP.part(DataFolder.class);
    Path before = row.finishedIn(data).orElseThrow();
    RenderingStore.Attempt attempt = store.order(clip, spec, row.fingerprint(), row.fileName());
    Path file = data.finished(clip, spec, attempt.number(), row.finishedAs());
    Files.copy(before, file);
    List<Check> checks =
        List.of(new Check("sound", Check.Verdict.FAILS, "all of it is silent", null));
    assertThat(store.finish(attempt, file, checks, Map.of(), List.of())).isTrue();
  }

  @Test
  void aFileThatIsNotRightIsNoFileThatIsReady() throws Exception {
    APP.post("/api/queue/pause", "{\"paused\":true}");
    makeWrong();
    assertThat(cell().path("state").asString()).isEqualTo("DONE");
    assertThat(cell().path("right").asBoolean()).isFalse();
    Map<String, byte[]> files = unzipped(get(ZIP).body());
    assertThat(files.keySet()).noneMatch(n -> n.endsWith(".mp4"));
    assertThat(new String(files.get("report.html"), StandardCharsets.UTF_8))
        .contains("not right and left out", "all of it is silent");

    change(
        "{\"type\":\"waive\",\"spec\":\"%s\",\"subject\":\"sound\",\"found\":\"all of it is silent\",\"note\":\"a silent film\"}"
            .formatted(spec));
    assertThat(cell().path("right").asBoolean()).isTrue();
    assertThat(cell().path("current").asBoolean()).as("it need not be made again").isTrue();
    Optional<String> film =
        unzipped(get(ZIP).body()).keySet().stream().filter(n -> n.endsWith(".mp4")).findFirst();
    assertThat(film).isPresent();
    APP.post("/api/queue/pause", "{\"paused\":false}");
  }
}
