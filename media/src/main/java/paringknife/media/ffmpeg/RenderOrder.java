package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.util.List;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.frame.HeldWindow;
import paringknife.core.pare.CutList;
import paringknife.core.pare.PictureRun;

/**
 * All that a finished file is made from.
 *
 * @param recording the original
 * @param sound the episode's lossless sound
 * @param cuts what plays
 * @param runs the pictures of the cut list
 * @param windows held windows that cover the cut list, on the episode's clock, in order
 * @param speed how fast all of it plays, at its own pitch
 * @param captions an ASS script for the spec's size; empty for none
 */
public record RenderOrder(
    Recording recording,
    Path sound,
    CutList cuts,
    List<PictureRun> runs,
    List<HeldWindow> windows,
    String captions,
    DeliverySpec spec,
    double speed) {}
