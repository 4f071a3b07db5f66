package paringknife.e2e;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import paringknife.media.process.ChildProcess;

/** The command line as a process of its own. */
final class Command {
  private Command() {}

  static List<String> line(String... arguments) {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx1g",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1", // each lives for a minute: compiling it well would take
                // longer than it saves
                "-Djava.awt.headless=true",
                "-cp",
                System.getProperty("java.class.path"),
                "paringknife.server.commands.Main"));
    command.addAll(List.of(arguments));
    return command;
  }

  static ChildProcess.Outcome run(String... arguments) {
    return ChildProcess.runAnyExit(line(arguments), null, Duration.ofMinutes(8));
  }

  static Process start(Path log, String... arguments) throws IOException {
    return start(log, Map.of(), arguments);
  }

  static Process start(Path log, Map<String, String> environment, String... arguments)
      throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of("env", "--default-signal=INT")); // a test may run in the background, deaf to it
    command.addAll(line(arguments));
    ProcessBuilder builder =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile());
    builder.environment().putAll(environment);
    return builder.start();
  }
}
