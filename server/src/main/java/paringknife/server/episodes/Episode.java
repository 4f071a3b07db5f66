package paringknife.server.episodes;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.FramePlanner;
import paringknife.core.frame.PeopleTracker;
import paringknife.core.frame.Person;
import paringknife.core.listen.LevelCurve;
import paringknife.core.pare.ClipEditor;
import paringknife.core.pare.StretchEditor;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickFinder;
import paringknife.core.time.FrameRate;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.Renderer;

/** All that is known of an episode, in memory; what is costly is worked out when first asked for. */
public final class Episode {
  private final Recording recording;
  private final EpisodeFolder folder;
  private final Transcript transcript;
  private final LevelCurve levels;
  private final List<Person> people;
  private volatile @Nullable FramePlanner planner;
  private volatile @Nullable PickFinder finder;
  private final ClipEditor editor;
  private final ConcurrentHashMap<Brief, List<Pick>> picks = new ConcurrentHashMap<>();

  public Episode(Recording recording, EpisodeFolder folder, Transcript transcript) {
    this(recording, folder, transcript, folder.readLevels(), PeopleTracker.people(folder.readFaces()));
  }

  private Episode(
      Recording recording,
      EpisodeFolder folder,
      Transcript transcript,
      LevelCurve levels,
      List<Person> people) {
    this.recording = recording;
    this.folder = folder;
    this.transcript = transcript;
    this.levels = levels;
    this.people = people;
    this.editor = new ClipEditor(transcript, levels);
  }

  /** The same episode with another transcript; what does not depend on it is kept. */
  public Episode withTranscript(Transcript changed) {
    return new Episode(recording, folder, changed, levels, people);
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

  public List<Person> people() {
    return people;
  }

  public FramePlanner planner() {
    FramePlanner made = planner;
    if (made == null) {
      Recording.Picture picture = recording.picture();
      made = new FramePlanner(picture == null ? 640 : picture.width(), picture == null ? 360 : picture.height(), people, transcript);
      planner = made;
    }
    return made;
  }

  /** Arranges what a clip plays. */
  public StretchEditor stretches() {
    return new StretchEditor(transcript, levels);
  }

  public ClipEditor editor() {
    return editor;
  }

  public FrameRate rate() {
    return Renderer.rateOf(recording);
  }

  /** The speaker whom a person in the picture is; empty when nobody was matched to them. */
  public Optional<String> nameOf(int person) {
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
      made = new PickFinder(transcript, levels);
      finder = made;
    }
    return made;
  }
}
