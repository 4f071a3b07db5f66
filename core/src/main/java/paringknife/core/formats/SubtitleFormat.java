package paringknife.core.formats;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The formats in which captions go into files beside the picture. */
public enum SubtitleFormat {
  SRT("text/plain;charset=UTF-8") {
    @Override
    public String write(List<TimedText> cues, String language) {
      return SubRip.write(cues);
    }
  },
  VTT("text/vtt;charset=UTF-8") {
    @Override
    public String write(List<TimedText> cues, String language) {
      return WebVtt.write(cues);
    }
  },
  TTML("application/ttml+xml") {
    @Override
    public String write(List<TimedText> cues, String language) {
      return Ttml.write(cues, language);
    }
  },
  ASS("text/plain;charset=UTF-8") {
    @Override
    public String write(List<TimedText> cues, String language) {
      return AssSubtitles.write(cues);
    }
  },
  /** The text alone, a caption a line. */
  TXT("text/plain;charset=UTF-8") {
    @Override
    public String write(List<TimedText> cues, String language) {
      StringBuilder text = new StringBuilder();
      cues.forEach(c -> text.append(c.text().replaceAll("\\R", " ")).append('\n'));
      return text.toString();
    }
  };

  private final String mediaType;

  SubtitleFormat(String mediaType) {
    this.mediaType = mediaType;
  }

  /**
   * The whole text of a file.
   *
   * @param language BCP 47 tag, for the formats that state it
   */
  public abstract String write(List<TimedText> cues, String language);

  /** What its files' names end in, without the dot. */
  public String extension() {
    return name().toLowerCase(Locale.ROOT);
  }

  public String mediaType() {
    return mediaType;
  }

  public static Optional<SubtitleFormat> byExtension(String extension) {
    return Arrays.stream(values()).filter(f -> f.extension().equals(extension)).findFirst();
  }
}
