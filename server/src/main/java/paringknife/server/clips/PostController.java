package paringknife.server.clips;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.post.Post;
import paringknife.core.deliver.post.PostTexts;
import paringknife.server.shelf.Episodes;

/** What is posted with clips, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}/post")
class PostController {
  private final Episodes episodes;
  private final ClipStore clips;
  private final ClipPosts posts;

  PostController(Episodes episodes, ClipStore clips, ClipPosts posts) {
    this.episodes = episodes;
    this.clips = clips;
    this.posts = posts;
  }

  /**
   * The texts of a clip.
   *
   * @param written whether somebody wrote them; else they are proposed
   * @param whole as they are for all destinations
   * @param taken as the destination takes them
   */
  record PostOfClip(boolean written, Post whole, PostTexts taken) {}

  /** The texts of a clip for a delivery spec. */
  @GetMapping
  PostOfClip post(@PathVariable long id, @RequestParam String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    DeliverySpec asked = episodes.open(clip.episodeId()).specs().byId(spec);
    Post post = posts.of(clip);
    return new PostOfClip(
        clip.document().delivered().post() != null,
        post,
        asked.texts().of(clip.document().title(), post));
  }
}
