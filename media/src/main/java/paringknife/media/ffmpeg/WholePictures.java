package paringknife.media.ffmpeg;

/** The last filter before whole pictures leave for a pipe: planar 4:2:0, BT.709, studio range. */
record WholePictures(int width, int height) implements RenderPart {
  @Override
  public String filters() {
    return "scale=" + width + ":" + height + ":flags=bicubic:out_color_matrix=bt709:out_range=tv";
  }
}
