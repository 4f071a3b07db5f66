package paringknife.server.shelf;

import static paringknife.server.database.generated.Tables.EPISODE_SOUND;

import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.listen.Placement;
import paringknife.server.episodes.EpisodeSource;

/** The separate sound recordings of episodes in the database. */
@Repository
public class EpisodeSounds {
  private final DSLContext db;

  EpisodeSounds(DSLContext db) {
    this.db = db;
  }

  /**
   * A separate recording of an episode's sound.
   *
   * @param placed where it was found to lie; null until it has been lined up
   * @param nudgeUs what the producer moved it by
   * @param heard whether it is part of what is heard
   */
  public record Sound(
      int position,
      Path source,
      String speaker,
      @Nullable Placement placed,
      long nudgeUs,
      boolean heard) {
    /** Where it lies, with what the producer moved it by. */
    public Placement placement() {
      return (placed == null ? Placement.SAME : placed).movedBy(nudgeUs);
    }
  }

  /** What the producer may choose of a sound. */
  public record Choice(String speaker, long nudgeUs, boolean heard) {}

  /**
   * @param filming those that are cameras, which are not heard unless a producer wants it
   */
  @Transactional
  public void add(
      long episodeId,
      List<EpisodeSource.Microphone> microphones,
      Set<EpisodeSource.Microphone> filming) {
    for (int i = 0; i < microphones.size(); i++) {
      db.insertInto(EPISODE_SOUND)
          .set(EPISODE_SOUND.EPISODE_ID, episodeId)
          .set(EPISODE_SOUND.POSITION, i)
          .set(EPISODE_SOUND.SOURCE, microphones.get(i).file().toAbsolutePath().toString())
          .set(EPISODE_SOUND.SPEAKER, microphones.get(i).speaker())
          .set(EPISODE_SOUND.HEARD, !filming.contains(microphones.get(i)))
          .execute();
    }
  }

  public List<Sound> of(long episodeId) {
    return db.selectFrom(EPISODE_SOUND)
        .where(EPISODE_SOUND.EPISODE_ID.eq(episodeId))
        .orderBy(EPISODE_SOUND.POSITION)
        .fetch(
            r ->
                new Sound(
                    r.get(EPISODE_SOUND.POSITION),
                    Path.of(r.get(EPISODE_SOUND.SOURCE)),
                    r.get(EPISODE_SOUND.SPEAKER),
                    r.get(EPISODE_SOUND.OFFSET_US) == null
                        ? null
                        : new Placement(
                            r.get(EPISODE_SOUND.OFFSET_US),
                            r.get(EPISODE_SOUND.DRIFT_PPM),
                            r.get(EPISODE_SOUND.AGREEING)),
                    r.get(EPISODE_SOUND.NUDGE_US),
                    r.get(EPISODE_SOUND.HEARD)));
  }

  public void place(long episodeId, int position, Placement placement) {
    db.update(EPISODE_SOUND)
        .set(EPISODE_SOUND.OFFSET_US, placement.offsetUs())
        .set(EPISODE_SOUND.DRIFT_PPM, placement.driftPpm())
        .set(EPISODE_SOUND.AGREEING, placement.agreeing())
        .where(EPISODE_SOUND.EPISODE_ID.eq(episodeId).and(EPISODE_SOUND.POSITION.eq(position)))
        .execute();
  }

  /** Whether choices leave what is heard as it is, so that only names change. */
  boolean soundTheSame(long episodeId, List<Choice> choices) {
    List<Sound> now = of(episodeId);
    for (int i = 0; i < Math.min(now.size(), choices.size()); i++) {
      if (now.get(i).nudgeUs() != choices.get(i).nudgeUs()
          || now.get(i).heard() != choices.get(i).heard()) {
        return false;
      }
    }
    return true;
  }

  @Transactional
  public void choose(long episodeId, List<Choice> choices) {
    for (int i = 0; i < choices.size(); i++) {
      db.update(EPISODE_SOUND)
          .set(EPISODE_SOUND.SPEAKER, choices.get(i).speaker())
          .set(EPISODE_SOUND.NUDGE_US, choices.get(i).nudgeUs())
          .set(EPISODE_SOUND.HEARD, choices.get(i).heard())
          .where(EPISODE_SOUND.EPISODE_ID.eq(episodeId).and(EPISODE_SOUND.POSITION.eq(i)))
          .execute();
    }
  }
}
