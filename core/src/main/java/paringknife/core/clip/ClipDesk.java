package paringknife.core.clip;

import paringknife.core.deliver.DeliverIntent;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.dress.DressIntent;
import paringknife.core.frame.FrameDesk;
import paringknife.core.frame.FrameIntent;
import paringknife.core.letter.LetterIntent;
import paringknife.core.listen.clean.SoundIntent;
import paringknife.core.pare.PareDesk;
import paringknife.core.pare.PareIntent;
import paringknife.core.pare.StretchEditor;
import paringknife.core.steps.Intent;

/** Where clips of one episode are worked on: an intention goes to the section it belongs to. */
public record ClipDesk(PareDesk paring, FrameDesk framing, DeliverySpecs specs) {
  private static final String REST = ", from here";

  /** The clip after an intention was carried out. */
  public ClipDocument apply(ClipDocument clip, Intent intent) {
    if (intent instanceof PareIntent pare) {
      return clip.with(pare.apply(clip.pared(), paring));
    }
    if (intent instanceof FrameIntent frame) {
      return clip.with(frame.apply(clip.framed(), paring.editor().cuts(clip.pared()), framing));
    }
    if (intent instanceof LetterIntent letter) {
      return clip.with(letter.apply(clip.lettered(), paring.editor().transcript()));
    }
    if (intent instanceof DressIntent dress) {
      return clip.with(dress.apply(clip.laidOver(), paring.editor().transcript()));
    }
    if (intent instanceof SoundIntent sound) {
      return clip.with(sound.apply(clip.sounded()));
    }
    if (intent instanceof DeliverIntent deliver) {
      return clip.with(deliver.apply(clip.delivered(), specs));
    }
    throw new IllegalArgumentException("This cannot be done to a clip.");
  }

  /** The two clips that come of parting one. */
  public record Parted(ClipDocument first, ClipDocument second) {}

  /** Parts a clip in two before a word (by index); the second is named after the first. */
  public Parted part(ClipDocument clip, int word) {
    paring.check(word, word);
    StretchEditor.Parted parted = paring.stretches().part(clip.pared(), word);
    return new Parted(
        clip.with(parted.first()),
        clip.with(parted.second()).with(clip.delivered().withTitleEnd(REST)));
  }
}
