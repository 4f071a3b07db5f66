package paringknife.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A script: what is said by whom, with pauses, cross-talk and knocks on the microphone. */
record Script(List<Cue> cues) {
  /** One thing that happens. */
  sealed interface Cue permits Line, Pause, Over, Bump {}

  /** A line said by the speaker with a letter. */
  record Line(char speaker, List<ScriptWord> words) implements Cue {
    String spoken() {
      return String.join(" ", words.stream().map(ScriptWord::spoken).toList());
    }
  }

  /** A word as it is said, and as a recogniser would have written it. */
  record ScriptWord(String spoken, String written) {
    boolean isMistaken() {
      return !spoken.equals(written);
    }
  }

  record Pause(double seconds) implements Cue {}

  record Over(double seconds) implements Cue {}

  record Bump() implements Cue {}

  private static final Pattern LINE = Pattern.compile("([A-Z]): (.*)");
  private static final Pattern DIRECTION = Pattern.compile("\\{(?:(over) )?([\\d.]+|bump)}");

  static Script parse(String text) {
    List<Cue> cues = new ArrayList<>();
    for (String line : text.split("\\R")) {
      Matcher said = LINE.matcher(line);
      Matcher direction = DIRECTION.matcher(line.trim());
      if (said.matches()) {
        cues.add(new Line(said.group(1).charAt(0), words(said.group(2))));
      } else if (direction.matches()) {
        if (direction.group(2).equals("bump")) {
          cues.add(new Bump());
        } else {
          double seconds = Double.parseDouble(direction.group(2));
          cues.add(direction.group(1) == null ? new Pause(seconds) : new Over(seconds));
        }
      }
    }
    return new Script(cues);
  }

  private static List<ScriptWord> words(String text) {
    List<ScriptWord> words = new ArrayList<>();
    for (String token : text.trim().split("\\s+")) {
      int arrow = token.indexOf("=>");
      if (arrow < 0) {
        words.add(new ScriptWord(token, token));
      } else {
        String written = token.substring(arrow + 2);
        String end = written.replaceAll("[A-Za-z]+", "");
        words.add(new ScriptWord(token.substring(0, arrow) + end, written));
      }
    }
    return words;
  }
}
