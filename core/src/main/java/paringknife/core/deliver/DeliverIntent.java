package paringknife.core.deliver;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.cover.Cover;
import paringknife.core.deliver.post.Post;
import paringknife.core.steps.Intent;

/** What a producer wants done to how a clip goes out. */
public sealed interface DeliverIntent extends Intent {
  /** What comes of it, where there are these specs. */
  Delivered apply(Delivered delivered, DeliverySpecs known);

  /** Give another title. */
  record Rename(String title) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered, DeliverySpecs known) {
      return delivered.withTitle(title);
    }

    @Override
    public String label() {
      return "rename";
    }
  }

  /**
   * Write what is posted with the clip.
   *
   * @param post null for what is proposed from its words
   */
  record WritePost(@Nullable Post post) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered, DeliverySpecs known) {
      return delivered.withPost(post);
    }

    @Override
    public String label() {
      return post == null ? "go back to the proposed text" : "write the text";
    }
  }

  /**
   * Let pass what was found of a clip for a spec.
   *
   * @param subject of the check
   * @param found its text: when it finds something else, the producer is asked again
   * @param note why; null to let it pass no longer
   */
  record Waive(String spec, String subject, String found, @Nullable String note)
      implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered, DeliverySpecs known) {
      return delivered.waiving(known.byId(spec).id(), subject, found, note);
    }

    @Override
    public String label() {
      return note == null ? "let it pass no longer" : "let it pass";
    }
  }

  /** Choose the still that stands for the clip, or whether its title stands on it. */
  record ChooseCover(Cover cover) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered, DeliverySpecs known) {
      return delivered.withCover(cover);
    }

    @Override
    public String label() {
      return cover.episodeUs() == null ? "go back to the proposed cover" : "choose the cover";
    }
  }

  /** Ask for delivery specs. */
  record AskFor(List<String> specs) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered, DeliverySpecs known) {
      return delivered.withSpecs(specs.stream().map(s -> known.byId(s).id()).distinct().toList());
    }

    @Override
    public String label() {
      return "choose specs";
    }
  }
}
