package paringknife.server.episodes;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import paringknife.core.clip.ClipDesk;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.FilmedTexts;
import paringknife.core.frame.FrameDesk;
import paringknife.core.frame.PushInFinder;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.PeopleCorrection;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.clean.Cleaning;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.FillerList;
import paringknife.core.pare.PareDesk;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.pare.StretchEditor;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickFinder;
import paringknife.core.time.FrameRate;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.language.SnowballForms;
import paringknife.media.matte.Mattes;

/**
 * All that is known of an episode, in memory; what is costly is worked out when first asked for.
 */
public final class Episode {
  private static final Logger LOG = LoggerFactory.getLogger(Episode.class);

  private final Recording recording;
  private final EpisodeFolder folder;
  private final Transcript transcript;
  private final LevelCurve levels;
  private final LevelCurve pauseLevels;
  private final Seen seen;
  private final FillerList fillers;
  private final DeliverySpecs specs;
  private final PareEditor editor;
  private volatile @Nullable CameraPlanner planner;
  private volatile @Nullable PickFinder finder;
  private volatile @Nullable RoomToneFinder tones;
  private volatile @Nullable SoundPlanner soundPlanner;
  private volatile @Nullable Cleaning cleaning;
  private @Nullable Mattes mattes;
  private final ConcurrentHashMap<Brief, List<Pick>> picks = new ConcurrentHashMap<>();

  /** With the shipped filler words of its language. */
  public Episode(
      Recording recording, EpisodeFolder folder, Transcript transcript, DeliverySpecs specs) {
    this(recording, folder, transcript, FillerList.of(transcript.language()), specs);
  }

  public Episode(
      Recording recording,
      EpisodeFolder folder,
      Transcript transcript,
      FillerList fillers,
      DeliverySpecs specs) {
    this(recording, folder, transcript, folder.readLevels(), fillers, specs);
  }

  /** Who is seen by which cameras, as found and as put right. */
  private record Seen(
      Cameras cameras,
      List<List<Person>> found,
      People people,
      List<ShotList> shots,
      FilmedTexts texts) {
    static Seen in(EpisodeFolder folder, Recording recording) {
      Cameras cameras = folder.cameras(recording);
      CameraGrid grid = cameras.grid();
      List<ShotList> shots = folder.readShots(grid.cameras());
      List<List<FaceSample>> faces = folder.readFaces(grid.cameras());
      List<PeopleTracker.Filmed> filmed = new ArrayList<>();
      for (int c = 0; c < grid.cameras(); c++) {
        CameraGrid.Cell cell = grid.cells().get(c);
        double ratio = cell.width() / (double) cell.height();
        filmed.add(new PeopleTracker.Filmed(faces.get(c), shots.get(c), ratio));
      }
      List<List<Person>> found = PeopleTracker.acrossCameras(filmed);
      FilmedTexts texts = new FilmedTexts(grid, folder.readTexts(grid.cameras()));
      return new Seen(cameras, found, People.foundBy(found), shots, texts);
    }

    /** What is about somebody who is not found any more is left out. */
    Seen corrected(List<PeopleCorrection> corrections) {
      People corrected = People.foundBy(found);
      for (PeopleCorrection correction : corrections) {
        try {
          corrected = corrected.with(correction, shots);
        } catch (IllegalArgumentException noLonger) {
          LOG.info("{} does not apply any more", correction);
        }
      }
      return new Seen(cameras, found, corrected, shots, texts);
    }
  }

  private Episode(
      Recording recording,
      EpisodeFolder folder,
      Transcript transcript,
      LevelCurve levels,
      FillerList fillers,
      DeliverySpecs specs) {
    this(
        recording,
        folder,
        transcript,
        levels,
        folder.readPauseLevels(levels),
        Seen.in(folder, recording),
        fillers,
        specs);
  }

  private Episode(
      Recording recording,
      EpisodeFolder folder,
      Transcript transcript,
      LevelCurve levels,
      LevelCurve pauseLevels,
      Seen seen,
      FillerList fillers,
      DeliverySpecs specs) {
    this.recording = recording;
    this.folder = folder;
    this.transcript = transcript;
    this.levels = levels;
    this.pauseLevels = pauseLevels;
    this.seen = seen;
    this.fillers = fillers;
    this.specs = specs;
    this.editor = new PareEditor(transcript, pauseLevels, fillers);
  }

  /**
   * The same episode with another transcript or other specs; what does not depend on them is kept.
   */
  public Episode with(Transcript changed, DeliverySpecs changedSpecs) {
    return new Episode(
        recording, folder, changed, levels, pauseLevels, seen, fillers, changedSpecs);
  }

  /** The same episode with what a producer has put right about who is seen. */
  public Episode with(List<PeopleCorrection> corrections) {
    return new Episode(
        recording,
        folder,
        transcript,
        levels,
        pauseLevels,
        seen.corrected(corrections),
        fillers,
        specs);
  }

  /** The delivery specs that its clips may go to. */
  public DeliverySpecs specs() {
    return specs;
  }

  /** The filler words looked for. */
  public FillerList fillers() {
    return fillers;
  }

  /** Lays out what clips sound like. */
  SoundPlanner soundPlanner() {
    SoundPlanner made = soundPlanner;
    if (made == null) {
      made = new SoundPlanner(tones());
      soundPlanner = made;
    }
    return made;
  }

  /** The sound that is heard, cleaned as asked. */
  public SampleSource sound(Cleanup cleanup) {
    SampleSource heard = SoundFile.of(folder.sound());
    if (cleanup.asksForNothing()) {
      return heard;
    }
    Cleaning made = cleaning;
    if (made == null) {
      made = new Cleaning(levels, tones());
      cleaning = made;
    }
    return made.clean(heard, cleanup);
  }

  private RoomToneFinder tones() {
    RoomToneFinder made = tones;
    if (made == null) {
      made = new RoomToneFinder(levels, transcript);
      tones = made;
    }
    return made;
  }

  public Recording recording() {
    return recording;
  }

  public EpisodeFolder folder() {
    return folder;
  }

  public Transcript transcript() {
    return transcript;
  }

  public LevelCurve levels() {
    return levels;
  }

  public People people() {
    return seen.people();
  }

  /** The shots of each camera. */
  public List<ShotList> shots() {
    return seen.shots();
  }

  public Cameras cameras() {
    return seen.cameras();
  }

  /** Where the pictures of the cameras lie side by side. */
  public CameraGrid grid() {
    return seen.cameras().grid();
  }

  /** What of its pictures people are; one for all who ask, so that nothing is made twice. */
  public synchronized Mattes mattes() {
    Mattes made = mattes;
    if (made == null) {
      People people = seen.people();
      String unseen =
          IntStream.range(0, people.count())
              .filter(p -> !people.isSeen(p))
              .mapToObj(p -> "-" + p)
              .collect(Collectors.joining());
      Path kept = Ingest.mattes(folder.proxy()).resolve("people" + unseen);
      made = new Mattes(kept, folder.proxy(), grid(), people, seen.shots(), rate());
      mattes = made;
    }
    return made;
  }

  public CameraPlanner planner() {
    CameraPlanner made = planner;
    if (made == null) {
      made = new CameraPlanner(grid(), people(), shots(), transcript);
      planner = made;
    }
    return made;
  }

  /** Arranges what a clip plays. */
  public StretchEditor stretches() {
    return new StretchEditor(transcript, pauseLevels);
  }

  /** Where its clips are worked on. */
  public ClipDesk desk() {
    return new ClipDesk(
        new PareDesk(editor, stretches(), transcript.words().size(), levels.durationUs()),
        new FrameDesk(
            people().count(),
            grid().cameras(),
            levels.durationUs(),
            new PushInFinder(transcript, levels),
            () -> folder.colours(grid(), levels.durationUs())),
        specs);
  }

  /** What a state of a clip comes to; see {@link ComposedClip}. */
  public ComposedClip compose(ClipDocument clip) {
    return new ComposedClip(
        clip,
        editor.cuts(clip.pared()),
        new ComposedClip.Material(
            transcript, planner(), seen.texts(), soundPlanner(), rate(), specs));
  }

  public PareEditor editor() {
    return editor;
  }

  public FrameRate rate() {
    return Renderer.rateOf(recording);
  }

  /**
   * What a person in the picture is called: as a producer named them, or as the speaker who they
   * are; empty when nobody was matched to them.
   */
  public Optional<String> nameOf(int person) {
    if (people().nameOf(person).isPresent()) {
      return people().nameOf(person);
    }
    for (int s = 0; s < transcript.speakers().size(); s++) {
      if (planner().placement().personOf(s) == person) {
        return Optional.of(transcript.speakers().get(s));
      }
    }
    return Optional.empty();
  }

  public List<Pick> picks(Brief brief) {
    return picks.computeIfAbsent(brief, b -> picks().find(b));
  }

  public PickFinder picks() {
    PickFinder made = finder;
    if (made == null) {
      made = new PickFinder(transcript, levels, SnowballForms.of(transcript.language()), editor);
      finder = made;
    }
    return made;
  }
}
