package paringknife.core.clip;

import org.jspecify.annotations.Nullable;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Ground;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.letter.drawn.Canvas;

/**
 * One frame of a clip as a picture by itself, without captions.
 *
 * @param episodeFrame number of the frame in the episode
 * @param path what it shows, as a clip of one frame
 * @param behind what is seen behind people; null for what was recorded
 * @param backdrop the picture that is seen as a ground; null where none is
 * @param skin whose skin is smoothed
 * @param logo what stands in a corner of it; null for nothing
 * @param script what is written on it (ASS v4+); empty for nothing
 */
public record Still(
    long episodeFrame,
    FramePath path,
    @Nullable Ground behind,
    @Nullable Backdrop backdrop,
    Look look,
    SmoothedSkin skin,
    CameraColours colours,
    @Nullable Logo logo,
    Canvas canvas,
    String script) {}
