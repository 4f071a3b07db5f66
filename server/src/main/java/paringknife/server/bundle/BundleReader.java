package paringknife.server.bundle;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.FileSystemUtils;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.core.time.Span;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.KeptPicture;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.StylePictures;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.clips.ClipFormat;
import paringknife.server.clips.ClipStore;
import paringknife.server.clips.VersionStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeSource;
import paringknife.server.picks.MarkStore;
import paringknife.server.shelf.EpisodePeople;
import paringknife.server.shelf.EpisodeSounds;
import paringknife.server.shelf.Episodes;
import paringknife.server.shelf.MediaFolder;
import paringknife.server.specs.SpecStore;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.BodyRules;
import paringknife.server.web.NotThere;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts the episode of a bundle on the shelf: all of it or nothing. What was worked out of its
 * recordings is worked out anew.
 */
@Component
class BundleReader {
  private static final int MOST_CLIPS = 1_000;
  private static final int MOST_VERSIONS = 200;
  private static final int MOST_PEOPLE_CORRECTIONS = 2_000;
  private static final int MOST_ALONG = 100;
  private static final int LONGEST_ENDING = 8;
  private static final long SLACK_US = 1_000_000;

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
  private final MediaFolder folder;
  private final DataFolder data;
  private final TransactionTemplate transactions;
  private final JsonMapper json;
  private final ClipFormat format;

  BundleReader(
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
      MediaFolder folder,
      DataFolder data,
      TransactionTemplate transactions,
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
    this.folder = folder;
    this.data = data;
    this.transactions = transactions;
    this.json = json;
    this.format = new ClipFormat(json);
  }

  /** A clip that was read and looked at. */
  private record ReadClip(ClipDocument document, List<ReadVersion> versions) {}

  private record ReadVersion(Bundle.BundledVersion version, ClipDocument document) {}

  /**
   * Takes a bundle in.
   *
   * @return the episode
   * @throws IllegalArgumentException with a word for the user, when it cannot be
   */
  long takeIn(Path file) throws IOException {
    try (BundleFile bundle = BundleFile.open(file)) {
      Bundle content = bundle.content(json);
      refuseMuch(content);
      List<ReadClip> read = content.clips().stream().map(this::read).toList();
      Optional<Path> place = unpacked(bundle, content);
      try {
        EpisodeSource source = source(content, place);
        fonts.addMissing(along(bundle, content.fonts()));
        CamePictures came = came(bundle, content);
        return transactions.execute(status -> shelve(content, source, read, came));
      } catch (RuntimeException | IOException e) {
        if (place.isPresent()) {
          FileSystemUtils.deleteRecursively(place.get());
        }
        throw e;
      }
    }
  }

  private static void refuseMuch(Bundle content) {
    refuse(content.clips().size() > MOST_CLIPS, "clips", MOST_CLIPS);
    refuse(
        content.people().size() > MOST_PEOPLE_CORRECTIONS,
        "corrections of people",
        MOST_PEOPLE_CORRECTIONS);
    refuse(content.fonts().size() > MOST_ALONG, "fonts", MOST_ALONG);
    refuse(content.logos().size() > MOST_ALONG, "logos", MOST_ALONG);
    refuse(content.backdrops().size() > MOST_ALONG, "backdrops", MOST_ALONG);
    for (Bundle.BundledClip clip : content.clips()) {
      refuse(clip.versions().size() > MOST_VERSIONS, "versions of a clip", MOST_VERSIONS);
    }
  }

  private static void refuse(boolean much, String what, int most) {
    if (much) {
      throw new IllegalArgumentException("Up to " + most + " " + what + " come with a bundle.");
    }
  }

  private ReadClip read(Bundle.BundledClip clip) {
    return new ReadClip(
        document(clip.document()),
        clip.versions().stream().map(v -> new ReadVersion(v, document(v.document()))).toList());
  }

  private ClipDocument document(JsonNode node) {
    try {
      ClipDocument document = format.document(node.toString());
      BodyRules.check(document);
      return document;
    } catch (JacksonException | BodyRules.BadBody | ClassCastException e) {
      throw new IllegalArgumentException("A clip of this bundle cannot be read.");
    }
  }

  /**
   * Recordings come into a folder of their own all together: a kill leaves none of them, or all.
   *
   * @return the folder; empty where none came along
   */
  private Optional<Path> unpacked(BundleFile bundle, Bundle content) throws IOException {
    List<String> files =
        Stream.concat(
                Stream.of(content.recording()),
                content.sounds().stream().map(Bundle.BundledSound::recording))
            .flatMap(r -> Stream.ofNullable(r.file()))
            .distinct()
            .toList();
    if (files.isEmpty()) {
      return Optional.empty();
    }
    Files.createDirectories(data.media());
    try (ScratchFolder scratch = ScratchFolder.in(data.media())) {
      Path whole = Files.createDirectory(scratch.path().resolve("recordings"));
      for (String file : files) {
        bundle.write(file, whole.resolve(named(file)));
      }
      return Optional.of(putInPlace(whole, FileNames.part(content.title())));
    }
  }

  /** Under its name, or with a number where that is taken; two that come together get two. */
  private synchronized Path putInPlace(Path whole, String name) throws IOException {
    Path place = data.media().resolve(name);
    for (int n = 2; Files.exists(place); n++) {
      place = data.media().resolve(name + " " + n);
    }
    return Files.move(whole, place, StandardCopyOption.ATOMIC_MOVE);
  }

  private EpisodeSource source(Bundle content, Optional<Path> place) {
    List<EpisodeSource.Microphone> microphones = new ArrayList<>();
    for (Bundle.BundledSound sound : content.sounds()) {
      microphones.add(
          new EpisodeSource.Microphone(found(sound.recording(), place), sound.speaker().strip()));
    }
    return new EpisodeSource(
        content.show().strip(),
        titled(content.title()),
        found(content.recording(), place),
        null,
        microphones);
  }

  private static String titled(String title) {
    if (title.isBlank()) {
      throw new IllegalArgumentException("An episode needs a title.");
    }
    return title.strip();
  }

  /** The recording that came along, or the one of its name in the media folder. */
  private Path found(Bundle.Recorded recording, Optional<Path> place) {
    String file = recording.file();
    if (file != null) {
      return place.orElseThrow().resolve(named(file));
    }
    try {
      return folder.find(recording.name());
    } catch (NotThere e) {
      throw new IllegalArgumentException(
          "This bundle came without its recordings. Put "
              + recording.name()
              + " into the media folder, then open it again.");
    }
  }

  /** A file's name as one that is safe everywhere, with the letters and digits of its ending. */
  private static String named(String file) {
    String name = file.substring(file.lastIndexOf('/') + 1);
    int dot = name.lastIndexOf('.');
    String ending = dot < 0 ? "" : name.substring(dot + 1).replaceAll("[^A-Za-z0-9]", "");
    String stem = FileNames.part(dot < 0 ? name : name.substring(0, dot));
    return ending.isEmpty() || ending.length() > LONGEST_ENDING ? stem : stem + "." + ending;
  }

  private static List<byte[]> along(BundleFile bundle, List<String> files) throws IOException {
    List<byte[]> along = new ArrayList<>();
    for (String file : files) {
      along.add(bundle.along(file));
    }
    return along;
  }

  /** Pictures as they are kept here, by what they are called there. */
  private record CamePictures(Map<String, KeptPicture> logos, Map<String, KeptPicture> backdrops) {}

  private CamePictures came(BundleFile bundle, Bundle content) throws IOException {
    return new CamePictures(
        kept(bundle, content.logos(), pictures.logos()::add),
        kept(bundle, content.backdrops(), pictures.backdrops()::add));
  }

  private static Map<String, KeptPicture> kept(
      BundleFile bundle, List<String> files, Function<byte[], KeptPicture> keep)
      throws IOException {
    Map<String, KeptPicture> kept = new HashMap<>();
    for (String file : files) {
      kept.put(file.substring(file.lastIndexOf('/') + 1), keep.apply(bundle.along(file)));
    }
    return kept;
  }

  private long shelve(
      Bundle content, EpisodeSource source, List<ReadClip> read, CamePictures came) {
    long id = episodes.add(source, words(content)).id();
    if (content.transcript() != null && content.timing() != null) {
      // As it was there, without what this installation's glossary would make of it.
      transcripts.replace(id, content.transcript(), content.timing());
    }
    sounds.choose(
        id,
        content.sounds().stream()
            .map(s -> new EpisodeSounds.Choice(s.speaker().strip(), s.nudgeUs(), s.heard()))
            .toList());
    content.people().forEach(c -> people.add(id, c));
    content
        .marks()
        .forEach(m -> marks.add(id, m.startUs(), m.endUs(), m.state(), m.title(), m.note()));
    marks.settle(id, content.chapters());
    Map<String, String> called = called(content.specs());
    long endUs = episodes.row(id).durationUs() + SLACK_US;
    for (ReadClip clip : read) {
      ClipDocument document = here(clip.document(), called, came, endUs);
      long made = clips.create(id, document).id();
      for (ReadVersion v : clip.versions()) {
        versions.keep(
            made,
            v.version().name(),
            v.version().automatic(),
            v.version().lengthUs(),
            here(v.document(), called, came, endUs));
      }
    }
    return id;
  }

  private static TranscriptFile.@Nullable Imported words(Bundle content) {
    return content.transcript() == null || content.timing() == null
        ? null
        : new TranscriptFile.Imported(content.transcript(), content.timing(), List.of());
  }

  /** What specs that came along are called here. */
  private Map<String, String> called(List<DeliverySpec> came) {
    Map<String, String> called = new HashMap<>();
    List<DeliverySpec> kept = specs.takenIn(came);
    for (int i = 0; i < came.size(); i++) {
      called.put(came.get(i).id(), kept.get(i).id());
    }
    return called;
  }

  private static ClipDocument here(
      ClipDocument document, Map<String, String> called, CamePictures came, long endUs) {
    List<Span> stretches = document.pared().stretches();
    if (stretches.isEmpty()
        || stretches.stream().anyMatch(s -> s.startUs() < 0 || s.endUs() > endUs)) {
      throw new IllegalArgumentException(
          document.title() + " in this bundle reaches beyond the recording.");
    }
    ClipDocument here =
        document.with(document.delivered().withSpecsCalled(s -> called.getOrDefault(s, s)));
    return withLogo(withBackdrop(here, came.backdrops()), came.logos());
  }

  /** Of a picture that did not come along, rendering says that it is to be chosen again. */
  private static ClipDocument withBackdrop(
      ClipDocument document, Map<String, KeptPicture> backdrops) {
    Backdrop backdrop = document.framed().backdrop();
    KeptPicture kept = backdrop == null ? null : backdrops.get(backdrop.picture());
    return kept == null
        ? document
        : document.with(document.framed().with(new Backdrop(kept.id(), kept.aspect())));
  }

  private static ClipDocument withLogo(ClipDocument document, Map<String, KeptPicture> logos) {
    Logo logo = document.laidOver().logo();
    if (logo == null) {
      return document;
    }
    KeptPicture picture = logos.get(logo.picture());
    return document.with(
        document
            .laidOver()
            .with(
                picture == null
                    ? null
                    : new Logo(
                        picture.id(),
                        picture.aspect(),
                        logo.corner(),
                        logo.size(),
                        logo.opacity())));
  }
}
