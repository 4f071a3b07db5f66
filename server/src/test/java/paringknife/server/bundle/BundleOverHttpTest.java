package paringknife.server.bundle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIOException;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.EpisodeStore;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An episode goes along with all that was made of it, and strangers' bundles do no harm. */
class BundleOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private Set<Path> before;
  private int shelved;

  @BeforeEach
  void look() throws Exception {
    before = inMediaFolder();
    shelved = APP.get("/api/shelf").size();
  }

  @AfterEach
  void clear() throws Exception {
    Files.deleteIfExists(APP.media().resolve("it.episode"));
  }

  private static Set<Path> inMediaFolder() throws IOException {
    try (Stream<Path> files = Files.walk(APP.media())) {
      return files.filter(f -> !f.toString().endsWith(".episode")).collect(Collectors.toSet());
    }
  }

  private static HttpResponse<String> open(byte[] bundle) throws Exception {
    Files.write(APP.media().resolve("it.episode"), bundle);
    return APP.postAny("/api/bundles", "{\"file\":\"it.episode\"}");
  }

  private static byte[] taken(String query) throws Exception {
    return APP.getBytes("/api/episodes/1/bundle" + query);
  }

  /** A bundle of the first episode as a stranger could have changed it. */
  private static byte[] changed(java.util.function.Consumer<ObjectNode> change) throws Exception {
    Path plain = Files.write(Files.createTempFile("plain", ".episode"), taken(""));
    try (ZipFile zip = new ZipFile(plain.toFile())) {
      ObjectNode content =
          (ObjectNode)
              APP.json(
                  new String(
                      zip.getInputStream(zip.getEntry("bundle.json")).readAllBytes(),
                      StandardCharsets.UTF_8));
      change.accept(content);
      return zipped(Map.of("bundle.json", content.toString().getBytes(StandardCharsets.UTF_8)));
    } finally {
      Files.delete(plain);
    }
  }

  private static byte[] zipped(Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, byte[]> file : new LinkedHashMap<>(files).entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
        zip.closeEntry();
      }
    }
    return bytes.toByteArray();
  }

  /** What was made of an episode, without the numbers that are each installation's own. */
  private static String made(long episode) throws Exception {
    ArrayNode clips = (ArrayNode) APP.get("/api/episodes/" + episode + "/clips");
    clips.forEach(
        c -> ((ObjectNode) c).remove(List.of("id", "episodeId", "revision", "undo", "redo")));
    JsonNode words = APP.get("/api/episodes/" + episode + "/transcript");
    ((ObjectNode) words).remove(List.of("revision", "undo", "redo"));
    ArrayNode marks = (ArrayNode) APP.get("/api/episodes/" + episode + "/marks");
    marks.forEach(m -> ((ObjectNode) m).remove("id"));
    return clips + "\n" + words + "\n" + marks;
  }

  @Test
  void anEpisodeOpensElsewhereAsItWas() throws Exception {
    String spec = APP.smallSpec("Goes along", 320, 320);
    long clip = APP.clip("with everything", 9);
    APP.change(clip, "{\"type\":\"pareFillers\"}");
    APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"" + spec + "\",\"vertical-60\"]}");
    APP.change(
        clip,
        "{\"type\":\"showNames\",\"names\":{\"shown\":true,\"lettering\":\"lectern\",\"seconds\":3}}");
    String backdrop = backdrop();
    APP.change(clip, "{\"type\":\"chooseBackdrop\",\"backdrop\":" + backdrop + "}");
    APP.postAny("/api/clips/" + clip + "/versions", "{\"name\":\"first cut\"}");
    APP.post(
        "/api/episodes/1/marks",
        "{\"startUs\":1000000,\"endUs\":3000000,\"state\":\"MARKED\",\"title\":\"here\",\"note\":\"\"}");
    byte[] bundle = taken("?recordings=true");
    APP.sent("DELETE", "/api/specs/" + spec, "");
    String picture = APP.json(backdrop).path("picture").asString();
    byte[] kept = APP.getBytes("/api/backdrops/" + picture);
    Files.delete(
        APP.part(DataFolder.class).stylePictures().resolve("backdrops/" + picture + ".png"));

    HttpResponse<String> opened = open(bundle);
    assertThat(opened.statusCode()).as(opened.body()).isEqualTo(200);
    long id = APP.json(opened.body()).path("id").asLong();
    APP.awaitReady(id);
    assertThat(made(id)).isEqualTo(made(1));
    assertThat(APP.getBytes("/api/backdrops/" + picture)).isEqualTo(kept);
    JsonNode there = RunningApplication.find(APP.get("/api/shelf"), id);
    JsonNode here = RunningApplication.find(APP.get("/api/shelf"), 1);
    for (String same : List.of("show", "title", "durationUs", "words")) {
      assertThat(there.path(same)).isEqualTo(here.path(same));
    }
    JsonNode clips = APP.get("/api/episodes/" + id + "/clips");
    long copy = clips.get(clips.size() - 1).path("id").asLong();
    assertThat(APP.get("/api/clips/" + copy + "/versions").toString()).contains("first cut");
    assertThat(APP.get("/api/specs").toString()).contains("\"Goes along\"");
    assertThat(APP.get("/api/clips/" + copy + "/preview").path("revision").asInt()).isEqualTo(1);
    assertThat(inMediaFolder()).contains(APP.media().resolve("tones/0-tones.mp4"));
  }

  private static String backdrop() throws Exception {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(9, 16, BufferedImage.TYPE_INT_RGB), "png", png);
    return APP.send(
            HttpRequest.newBuilder(URI.create(APP.address() + "/api/backdrops"))
                .header("Content-Type", "application/octet-stream")
                .POST(HttpRequest.BodyPublishers.ofByteArray(png.toByteArray())))
        .body();
  }

  /** Without its recordings it finds them by their names, and says which it misses. */
  @Test
  void recordingsAreFoundOrAskedFor() throws Exception {
    HttpResponse<String> twice = open(taken(""));
    assertThat(twice.statusCode()).isEqualTo(422);
    assertThat(twice.body()).contains("on the shelf already");
    HttpResponse<String> missing =
        open(changed(c -> ((ObjectNode) c.path("recording")).put("name", "far/away.mp4")));
    assertThat(missing.statusCode()).isEqualTo(422);
    assertThat(missing.body()).contains("Put far/away.mp4 into the media folder");
    Files.copy(APP.media().resolve("tones.mp4"), APP.media().resolve("elsewhere.mp4"));
    HttpResponse<String> found =
        open(changed(c -> ((ObjectNode) c.path("recording")).put("name", "elsewhere.mp4")));
    assertThat(found.statusCode()).as(found.body()).isEqualTo(200);
    APP.awaitReady(APP.json(found.body()).path("id").asLong());
  }

  private void isRefused(byte[] bundle, String what) throws Exception {
    HttpResponse<String> answer = open(bundle);
    assertThat(answer.statusCode()).as(what + ": " + answer.body()).isBetween(400, 422);
    assertThat(answer.body()).as(what).contains("message").doesNotContain("Exception");
    assertThat(inMediaFolder()).as(what + " leaves nothing behind").isEqualTo(before);
    assertThat(APP.get("/api/shelf").size()).as(what).isEqualTo(shelved);
  }

  @Test
  void whatIsNoBundleIsRefusedAndLeavesNothing() throws Exception {
    byte[] whole = taken("?recordings=true");
    isRefused(new byte[0], "nothing");
    isRefused("not a zip".getBytes(StandardCharsets.UTF_8), "text");
    isRefused(Arrays.copyOf(whole, whole.length / 2), "half of one");
    isRefused(Arrays.copyOf(whole, whole.length - 1), "all but a byte");
    byte[] broken = whole.clone();
    for (int i = whole.length / 2; i < whole.length / 2 + 64; i++) {
      broken[i] ^= 0x55;
    }
    isRefused(broken, "a recording with wrong bytes");
    isRefused(zipped(Map.of("else.txt", new byte[3])), "another zip");
    isRefused(zipped(Map.of("bundle.json", "null".getBytes(StandardCharsets.UTF_8))), "null");
    isRefused(zipped(Map.of("bundle.json", "[]".getBytes(StandardCharsets.UTF_8))), "a list");
    isRefused(zipped(Map.of("bundle.json", new byte[100 << 20])), "a hundred megabytes of zeros");
    isRefused(manyFiles(), "a hundred thousand files");
  }

  private static byte[] manyFiles() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (int i = 0; i < 100_000; i++) {
        zip.putNextEntry(new ZipEntry("f" + i));
      }
    }
    return bytes.toByteArray();
  }

  @Test
  void strangersBundlesAreReadWithCare() throws Exception {
    APP.clip("for a stranger", 4);
    before = inMediaFolder();
    List<String> names =
        List.of(
            "version", "show", "title", "recording", "sounds", "people", "marks", "clips", "specs");
    for (String name : names) {
      isRefused(changed(c -> c.putNull(name)), name + " is null");
      isRefused(changed(c -> c.remove(name)), name + " is missing");
      isRefused(changed(c -> c.putObject(name).put("x", 1)), name + " is of another kind");
    }
    isRefused(changed(c -> c.put("version", 2)), "another version");
    isRefused(changed(c -> c.put("title", "x".repeat(5_000))), "a long title");
    isRefused(changed(c -> c.put("title", " ")), "no title");
    isRefused(changed(c -> c.putArray("fonts").add("missing")), "a font that is not in it");
    isRefused(
        changed(c -> ((ObjectNode) c.path("recording")).put("file", "missing")),
        "a recording that is not in it");
    isRefused(
        changed(c -> ((ObjectNode) c.path("recording")).put("name", "../../../etc/passwd")),
        "a recording outside");
    isRefused(
        changed(c -> document(c).withObject("/pared").putNull("stretches")), "a clip of nothing");
    isRefused(
        changed(
            c ->
                ((ObjectNode) document(c).path("pared").path("stretches").get(0))
                    .put("endUs", 9_000_000_000L)),
        "a clip beyond the recording");
    isRefused(changed(c -> document(c).put("schema", 99)), "a clip of the future");
    isRefused(changed(c -> document(c).putNull("framed")), "a clip without framing");
    isRefused(changed(c -> ((ArrayNode) c.path("clips")).addNull()), "a null among clips");
    isRefused(changed(c -> ((ArrayNode) c.path("people")).addObject()), "a correction of nothing");
  }

  private static ObjectNode document(ObjectNode content) {
    return (ObjectNode) content.path("clips").get(0).path("document");
  }

  /** A name that leaves its folder is a name like any other. */
  @Test
  void namesInABundleLeadNowhere() throws Exception {
    byte[] film = Files.readAllBytes(APP.media().resolve("tones.mp4"));
    Path plain = Files.write(Files.createTempFile("plain", ".episode"), taken(""));
    ObjectNode content;
    try (ZipFile zip = new ZipFile(plain.toFile())) {
      content =
          (ObjectNode)
              APP.json(
                  new String(
                      zip.getInputStream(zip.getEntry("bundle.json")).readAllBytes(),
                      StandardCharsets.UTF_8));
    }
    Files.delete(plain);
    content.put("title", "../../up");
    ((ObjectNode) content.path("recording")).put("file", "recordings/../../../../out.mp4");
    HttpResponse<String> answer =
        open(
            zipped(
                Map.of(
                    "bundle.json",
                    content.toString().getBytes(StandardCharsets.UTF_8),
                    "recordings/../../../../out.mp4",
                    film)));
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    Set<Path> after = inMediaFolder();
    after.removeAll(before);
    assertThat(after).allMatch(p -> p.startsWith(APP.media()));
    assertThat(after).anyMatch(p -> p.getFileName().toString().equals("out.mp4"));
    APP.awaitReady(APP.json(answer.body()).path("id").asLong());
  }

  /** A bundle whose writing ended in the middle has no list of files, and is none. */
  @Test
  void whatIsNotWrittenToItsEndIsNoBundle() throws Exception {
    BundleWriter writer = APP.part(BundleWriter.class);
    BundleWriter.Gathered gathered = writer.gather(1, true);
    Map<String, Path> films = new LinkedHashMap<>(gathered.films());
    films.put("recordings/1-gone.wav", APP.media().resolve("gone.wav"));
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    assertThatIOException()
        .isThrownBy(
            () ->
                writer.write(
                    new BundleWriter.Gathered(
                        gathered.bundle(),
                        gathered.fonts(),
                        gathered.logos(),
                        gathered.backdrops(),
                        films),
                    bytes));
    isRefused(bytes.toByteArray(), "one whose second recording went away");
  }

  /** Two that come together get a folder each, and neither takes the other's away. */
  @Test
  void twoAtOnceKeepTheirRecordingsApart() throws Exception {
    byte[] bundle = taken("?recordings=true");
    Files.write(APP.media().resolve("it.episode"), bundle);
    CompletableFuture<Long> other = CompletableFuture.supplyAsync(BundleOverHttpTest::opened);
    Set<Path> sources =
        Stream.of(opened(), other.get())
            .map(id -> APP.part(EpisodeStore.class).byId(id).orElseThrow().source())
            .collect(Collectors.toSet());
    assertThat(sources).hasSize(2).allMatch(Files::exists);
  }

  private static long opened() {
    try {
      return APP.post("/api/bundles", "{\"file\":\"it.episode\"}").path("id").asLong();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  /** While a recording is being unpacked, or after a kill, nobody is offered a part of it. */
  @Test
  void whatIsHalfMadeIsNotOffered() throws Exception {
    Path half = APP.media().resolve(".scratch-1/recordings/half.mp4");
    Files.createDirectories(half.getParent());
    Files.write(half, new byte[9]);
    try {
      assertThat(APP.get("/api/media-folder").toString())
          .contains("tones.mp4")
          .doesNotContain("half.mp4");
    } finally {
      Files.delete(half);
      Files.delete(half.getParent());
      Files.delete(half.getParent().getParent());
    }
  }

  @Test
  void aBundleWhoseRecordingIsGoneIsNotBegun() throws Exception {
    Path film = APP.media().resolve("tones.mp4");
    Path aside = APP.media().resolve("aside.bin");
    Files.move(film, aside);
    try {
      HttpResponse<String> answer =
          APP.send(
              java.net.http.HttpRequest.newBuilder(
                  java.net.URI.create(APP.address() + "/api/episodes/1/bundle?recordings=true")));
      assertThat(answer.statusCode()).isEqualTo(404);
      assertThat(answer.body()).contains("tones.mp4 is not there any more");
    } finally {
      Files.move(aside, film);
    }
  }
}
