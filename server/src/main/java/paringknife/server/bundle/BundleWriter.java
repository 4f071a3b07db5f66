package paringknife.server.bundle;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.HouseStyle;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.server.clips.ClipStore;
import paringknife.server.clips.VersionStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.picks.MarkStore;
import paringknife.server.shelf.EpisodePeople;
import paringknife.server.shelf.EpisodeSounds;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** Writes episodes as bundles: what is said of them first, then the files that go along. */
@Component
class BundleWriter {
  private final Episodes episodes;
  private final EpisodeSounds sounds;
  private final EpisodePeople people;
  private final TranscriptStore transcripts;
  private final MarkStore marks;
  private final ClipStore clips;
  private final VersionStore versions;
  private final SpecStore specs;
  private final CaptionFonts fonts;
  private final StylePictures pictures;
  private final DataFolder data;
  private final JsonMapper json;

  BundleWriter(
      Episodes episodes,
      EpisodeSounds sounds,
      EpisodePeople people,
      TranscriptStore transcripts,
      MarkStore marks,
      ClipStore clips,
      VersionStore versions,
      SpecStore specs,
      CaptionFonts fonts,
      StylePictures pictures,
      DataFolder data,
      JsonMapper json) {
    this.episodes = episodes;
    this.sounds = sounds;
    this.people = people;
    this.transcripts = transcripts;
    this.marks = marks;
    this.clips = clips;
    this.versions = versions;
    this.specs = specs;
    this.fonts = fonts;
    this.pictures = pictures;
    this.data = data;
    this.json = json;
  }

  /** A bundle that was gathered and can be written. */
  record Gathered(
      Bundle bundle,
      List<byte[]> fonts,
      List<byte[]> logos,
      List<byte[]> backdrops,
      Map<String, Path> films) {}

  /**
   * Gathers what there is of an episode.
   *
   * @param withRecordings whether the recordings go along
   * @throws NotThere when one of them is to and is gone
   */
  Gathered gather(long id, boolean withRecordings) {
    EpisodeStore.Row row = episodes.row(id);
    Map<String, Path> films = new LinkedHashMap<>();
    Bundle.Recorded recording = recorded(row.source(), withRecordings, films);
    List<Bundle.BundledSound> separate =
        sounds.of(id).stream()
            .map(
                s ->
                    new Bundle.BundledSound(
                        recorded(s.source(), withRecordings, films),
                        s.speaker(),
                        s.nudgeUs(),
                        s.heard()))
            .toList();
    List<ClipStore.StoredClip> all = clips.ofEpisode(id);
    List<ClipDocument> documents = all.stream().flatMap(this::documents).toList();
    List<byte[]> ownFonts = fonts.ownOf(families(documents));
    Map<String, byte[]> logos = logos(documents);
    Map<String, byte[]> backdrops = backdrops(documents);
    Optional<TranscriptStore.StoredTranscript> text = transcripts.of(id);
    Bundle bundle =
        new Bundle(
            Bundle.VERSION,
            row.show(),
            row.title(),
            recording,
            separate,
            text.map(TranscriptStore.StoredTranscript::transcript).orElse(null),
            text.map(TranscriptStore.StoredTranscript::timing).orElse(null),
            people.of(id),
            marks.of(id),
            marks.chapters(id),
            all.stream().map(this::bundled).toList(),
            ownSpecs(documents),
            numbered("fonts/", ownFonts.size()),
            logos.keySet().stream().map(p -> "logos/" + p).toList(),
            backdrops.keySet().stream().map(p -> "backdrops/" + p).toList());
    return new Gathered(
        bundle, ownFonts, List.copyOf(logos.values()), List.copyOf(backdrops.values()), films);
  }

  private Bundle.Recorded recorded(Path source, boolean goesAlong, Map<String, Path> films) {
    Path media = data.media();
    String name =
        source.startsWith(media)
            ? media.relativize(source).toString()
            : source.getFileName().toString();
    if (!goesAlong) {
      return new Bundle.Recorded(name, null);
    }
    if (!Files.isRegularFile(source)) {
      throw new NotThere(
          source.getFileName()
              + " is not there any more; without recordings the bundle can be made.");
    }
    String file = "recordings/" + films.size() + "-" + source.getFileName();
    films.put(file, source);
    return new Bundle.Recorded(name, file);
  }

  /** A clip as it is, and its versions. */
  private Stream<ClipDocument> documents(ClipStore.StoredClip clip) {
    return Stream.concat(
        Stream.of(clip.document()),
        versions.of(clip.id()).stream().map(v -> versions.document(clip.id(), v.id())));
  }

  private static List<String> families(List<ClipDocument> documents) {
    return documents.stream()
        .flatMap(d -> HouseStyle.of(d).families().stream())
        .distinct()
        .toList();
  }

  private Map<String, byte[]> logos(List<ClipDocument> documents) {
    Map<String, byte[]> logos = new LinkedHashMap<>();
    for (ClipDocument document : documents) {
      Logo logo = document.laidOver().logo();
      if (logo != null) {
        pictures.logos().bytes(logo.picture()).ifPresent(b -> logos.put(logo.picture(), b));
      }
    }
    return logos;
  }

  private Map<String, byte[]> backdrops(List<ClipDocument> documents) {
    Map<String, byte[]> backdrops = new LinkedHashMap<>();
    for (ClipDocument document : documents) {
      Backdrop backdrop = document.framed().backdrop();
      if (backdrop != null) {
        pictures
            .backdrops()
            .bytes(backdrop.picture())
            .ifPresent(b -> backdrops.put(backdrop.picture(), b));
      }
    }
    return backdrops;
  }

  private List<DeliverySpec> ownSpecs(List<ClipDocument> documents) {
    DeliverySpecs known = specs.all();
    return documents.stream()
        .flatMap(d -> d.delivered().specs().stream())
        .distinct()
        .filter(id -> DeliverySpecs.SHIPPED.find(id).isEmpty())
        .flatMap(id -> known.find(id).stream())
        .toList();
  }

  private static List<String> numbered(String before, int count) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      names.add(before + i);
    }
    return names;
  }

  private Bundle.BundledClip bundled(ClipStore.StoredClip clip) {
    return new Bundle.BundledClip(
        json.valueToTree(clip.document()),
        versions.of(clip.id()).stream()
            .map(
                v ->
                    new Bundle.BundledVersion(
                        v.name(),
                        v.automatic(),
                        v.lengthUs(),
                        json.valueToTree(versions.document(clip.id(), v.id()))))
            .toList());
  }

  /**
   * Writes a bundle; recordings, which cannot be made smaller, as they are. Only what was written
   * to its end gets the list of files by which a bundle is one.
   */
  void write(Gathered gathered, OutputStream out) throws IOException {
    ZipOutputStream zip = new ZipOutputStream(out);
    put(zip, Bundle.NAME, json.writeValueAsBytes(gathered.bundle()));
    for (int i = 0; i < gathered.fonts().size(); i++) {
      put(zip, gathered.bundle().fonts().get(i), gathered.fonts().get(i));
    }
    for (int i = 0; i < gathered.logos().size(); i++) {
      put(zip, gathered.bundle().logos().get(i), gathered.logos().get(i));
    }
    for (int i = 0; i < gathered.backdrops().size(); i++) {
      put(zip, gathered.bundle().backdrops().get(i), gathered.backdrops().get(i));
    }
    zip.setLevel(Deflater.NO_COMPRESSION);
    for (Map.Entry<String, Path> film : gathered.films().entrySet()) {
      zip.putNextEntry(new ZipEntry(film.getKey()));
      Files.copy(film.getValue(), zip);
      zip.closeEntry();
    }
    zip.finish();
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
    zip.closeEntry();
  }
}
