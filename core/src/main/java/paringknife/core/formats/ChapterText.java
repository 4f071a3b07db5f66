package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.pick.Chapter;
import paringknife.core.time.Span;

/** Chapters as files: WebVTT chapters, a list with times, and ffmpeg's metadata. */
public final class ChapterText {
  private ChapterText() {}

  /** WebVTT whose cues are the chapters (W3C WebVTT, kind {@code chapters}). */
  public static String webVtt(List<Chapter> chapters, long durationUs) {
    List<TimedText> cues = new ArrayList<>();
    for (int i = 0; i < chapters.size(); i++) {
      cues.add(
          new TimedText(
              new Span(chapters.get(i).startUs(), end(chapters, i, durationUs)),
              chapters.get(i).title()));
    }
    return WebVtt.write(cues);
  }

  /** One line a chapter, its time before its title. */
  public static String list(List<Chapter> chapters) {
    StringBuilder text = new StringBuilder();
    for (Chapter chapter : chapters) {
      text.append(ClockText.of(chapter.startUs(), '.'), 0, 8)
          .append(' ')
          .append(chapter.title())
          .append('\n');
    }
    return text.toString();
  }

  /** ffmpeg's {@code ;FFMETADATA1}, times in milliseconds. */
  public static String ffmpegMetadata(List<Chapter> chapters, long durationUs) {
    StringBuilder text = new StringBuilder(";FFMETADATA1\n");
    for (int i = 0; i < chapters.size(); i++) {
      text.append("[CHAPTER]\nTIMEBASE=1/1000\nSTART=").append(chapters.get(i).startUs() / 1_000);
      text.append("\nEND=").append(end(chapters, i, durationUs) / 1_000);
      text.append("\ntitle=")
          .append(
              chapters
                  .get(i)
                  .title()
                  .replaceAll("([=;#\\\\])", "\\\\$1")
                  .replaceAll("[\\r\\n]+", " "))
          .append('\n');
    }
    return text.toString();
  }

  private static long end(List<Chapter> chapters, int chapter, long durationUs) {
    return chapter + 1 < chapters.size()
        ? chapters.get(chapter + 1).startUs()
        : Math.max(chapters.get(chapter).startUs(), durationUs);
  }
}
