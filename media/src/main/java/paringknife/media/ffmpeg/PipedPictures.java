package paringknife.media.ffmpeg;

import paringknife.core.time.FrameRate;

/** Pictures that come through a pipe: planar 4:2:0, BT.709, studio range. */
final class PipedPictures implements RenderPart {
  private final int width;
  private final int height;
  private final FrameRate rate;

  PipedPictures(int width, int height, FrameRate rate) {
    this.width = width;
    this.height = height;
    this.rate = rate;
  }

  @Override
  public int open(Ffmpeg run) {
    run.with("-f", "rawvideo", "-pix_fmt", "yuv420p", "-s", width + "x" + height);
    run.with("-r", rate.toString(), "-i", "pipe:0");
    return 1;
  }

  @Override
  public String filters() {
    return "[0:v:0]setparams=colorspace=bt709:color_primaries=bt709:color_trc=bt709:range=tv,"
        + "setsar=1";
  }
}
