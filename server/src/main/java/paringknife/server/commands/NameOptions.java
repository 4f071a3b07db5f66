package paringknife.server.commands;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.NamePattern;
import picocli.CommandLine.Option;

/** How the files that a command makes are named. */
final class NameOptions {
  @Option(
      names = "--names",
      defaultValue = "{show} {episode}_{clip}_{spec}",
      description = "how files are named")
  private String pattern = "";

  private final FileNames given = new FileNames();

  /** Refuses a pattern that names nothing. */
  void check() {
    new NamePattern(pattern);
  }

  /**
   * The name of a file that nothing has yet.
   *
   * @param number of the clip, from 1
   */
  String name(Path recording, String title, int number, DeliverySpec spec, long lengthUs) {
    Map<NamePattern.Field, String> values = new EnumMap<>(NamePattern.Field.class);
    values.put(NamePattern.Field.EPISODE, stem(recording));
    values.put(NamePattern.Field.CLIP, title);
    values.put(NamePattern.Field.SPEC, spec.id());
    values.put(NamePattern.Field.NUMBER, String.format(Locale.ROOT, "%02d", number));
    values.put(NamePattern.Field.DATE, LocalDate.now(ZoneOffset.UTC).toString());
    values.put(NamePattern.Field.LENGTH, Math.round(lengthUs / 1e6) + "s");
    values.put(NamePattern.Field.SIZE, spec.canvas().width() + "x" + spec.canvas().height());
    return given.unique(new NamePattern(pattern).name(values));
  }

  static String stem(Path file) {
    return file.getFileName().toString().replaceAll("\\.[^.]+$", "");
  }
}
