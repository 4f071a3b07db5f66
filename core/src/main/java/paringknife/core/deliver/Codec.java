package paringknife.core.deliver;

/** What a finished file is encoded with, and the file format that carries it. */
public enum Codec {
  /** H.264 (ITU-T H.264) and AAC in MP4. */
  H264("mp4", "video/mp4", true, 51),
  /** HEVC (ITU-T H.265) and AAC in MP4. */
  HEVC("mp4", "video/mp4", true, 51),
  /** VP9 and Opus in WebM. */
  VP9("webm", "video/webm", true, 63),
  /** AV1 and AAC in MP4. */
  AV1("mp4", "video/mp4", true, 63),
  /** VC-3 (SMPTE ST 2019-1), every frame whole, and PCM in QuickTime's format: for an editor. */
  VC3("mov", "video/quicktime", true, 0),
  /** Sound only: MPEG-1 layer III. */
  MP3("mp3", "audio/mpeg", false, 0),
  /** Sound only: AAC in MP4. */
  M4A("m4a", "audio/mp4", false, 0),
  /** Sound only: PCM of 16 bits. */
  WAV("wav", "audio/wav", false, 0);

  private static final int LEAST = 64;

  /** What ffmpeg's encoder of VC-3 takes. */
  private static final int VC3_LEAST_WIDTH = 256;

  private static final int VC3_LEAST_HEIGHT = 120;

  private final String extension;
  private final String mediaType;
  private final boolean picture;
  private final int coarsest;

  Codec(String extension, String mediaType, boolean picture, int coarsest) {
    this.extension = extension;
    this.mediaType = mediaType;
    this.picture = picture;
    this.coarsest = coarsest;
  }

  /** What the names of its files end in, without the dot. */
  public String extension() {
    return extension;
  }

  /** Media type (IANA) of its files. */
  public String mediaType() {
    return mediaType;
  }

  /** Whether its files have a picture. */
  public boolean hasPicture() {
    return picture;
  }

  /** How many pixels across its pictures have at least. */
  int leastWidth() {
    return this == VC3 ? VC3_LEAST_WIDTH : LEAST;
  }

  /** How many pixels down its pictures have at least. */
  int leastHeight() {
    return this == VC3 ? VC3_LEAST_HEIGHT : LEAST;
  }

  /** Whether a bit rate or a quality can be chosen for its picture. */
  public boolean hasQuality() {
    return coarsest > 0;
  }

  /** Whether its files can be held to a size. */
  boolean hasChosenSize() {
    return this != VC3 && this != WAV;
  }

  /** The highest constant rate factor it takes. */
  int coarsest() {
    return coarsest;
  }
}
