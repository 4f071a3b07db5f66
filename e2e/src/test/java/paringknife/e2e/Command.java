package paringknife.e2e;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import paringknife.media.process.ChildProcess;
import paringknife.server.commands.Main;

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

  /** In this process, which knows most of it already and need not begin anew. */
  static ChildProcess.Outcome here(String... arguments) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    ByteArrayOutputStream told = new ByteArrayOutputStream();
    System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(told, true, StandardCharsets.UTF_8));
    try {
      int exit = Main.run(arguments);
      return new ChildProcess.Outcome(
          exit, said.toByteArray(), told.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
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
