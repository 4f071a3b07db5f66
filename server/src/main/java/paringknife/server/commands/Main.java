package paringknife.server.commands;

import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.transcripts.UnreadableTranscript;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line: a subcommand for each thing there is to do. */
@Command(
    name = "paring-knife",
    description = "Turns a long episode into finished short clips.",
    mixinStandardHelpOptions = true,
    scope = CommandLine.ScopeType.INHERIT,
    subcommands = {
      ServeCommand.class,
      WorkerCommand.class,
      BatchCommand.class,
      ToolCommand.class,
      BackupCommand.class,
      RestoreCommand.class
    })
public final class Main implements Runnable {
  private static final int BAD_INPUT = 2;
  private static final int FAILURE = 1;

  @CommandLine.Spec private CommandLine.Model.CommandSpec spec;

  public static void main(String[] arguments) {
    System.exit(run(arguments));
  }

  /** The exit status; what there is to say goes to the standard streams. */
  public static int run(String... arguments) {
    return new CommandLine(new Main())
        .setCaseInsensitiveEnumValuesAllowed(true)
        .setExecutionExceptionHandler((e, line, parsed) -> failed(e))
        .setParameterExceptionHandler(
            (e, args) -> {
              System.err.println(e.getMessage());
              return BAD_INPUT;
            })
        .execute(arguments);
  }

  private static int failed(Exception e) {
    boolean input =
        e instanceof UnusableRecording
            || e instanceof UnreadableTranscript
            || e instanceof IllegalArgumentException;
    System.err.println(String.valueOf(e.getMessage()).replaceAll("\\s*\\R\\s*", " "));
    return input ? BAD_INPUT : FAILURE;
  }

  @Override
  public void run() {
    throw new CommandLine.ParameterException(
        spec.commandLine(), "say what to do: serve, worker, batch, tool, backup or restore");
  }
}
