package paringknife.server.backup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import paringknife.server.database.MariaDbProcess;

/** The database as SQL, by MariaDB's own tools: as it was at one moment, whoever writes to it. */
final class DatabaseText {
  private DatabaseText() {}

  static void write(MariaDbProcess.Access database, Path file) throws IOException {
    List<String> command = tool("mariadb-dump", database);
    command.addAll(
        command.size() - 1,
        List.of(
            "--single-transaction",
            "--quick",
            "--skip-lock-tables",
            "--no-tablespaces",
            "--hex-blob",
            "--skip-comments"));
    run(builder(command, database).redirectOutput(file.toFile()), "written down");
  }

  /** Reads SQL that somebody else may have written: in a sandbox, away from shell and files. */
  static void read(Path file, MariaDbProcess.Access database) throws IOException {
    List<String> command = tool("mariadb", database);
    command.add(command.size() - 1, "--sandbox");
    run(builder(command, database).redirectInput(file.toFile()), "taken from the backup");
  }

  private static List<String> tool(String name, MariaDbProcess.Access database) {
    return new ArrayList<>(
        List.of(
            name,
            "--no-defaults",
            "--protocol=tcp",
            "--host=127.0.0.1",
            "--port=" + database.port(),
            "--user=" + database.userName(),
            "--default-character-set=utf8mb4",
            "--max-allowed-packet=256M",
            database.name()));
  }

  private static ProcessBuilder builder(List<String> command, MariaDbProcess.Access database) {
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.environment().put("MYSQL_PWD", database.password());
    return builder;
  }

  private static void run(ProcessBuilder builder, String what) throws IOException {
    Path told = Files.createTempFile("database", ".txt");
    Process process = null;
    try {
      process = builder.redirectError(told.toFile()).start();
      if (process.waitFor() != 0) {
        String why = Files.readString(told, StandardCharsets.UTF_8).strip();
        throw new IOException("The database could not be " + what + ": " + why);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("The database could not be " + what + ": stopped.");
    } finally {
      if (process != null) {
        process.destroyForcibly();
      }
      Files.deleteIfExists(told);
    }
  }
}
