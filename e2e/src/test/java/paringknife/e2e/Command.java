package paringknife.e2e;

import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
                jars(),
                "paringknife.server.commands.Main"));
    if (Files.exists(classesRead())) {
      command.add(1, "-XX:SharedArchiveFile=" + classesRead());
    }
    command.addAll(List.of(arguments));
    return command;
  }

  /** Where the run's first server leaves the classes it read, so that others need not (JEP 350). */
  private static Path classesRead() {
    return OnceInARun.place().resolve("classes.jsa");
  }

  /** What has a server leave its classes in a file when it ends. */
  static Map<String, String> leavingItsClasses(Path file) {
    return Map.of("JAVA_TOOL_OPTIONS", "-XX:ArchiveClassesAtExit=" + file);
  }

  /** Lets all that is started from now on have classes that were left. */
  static void shareClasses(Path left) throws IOException {
    if (Files.exists(left)) {
      Files.move(left, classesRead(), StandardCopyOption.ATOMIC_MOVE);
    }
  }

  /** Folders of classes, which hold tests only, would keep a process from sharing any. */
  private static String jars() {
    return Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
        .filter(entry -> entry.endsWith(".jar"))
        .collect(Collectors.joining(File.pathSeparator));
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
