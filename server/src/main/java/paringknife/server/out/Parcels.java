package paringknife.server.out;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.FileNames;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.TimedText;
import paringknife.core.time.FrameRate;
import paringknife.server.clips.ClipStore;
import paringknife.server.clips.CutListFile;
import paringknife.server.cover.Covers;
import paringknife.server.deliver.RenderingStore;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shelf.OnShelf;
import paringknife.server.web.NotThere;

/** Puts together what leaves the house of an episode. */
@Component
class Parcels {
  private static final String CUTS = "cuts/";

  /** Rates whose timecode leaves numbers out (SMPTE ST 12-1) are so many times 30000/1001. */
  private static final String NOTHING = "Nothing has been rendered yet.";

  private static final int DROPPING = 30_000;

  private final Episodes episodes;
  private final RenderingStore renderings;
  private final ReadyFiles files;
  private final ClipStore clips;
  private final Covers covers;
  private final OnShelf onShelf;

  Parcels(
      Episodes episodes,
      RenderingStore renderings,
      ReadyFiles files,
      ClipStore clips,
      Covers covers,
      OnShelf onShelf) {
    this.onShelf = onShelf;
    this.covers = covers;
    this.episodes = episodes;
    this.renderings = renderings;
    this.files = files;
    this.clips = clips;
  }

  /**
   * What goes along with finished files.
   *
   * @param subtitles formats of captions beside them
   * @param cuts formats of cut lists, one of each clip: {@code otio}, {@code edl}, {@code csv}
   * @param covers whether each film has its cover beside it
   */
  record Contents(List<SubtitleFormat> subtitles, List<String> cuts, boolean covers) {}

  /**
   * All finished files of the present clips that are right. Each comes with the subtitles it was
   * rendered with, in all its languages, whatever has been edited since; tables of texts and a
   * report, which says what was left out, come with all.
   *
   * @throws NotThere when nothing has been rendered
   */
  List<ParcelFile> of(long episodeId, Contents contents) {
    List<ReadyFiles.ReadyFile> finished = files.of(episodeId);
    if (finished.isEmpty()) {
      throw new NotThere(NOTHING);
    }
    // Only this format states its language; the others need no episode to be open.
    String spoken =
        contents.subtitles().contains(SubtitleFormat.TTML)
            ? episodes.open(episodeId).transcript().language()
            : "";
    List<ParcelFile> parcel = new ArrayList<>();
    Optional<Episode> pictured =
        contents.covers() ? Optional.of(episodes.open(episodeId)) : Optional.empty();
    for (ReadyFiles.ReadyFile file : finished) {
      if (file.isRight()) {
        ParcelFile film = ParcelFile.of(file.fileName(), file.path());
        parcel.add(film);
        addSubtitles(parcel, file, contents.subtitles(), spoken, film.written());
        pictured
            .flatMap(episode -> cover(episode, file))
            .ifPresent(p -> parcel.add(ParcelFile.of(file.name() + ".jpg", p)));
      }
    }
    Instant last =
        parcel.stream()
            .map(ParcelFile::written)
            .max(Comparator.naturalOrder())
            .orElse(Instant.EPOCH);
    addCuts(parcel, episodeId, finished, contents.cuts(), last);
    ReadyFiles.Told told = files.told(episodeId, finished);
    parcel.add(ParcelFile.of("texts.csv", told.csv(), last));
    parcel.add(ParcelFile.of("texts.txt", told.text(), last));
    parcel.add(ParcelFile.of("report.html", told.html(), last));
    return parcel;
  }

  /**
   * The same of all episodes on a shelf of which anything has been rendered, each in a folder of
   * its own.
   *
   * @param shelf null for all that there are
   * @throws NotThere when nothing has been rendered of any
   */
  List<ParcelFile> ofShelf(@Nullable Long shelf, Contents contents) {
    FileNames folders = new FileNames();
    List<ParcelFile> parcel = new ArrayList<>();
    for (EpisodeStore.Row row : onShelf.all(shelf)) {
      if (!files.of(row.id()).isEmpty()) {
        String folder = folders.unique(FileNames.part(row.title()));
        of(row.id(), contents).forEach(file -> parcel.add(file.within(folder)));
      }
    }
    if (parcel.isEmpty()) {
      throw new NotThere(NOTHING);
    }
    return parcel;
  }

  private Optional<Path> cover(Episode episode, ReadyFiles.ReadyFile file) {
    ClipStore.StoredClip clip = clips.byId(file.row().clipId());
    return episode
        .specs()
        .find(file.row().spec())
        .flatMap(spec -> covers.picture(clip, episode, spec, clip.document().delivered().cover()));
  }

  private void addSubtitles(
      List<ParcelFile> parcel,
      ReadyFiles.ReadyFile file,
      List<SubtitleFormat> wanted,
      String spoken,
      Instant written) {
    for (Map.Entry<String, List<TimedText>> track :
        renderings.subtitles(file.row().id()).entrySet()) {
      boolean isSpoken = track.getKey().isEmpty();
      String language = isSpoken ? spoken : track.getKey();
      for (SubtitleFormat format : wanted) {
        String ending = (isSpoken ? "." : "." + language + ".") + format.extension();
        String text = format.write(track.getValue(), language);
        parcel.add(ParcelFile.of(file.name() + ending, text, written));
      }
    }
  }

  private void addCuts(
      List<ParcelFile> parcel,
      long episodeId,
      List<ReadyFiles.ReadyFile> finished,
      List<String> formats,
      Instant written) {
    if (formats.isEmpty()) {
      return;
    }
    Episode episode = episodes.open(episodeId);
    FrameRate rate = episode.rate();
    boolean drops = rate.denominator() != 1 && rate.numerator() % DROPPING == 0;
    FileNames given = new FileNames();
    Map<Long, String> names = new HashMap<>();
    for (ReadyFiles.ReadyFile file : finished) {
      long id = file.row().clipId();
      if (!file.isRight() || names.containsKey(id)) {
        continue;
      }
      ClipStore.StoredClip clip = clips.byId(id);
      String name = given.unique(FileNames.part(clip.document().title()));
      names.put(id, name);
      for (String format : formats) {
        String text = CutListFile.write(clip.document(), episode, format, drops, 0);
        parcel.add(ParcelFile.of(CUTS + name + "." + format, text, written));
      }
    }
  }
}
