package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ComposedClip;
import paringknife.core.deliver.post.Post;
import paringknife.core.deliver.post.PostWriter;
import paringknife.core.letter.cue.KeyWordFinder;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shows.ShowPatterns;

/** What is posted with clips: as somebody wrote it, or as it is proposed. */
@Component
public class ClipPosts {
  private final Episodes episodes;
  private final WantedClips wanted;
  private final ShowPatterns patterns;

  ClipPosts(Episodes episodes, WantedClips wanted, ShowPatterns patterns) {
    this.patterns = patterns;
    this.episodes = episodes;
    this.wanted = wanted;
  }

  /** Nothing is proposed while an episode cannot be opened. */
  public Post of(ClipStore.StoredClip clip) {
    Post written = clip.document().delivered().post();
    if (written != null) {
      return written;
    }
    return episodes.isPlayable(clip.episodeId()) ? proposed(clip) : new Post("", List.of());
  }

  private Post proposed(ClipStore.StoredClip clip) {
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip composed = episode.compose(clip.document());
    EpisodeStore.Row row = episodes.row(clip.episodeId());
    Post proposed =
        new PostWriter(episode.transcript(), row.show())
            .propose(
                composed.said(),
                new KeyWordFinder(episode.transcript(), wanted.subjectsFor(clip.episodeId()))
                    .propose(composed.captions().cues()));
    return patterns
        .posts(row.show())
        .of(proposed, clip.document().title(), row.show(), row.title());
  }
}
