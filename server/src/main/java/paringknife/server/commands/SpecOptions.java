package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.specs.SpecFile;
import picocli.CommandLine.Option;

/** Which delivery specs there are for a command. */
final class SpecOptions {
  private static final long MOST_BYTES = 2_000_000;

  @Option(
      names = "--specs",
      description = "a file of delivery specs, as the spec editor exports; beside those that ship")
  private @Nullable Path file;

  DeliverySpecs specs() throws IOException {
    if (file == null) {
      return DeliverySpecs.SHIPPED;
    }
    String name = file.getFileName().toString();
    if (!Files.isRegularFile(file)) {
      throw new IllegalArgumentException("There is no file " + file + ".");
    }
    if (Files.size(file) > MOST_BYTES) {
      throw new IllegalArgumentException(name + " is no file of delivery specs.");
    }
    return SpecFile.withShipped(Files.readString(file), name);
  }
}
