package paringknife.core.clip.cut;

/** How something is taken out of a clip. */
public enum Means {
  /** It goes with its time. */
  CUT,
  /** Its time stays and is filled with room tone; it is not captioned either. */
  ROOM_TONE,
  /** It is not heard, room tone in its place, but its caption stays. */
  MUTE,
  /** It is heard and leaves the captions only. */
  CAPTIONS_ONLY;

  /** Whether the sound of what was taken out gives way to room tone. */
  public boolean silences() {
    return this == ROOM_TONE || this == MUTE;
  }

  /** Whether what was taken out is without a caption though its time stays. */
  public boolean uncaptions() {
    return this == ROOM_TONE || this == CAPTIONS_ONLY;
  }
}
