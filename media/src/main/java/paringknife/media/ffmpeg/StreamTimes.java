package paringknife.media.ffmpeg;

/** When the picture and the sound of a file begin, and when the last of their packets ends. */
record StreamTimes(long pictureBeginsUs, long pictureEndsUs, long soundBeginsUs, long soundEndsUs) {
  /** Of a file with either of them alone, which is never out of step. */
  static final StreamTimes OF_ONE = new StreamTimes(0, 0, 0, 0);

  /** How much later than the picture the sound begins, microseconds. */
  long soundLateUs() {
    return soundBeginsUs - pictureBeginsUs;
  }

  /** How much earlier than the picture the sound ends, microseconds. */
  long soundShortUs() {
    return pictureEndsUs - soundEndsUs;
  }
}
