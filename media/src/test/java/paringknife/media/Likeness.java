package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.media.process.ChildProcess;

/** How like two films are, frame by frame, by ffmpeg's SSIM (Wang and others 2004). */
final class Likeness {
  private static final int FEWEST = 90;

  private Likeness() {}

  /**
   * Of all frames the least like ones.
   *
   * @param chosen which frames of the recording are compared, as ffmpeg's select says it
   * @param shift filters on our film before it is compared
   */
  static double least(Path recording, Path ours, String chosen, String shift) {
    return leastOf(
        List.of(recording, ours),
        "[0:v]select='"
            + chosen
            + "',setpts=N/(30000/1001)/TB,scale=320:180[a];[1:v]"
            + shift
            + "setpts=N/(30000/1001)/TB,scale=320:180[b];[a][b]ssim=stats_file=-:shortest=1");
  }

  /**
   * @param graph that compares and writes what it finds to standard output
   */
  static double leastOf(List<Path> films, String graph) {
    return leastOf(films, graph, FEWEST);
  }

  /**
   * @param fewest frames that have to be compared
   */
  static double leastOf(List<Path> films, String graph, int fewest) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error"));
    films.forEach(film -> command.addAll(List.of("-i", film.toString())));
    command.addAll(List.of("-filter_complex", graph, "-f", "null", "-"));
    Matcher each =
        Pattern.compile("All:([\\d.]+)")
            .matcher(ChildProcess.run(command, null, Duration.ofMinutes(2)).text());
    double least = 1;
    int count = 0;
    while (each.find()) {
      least = Math.min(least, Double.parseDouble(each.group(1)));
      count++;
    }
    assertThat(count).isGreaterThan(fewest);
    return least;
  }
}
